import { describe, expect, it } from 'vitest';
import type { Case, Zone } from '../../records/case';
import { CLIMATE_PRESETS, STARTER_SHELF } from '../../packs/starter-shelf';
import { checkZonePlan } from '../checks/check-plan';
import { correctionStretches } from './correction-stretches';
import { daysBetween } from '../../days/day';
import { planSeason } from '../draft/plan-season';
import { planBest } from '../planner/plan-best';
import { failing, highs } from '../planner/planner.fixture';
import { mehlichReport } from '../../soil/mehlich-report.fixture';
import { withDoses } from '../plan/with-doses';

const climate = CLIMATE_PRESETS.find((preset) => preset.id === 'transition')!;
const limy = (zone: Partial<Zone>, ph = 7.6): Case => ({
  format: 'ubertas-case',
  version: 1,
  property: { id: 'p', name: 'P', latitudeDeg: climate.latitudeDeg, climate: climate.climate },
  zones: [
    {
      id: 'z',
      name: 'Z',
      areaSqFt: 2000,
      grass: 'creeping-bentgrass',
      texture: 'sandy-loam',
      carbonates: 'none',
      ...zone,
    },
  ],
  soilTests: [mehlichReport(ph, 40, 80)],
  products: [...STARTER_SHELF],
  choices: { year: 2027 },
});
const sulfurOf = (given: Case) => {
  const draft = planSeason(given, 2027);
  const { doses: planned, status } = planBest(highs, given, draft, {}, { gap: 0.1, seconds: 10 });
  const plan = withDoses(draft, given, planned);
  return {
    status,
    plain: draft.zones[0]!.doses.filter((d) => d.for === 'sulfur'),
    doses: plan.zones[0]!.doses.filter((d) => d.for === 'sulfur'),
    checks: checkZonePlan(plan.zones[0]!, given, plan),
    season: plan.zones[0]!.season!,
  };
};

const whole = (zone: Pick<Zone, 'turf'>) => ({ zone, year: 2027, from: '2027-01-01' });

describe('stretches for lime and sulfur', () => {
  it('lie apart, spring before fall, and a green has three for each of the lawn’s', () => {
    for (const spans of [
      correctionStretches('lime', whole({})),
      correctionStretches('gypsum', whole({})),
      correctionStretches('sulfur', whole({ turf: 'established' })),
      correctionStretches('sulfur', whole({ turf: 'close-cut' })),
    ])
      spans.forEach(({ from, to }, i) => {
        expect(from < to).toBe(true);
        const next = spans[i + 1];
        if (next) expect(daysBetween(to, next.from)).toBeGreaterThanOrEqual(10);
      });
    expect(correctionStretches('sulfur', whole({ turf: 'close-cut' }))).toHaveLength(6);
    expect(correctionStretches('lime', whole({ turf: 'close-cut' }))).toEqual(correctionStretches('lime', whole({})));
  });
});

describe('sulfur through the year', () => {
  it('goes onto close-cut turf in doses of half a pound, ten days apart, and no more than three pounds (common practice)', () => {
    const { doses, plain, checks, status } = sulfurOf(limy({ turf: 'close-cut' }));
    expect(status).not.toBe('infeasible');
    expect(failing(checks)).toEqual([]);
    for (const list of [doses, plain]) {
      expect(list.length).toBeGreaterThan(2);
      list.forEach((dose, i) => {
        expect(dose.delivers['S-free']).toBeLessThanOrEqual(0.5 + 1e-6);
        const next = list[i + 1];
        if (next) expect(daysBetween(dose.date, next.date)).toBeGreaterThanOrEqual(10);
      });
      expect(list.reduce((sum, d) => sum + (d.delivers['S-free'] ?? 0), 0)).toBeLessThanOrEqual(3 + 1e-6);
    }
  });
  it('goes onto a lawn twice at most, five pounds at most', () => {
    const { doses, checks } = sulfurOf(limy({ grass: 'tall-fescue' }));
    expect(failing(checks)).toEqual([]);
    expect(doses.length).toBeGreaterThan(0);
    expect(doses.length).toBeLessThanOrEqual(2);
    for (const dose of doses) expect(dose.delivers['S-free']).toBeLessThanOrEqual(5 + 1e-6);
  });
  it('waits for a warm-season grass to wake, and one put down before is named', () => {
    const given = limy({ grass: 'bermudagrass' });
    const { doses, season, checks } = sulfurOf(given);
    expect(failing(checks)).toEqual([]);
    for (const { date } of doses) expect(season.growth[daysBetween('2027-01-01', date)]).toBeGreaterThanOrEqual(0.1);
    const early = { ...doses[0]!, date: '2027-03-01' };
    const draft = planSeason(given, 2027);
    const plan = withDoses(draft, given, [
      { zoneId: 'z', date: early.date, productId: early.productId, for: 'sulfur', rateLb: early.rateLb },
    ]);
    expect(checkZonePlan(plan.zones[0]!, given, plan).find((c) => c.id === 'sulfur-rest')).toMatchObject({
      standing: 'fail',
    });
  });
});
