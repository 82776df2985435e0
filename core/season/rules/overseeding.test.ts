import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { addDays, dayOfYear, daysBetween } from '../../days/day';
import { BUILT_IN_PACKS } from '../../packs/rule-packs';
import { down } from '../../prescription/judgement.fixture';
import type { Case, Zone } from '../../records/case';
import { caseOf, draftOf, feedings, only, standing } from '../any-lawn.fixture';
import { checkZonePlan } from '../checks/check-plan';
import { planSeason } from '../draft/plan-season';
import { seasonTurns, seasonWindows } from '../plan/season-windows';
import { withDoses } from '../plan/with-doses';
import { zoneYear } from '../plan/zone-year';
import { planBest } from '../planner/plan-best';

/** One ground with two seasons: common practice of winter overseeding. */

const OVER = { grass: 'perennial-ryegrass', from: '10-08', to: '04-18' } as const;
const overseeded = (zone: Partial<Zone> = {}, more: Partial<Case> = {}, climate = 'warm-southeast'): Case =>
  caseOf({ grass: 'bermudagrass', texture: 'sandy-loam', overseed: OVER, ...zone }, more, climate);
const inWinter = (date: string) => date.slice(5) >= OVER.from || date.slice(5) <= OVER.to;

describe('C9: overseeded warm-season turf is one ground with two seasons (judgement)', () => {
  it('C9 the winter grass is fed three to six weeks after sowing, lightly, and not in the weeks before transition', () => {
    const fed = feedings(overseeded());
    const winter = fed.filter((d) => inWinter(d.date));
    const first = winter.find((d) => d.date > '2027-10-08')!;
    expect(daysBetween('2027-10-08', first.date)).toBeGreaterThanOrEqual(21);
    expect(daysBetween('2027-10-08', first.date)).toBeLessThanOrEqual(42);
    for (const dose of winter) {
      expect(dose.delivers.N).toBeLessThanOrEqual(0.5 + 1e-9);
      expect(dose.date.slice(5) > OVER.to || dose.date <= addDays('2027-04-18', -28)).toBe(true);
    }
    expect(standing(overseeded(), 'overseeding')).toBe('pass');
  });
  it('C9 the year is the warm-season grass’s own and the winter grass’s beside it; high care is fed oftener', () => {
    const alone = draftOf(overseeded({ overseed: undefined })).prescription;
    const both = draftOf(overseeded()).prescription;
    expect(alone.overseeding).toBeUndefined();
    const { feedings, yearLb, says } = both.overseeding!;
    expect(yearLb).toBeCloseTo(feedings.length * 0.5, 9);
    expect(both.nitrogen.year.value).toBeCloseTo(alone.nitrogen.year.value + yearLb, 9);
    expect(both.nitrogen.steps.reduce((sum, step) => sum + step.lb, 0)).toBeCloseTo(both.nitrogen.year.value, 9);
    expect(says).toMatch(/perennial ryegrass over it from 8 Oct to 18 Apr/);
    expect(both.cautions.join()).toMatch(/later and thinner/);
    const high = draftOf(overseeded({ care: 'high' })).prescription.overseeding!;
    expect(high.feedings.length).toBeGreaterThan(feedings.length);
    // close-cut turf is spoon-fed in winter as well
    const green = draftOf(overseeded({ turf: 'close-cut' })).prescription.overseeding!;
    expect(green.feedings.every(({ lb }) => lb === 0.25)).toBe(true);
  });
  it('C9 never both in one week: the warm-season grass waits for transition and stops four weeks before the sowing', () => {
    for (const to of ['04-18', '05-20', '06-10']) {
      const given = overseeded({ overseed: { ...OVER, to } });
      const own = feedings(given).filter((d) => d.date.slice(5) > to && d.date.slice(5) < OVER.from);
      expect(own.length).toBeGreaterThan(0);
      expect(own.every((d) => d.date.slice(5) > to && d.date <= addDays('2027-10-08', -28))).toBe(true);
    }
    const season = draftOf(overseeded());
    expect(seasonTurns(season).map(({ title }) => title)).toEqual(
      expect.arrayContaining(['Overseeding', 'Spring transition']),
    );
    const plan = planSeason(overseeded(), 2027);
    expect(seasonWindows(plan.zones[0]!, plan).some(({ title }) => title === 'Winter grass unfed')).toBe(true);
  });
  it('C9 what the log shows takes the place of a feeding, and is no part of the warm-season grass’s year', () => {
    const bare = draftOf(overseeded());
    const [first] = bare.prescription.overseeding!.feedings;
    const logged = overseeded({ applied: [down(addDays(first!.on, 2), 'urea-46', (0.5 / 0.46) * 1)] });
    const season = draftOf(logged);
    expect(season.prescription.overseeding!.givenLb).toBeGreaterThan(0);
    expect(season.prescription.overseeding!.feedings.every(({ on }) => Math.abs(daysBetween(on, first!.on)) > 20)).toBe(
      true,
    );
    const own = (doses: typeof bare.doses) =>
      doses.filter((d) => !inWinter(d.date)).reduce((sum, d) => sum + (d.delivers.N ?? 0), 0);
    expect(own(season.doses)).toBeCloseTo(own(bare.doses), 6);
  });
  it('C9 a code and an override leave the winter grass what they leave', () => {
    const capped = overseeded({}, { codes: [{ id: 'c', name: 'Harbor code', maxNPerYear: 3.4 }] });
    const { prescription, doses } = draftOf(capped);
    expect(prescription.nitrogen.year.value).toBeLessThanOrEqual(3.4 + 1e-9);
    expect(doses.reduce((sum, d) => sum + (d.delivers.N ?? 0), 0)).toBeLessThanOrEqual(3.4 + 0.05);
    const closed = overseeded(
      {},
      { codes: [{ id: 'c', name: 'Harbor code', closed: [{ from: '11-01', to: '03-31', nutrients: ['N'] }] }] },
    );
    expect(feedings(closed).every((d) => d.date.slice(5) < '11-01' && d.date.slice(5) > '03-31')).toBe(true);
    const own = overseeded({ own: [{ line: 'nitrogen', value: 2, reason: 'lean year', on: '2026-11-20' }] });
    expect(draftOf(own).prescription.nitrogen.year.value).toBe(2);
    expect(feedings(own).reduce((sum, d) => sum + (d.delivers.N ?? 0), 0)).toBeLessThanOrEqual(2.08);
  });
  it('C9 the check finds a dose on seedlings, too strong a one, and the first one missing', () => {
    const given = overseeded();
    const { doses } = draftOf(given);
    const winter = doses.find((d) => d.date > '2027-10-29')!;
    expect(standing(given, 'overseeding', [...doses, { ...winter, date: '2027-10-15' }])).toBe('fail');
    expect(standing(given, 'overseeding', [...doses, { ...winter, date: '2027-04-10' }])).toBe('fail');
    const strong = { ...winter, rateLb: winter.rateLb * 2.2 };
    expect(standing(given, 'overseeding', [...doses.filter((d) => d !== winter), strong])).toBe('fail');
    expect(
      standing(
        given,
        'overseeding',
        doses.filter((d) => d !== winter),
      ),
    ).toBe('warn');
  });
  it('C9 a cool-season grass is not overseeded, nor a stand in the year it is sown: it is said', () => {
    const cool = draftOf(overseeded({ grass: 'tall-fescue' })).prescription;
    expect(cool.overseeding).toBeUndefined();
    expect(cool.cautions.join()).toMatch(/perennial ryegrass over tall fescue is left out/);
    const sown = draftOf(overseeded({ state: 'new-seeding', seededOn: '2027-05-20' })).prescription;
    expect(sown.overseeding).toBeUndefined();
    expect(sown.cautions.join()).toMatch(/left out in the year of a new stand/);
    const nothing = draftOf(overseeded({}, only()));
    expect(nothing.doses).toEqual([]);
    expect(nothing.unplaced.map(({ says }) => says).join()).toMatch(/feeds the winter grass 0.50 lb N/);
  });
  it('C9 the search keeps the winter feedings and plans the warm-season grass beside them', async () => {
    const highs = await loadHighs();
    const given = overseeded({}, only('urea-46', 'coated-urea-42'));
    const draft = planSeason(given, 2027);
    const best = planBest(highs, given, draft, {}, { gap: 0.05, seconds: 300 });
    expect(['optimal', 'feasible']).toContain(best.status);
    const plan = withDoses(draft, given, best.doses);
    const checks = checkZonePlan(plan.zones[0]!, given, plan);
    expect(checks.filter((c) => c.standing === 'fail').map((c) => [c.id, c.found])).toEqual([]);
    const fed = plan.zones[0]!.doses.filter((d) => (d.delivers.N ?? 0) > 0);
    const winter = fed.filter((d) => inWinter(d.date));
    expect(winter.map((d) => d.date)).toEqual(draft.zones[0]!.programme!.map((d) => d.date));
    expect(fed.length).toBeGreaterThan(winter.length);
  });
  it('C9 in any climate, span and care: light, apart, and none while the winter grass rests or is too young', () => {
    const monthDay = fc
      .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 28 }))
      .map(([m, d]) => [m, d].map((n) => String(n).padStart(2, '0')).join('-'));
    fc.assert(
      fc.property(
        monthDay,
        monthDay,
        fc.constantFrom('low', 'standard', 'high' as const),
        fc.integer({ min: 40, max: 75 }),
        fc.integer({ min: 5, max: 25 }),
        (from, to, care, meanF, swing) => {
          const given = overseeded({ overseed: { ...OVER, from, to }, care: care as Zone['care'] });
          given.property.climate = {
            meanHighF: Array.from({ length: 12 }, (_, m) => meanF + 10 - swing * Math.cos((2 * Math.PI * m) / 12)),
            meanLowF: Array.from({ length: 12 }, (_, m) => meanF - 10 - swing * Math.cos((2 * Math.PI * m) / 12)),
          };
          const { season, facts } = zoneYear(given, given.zones[0]!, 2027, BUILT_IN_PACKS);
          const { feedings } = facts.overseeding!;
          for (const [i, { on, lb }] of feedings.entries()) {
            expect(season!.winter!.feeding[dayOfYear(on)]).toBe(true);
            expect(season!.feeding[dayOfYear(on)]).toBe(false);
            expect(lb).toBe(0.5);
            const next = feedings[i + 1];
            if (next && season!.winter!.days.slice(dayOfYear(on), dayOfYear(next.on)).every(Boolean))
              expect(daysBetween(on, next.on)).toBeGreaterThanOrEqual(28);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
