import { describe, expect, it } from 'vitest';
import type { Case, LocalCode, PlannedDose, Zone } from '../../records/case';
import { caseOf, draftOf, only, product } from '../any-lawn.fixture';
import { checkZonePlan } from '../checks/check-plan';
import { freeInTime } from '../rules/before-frost';
import { nitrogenCeilings } from '../rules/dose-ceilings';
import { dayOfYear } from '../../days/day';
import { pH, reportOf } from '../../prescription/judgement.fixture';
import { planBest } from '../planner/plan-best';
import { highs } from '../planner/planner.fixture';
import { withDoses } from '../plan/with-doses';
import { planSeason } from './plan-season';

const stand = (zone: Partial<Zone>, more: Partial<Case> = {}, climate = 'transition') => caseOf(zone, more, climate);
const starters = only('starter-18-24-6', 'urea-46', 'coated-urea-42');
const checkOf = (given: Case, id: string, doses?: readonly PlannedDose[]) => {
  const draft = planSeason(given, 2027);
  const plan = doses ? withDoses(draft, given, doses) : draft;
  return checkZonePlan(plan.zones[0]!, given, plan).find((c) => c.id === id);
};

describe('a new stand’s own doses (C8)', () => {
  it('never leave warm-season sod feeding into frost, whatever the day of sodding', () => {
    for (const seededOn of ['2027-05-20', '2027-08-01', '2027-09-05', '2027-10-01']) {
      const season = draftOf(stand({ grass: 'bermudagrass', state: 'sod', seededOn }, starters));
      for (const dose of season.programme!.filter((d) => (d.delivers.N ?? 0) > 0))
        expect(
          freeInTime(product(dose.productId), planSeason(stand({}), 2027).soilF, season.season!, dayOfYear(dose.date)),
          `${seededOn}: ${dose.date}`,
        ).toBe(true);
    }
    // in time there is a starter, too late there is none, and that is said
    const starter = (seededOn: string) =>
      draftOf(stand({ grass: 'bermudagrass', state: 'sod', seededOn }, starters)).programme!.some(
        (d) => d.date === seededOn,
      );
    expect([starter('2027-05-20'), starter('2027-10-01')]).toEqual([true, false]);
  });
  it.each([
    [
      'a code',
      { grass: 'tall-fescue' },
      [{ id: 'c', name: 'Weir code', maxTotalNPerDose: 0.4 }],
      ['map-11-52', 'coated-urea-42'],
    ],
    ['close-cut turf', { grass: 'creeping-bentgrass', turf: 'close-cut' }, [], ['liquid-10-3-5', 'liquid-slow-25']],
  ] as [string, Partial<Zone>, LocalCode[], string[]][])(
    'the starter and what feeds beside it stay together under the ceilings of one day: %s',
    (_name, zone, codes, shelf) => {
      const soilTests = [
        reportOf('2026-11-20', [pH(6.5), { analyte: 'P', value: 8, unit: 'ppm', method: 'mehlich-3' }]),
      ];
      const sown = { ...zone, state: 'new-seeding', seededOn: '2027-09-05' } as const;
      const given = stand(sown, { ...only(...shelf), codes, soilTests });
      const day = draftOf(given).programme!.filter((d) => d.date === '2027-09-05');
      const sum = (nutrient: string) => day.reduce((lb, d) => lb + (d.delivers[nutrient] ?? 0), 0);
      const ceilings = nitrogenCeilings(given.zones[0]!, codes);
      expect(sum('N')).toBeGreaterThan(0);
      expect(sum('N-soluble')).toBeLessThanOrEqual(ceilings.soluble + 1e-9);
      expect(sum('N')).toBeLessThanOrEqual(ceilings.total(1 - sum('N-soluble') / sum('N')) + 1e-9);
    },
  );
  it('may bring in summer what its programme asks and no more; grown grass may not', () => {
    const sown = stand({ grass: 'tall-fescue', state: 'renovation', seededOn: '2027-05-20' }, starters);
    const second = (lb: number): PlannedDose[] => [
      { zoneId: 'z', date: '2027-06-24', productId: 'urea-46', for: 'N', rateLb: lb / 0.46 },
    ];
    expect(checkOf(sown, 'summer-dose', second(0.5))?.standing).toBe('pass');
    expect(checkOf(sown, 'summer-dose', second(0.7))?.standing).toBe('fail');
    expect(checkOf(stand({ grass: 'tall-fescue' }, starters), 'summer-dose', second(0.5))?.standing).toBe('fail');
  });
  const untested = (code: Partial<LocalCode>): Case =>
    stand(
      { grass: 'tall-fescue', state: 'sod', seededOn: '2027-04-26' },
      {
        ...only('starter-18-24-6', 'map-11-52', 'urea-46', 'coated-urea-42'),
        codes: [{ id: 'c', name: 'Weir code', phosphorusNeedsTest: true, ...code }],
        soilTests: [],
      },
    );
  it('has its starter with a warning where a code asks for a test and there is none', () => {
    const given = untested({});
    const starter = draftOf(given).programme!.filter((d) => (d.delivers.P2O5 ?? 0) > 0);
    expect(starter.map((d) => d.date)).toEqual(['2027-04-26']);
    const check = checkOf(given, 'phosphorus-test')!;
    expect(check.standing).toBe('warn');
    expect(check.says).toMatch(/exempt the starter of a new stand: check with the authority/);
    const later: PlannedDose = { zoneId: 'z', date: '2027-09-13', productId: 'map-11-52', for: 'P2O5', rateLb: 1 };
    expect(checkOf(given, 'phosphorus-test', [later])?.standing).toBe('fail');
  });
  it('does without phosphate there where its day is closed to it: nothing is made up for later', () => {
    const given = untested({ closed: [{ from: '04-19', to: '05-09', nutrients: ['P2O5'] }] });
    const { doses } = planBest(highs, given, planSeason(given, 2027), {}, { gap: 0.05 });
    const brought = withDoses(planSeason(given, 2027), given, doses).zones[0]!.doses;
    expect(brought.length).toBeGreaterThan(0);
    expect(brought.filter((d) => (d.delivers.P2O5 ?? 0) > 0)).toEqual([]);
  });
});

describe('late soluble nitrogen', () => {
  it('is none that comes in hundredths with an iron spray', () => {
    const given = stand({ grass: 'fine-fescue', texture: 'sand' });
    const spray = (rateLb: number): PlannedDose[] => [
      { zoneId: 'z', date: '2027-12-20', productId: 'liquid-iron-6', for: 'iron', rateLb },
    ];
    expect(checkOf(given, 'late-soluble', spray(0.4))?.standing ?? 'pass').toBe('pass');
    const urea: PlannedDose[] = [{ zoneId: 'z', date: '2027-12-20', productId: 'urea-46', for: 'N', rateLb: 0.5 }];
    expect(checkOf(given, 'late-soluble', urea)?.standing).toBe('fail');
  });
});
