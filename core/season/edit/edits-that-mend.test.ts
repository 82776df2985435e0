import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Case, PlannedDose } from '../../records/case';
import { draft, dose, GOOD, judged, okonedo } from '../front-lawn.fixture';
import { editsThatMend } from './edits-that-mend';
import { allAtOnce } from './steps';

const check = (doses: readonly PlannedDose[], id: string, given = okonedo) => {
  const found = judged(doses, given).checks.find((c) => c.id === id);
  if (!found) throw new Error(`no check ${id}`);
  return found;
};
const offered = (doses: readonly PlannedDose[], id: string, given = okonedo) =>
  allAtOnce(editsThatMend(given, draft, doses, judged(doses, given), check(doses, id, given)));

describe('what would mend a broken rule', () => {
  it('starts from a plan in which none is broken', () => {
    expect(judged(GOOD).checks.filter((c) => c.standing === 'fail')).toEqual([]);
  });
  it('moves a dose out of the heat, to the nearest week that holds', () => {
    const doses = [dose('2027-07-19', 'coated-urea-42', 2), ...GOOD.slice(1)];
    const ways = offered(doses, 'heat');
    expect(ways[0]!.says).toMatch(/^Move 19 Jul to \d+ (Jun|Aug)$/);
    // hand check: the first day of heat of this climate lies in the last days of June, the last in the middle of August
    const moved = ways[0]!.doses.find((d) => !doses.includes(d))!;
    expect(moved.date < '2027-07-01' || moved.date > '2027-08-15').toBe(true);
    expect(ways[0]!.of.mended.map((c) => c.id)).toContain('heat');
  });
  it('lowers a dose to the most that its ceiling lets through, or moves nothing', () => {
    // 5 lb of 21 % are 1.05 lb soluble N; the ceiling is 1 lb (common practice), so 4.76 lb product
    const doses = [
      GOOD[0]!,
      dose('2027-09-06', 'ammonium-sulfate-21', 5),
      dose('2027-10-18', 'ammonium-sulfate-21', 1.9),
    ];
    const [way] = offered(doses, 'soluble-dose');
    expect(way!.says).toBe('Lower 6 Sep to 4.76 lb product');
    expect(judged(way!.doses).checks.filter((c) => c.standing === 'fail')).toEqual([]);
  });
  it('raises what is left to the year’s nitrogen after a dose was taken out', () => {
    const doses = [dose('2027-05-03', 'coated-urea-42', 1.3), ...GOOD.slice(1)];
    const want = draft.zones[0]!.prescription.nitrogen.year.value;
    const ways = offered(doses, 'nitrogen-year');
    expect(ways.length).toBeGreaterThan(0);
    for (const { says, doses: next } of ways) {
      expect(says).toMatch(/^Raise \d+ \w+ to [\d.]+ lb product$/);
      const year = next.reduce((sum, d) => sum + (d.rateLb * (d.productId === 'coated-urea-42' ? 42 : 21)) / 100, 0);
      expect(year).toBeCloseTo(want, 1);
    }
  });
  it('leaves locked and given doses alone', () => {
    const hot = dose('2027-07-19', 'coated-urea-42', 2);
    const doses = [hot, ...GOOD.slice(1)];
    expect(offered([{ ...hot, locked: true }, ...GOOD.slice(1)], 'heat')).toEqual([]);
    const zone = okonedo.zones[0]!;
    const recorded: Case = {
      ...okonedo,
      zones: [{ ...zone, applied: [{ date: hot.date, productId: hot.productId, zoneLb: 7.7 }] }],
    };
    expect(offered(doses, 'heat', recorded)).toEqual([]);
  });
  it('offers nothing for a check that passes, or for the property as a whole', () => {
    expect(offered(GOOD, 'heat')).toEqual([]);
    const few: Case = { ...okonedo, choices: { ...okonedo.choices, maxTrips: 2 } };
    expect(offered(GOOD, 'trips', few)).toEqual([]);
  });
  it('names the product where two stand on one day', () => {
    const doses = [...GOOD, dose('2027-10-18', 'coated-urea-42', 1.2)];
    const says = offered(doses, 'total-dose')
      .concat(offered(doses, 'nitrogen-year'))
      .map((way) => way.says);
    for (const each of says.filter((s) => s.includes('18 Oct'))) expect(each).toMatch(/\d+-0-0 of 18 Oct/);
    expect(says.length).toBeGreaterThan(0);
  });
  it('never offers what does not hold (any plan)', () => {
    const anyDose = fc.record({
      week: fc.integer({ min: 8, max: 46 }),
      productId: fc.constantFrom('coated-urea-42', 'ammonium-sulfate-21'),
      rateLb: fc.integer({ min: 100, max: 700 }).map((x) => x / 100),
    });
    let ways = 0;
    fc.assert(
      fc.property(
        fc.uniqueArray(anyDose, { minLength: 1, maxLength: 5, selector: (d) => `${d.week}${d.productId}` }),
        (any) => {
          const doses = any.map(({ week, productId, rateLb }) =>
            dose(new Date(Date.UTC(2027, 0, 4 + 7 * week)).toISOString().slice(0, 10), productId, rateLb),
          );
          const before = judged(doses);
          for (const fault of before.checks.filter((c) => c.standing !== 'pass').slice(0, 2))
            for (const way of allAtOnce(editsThatMend(okonedo, draft, doses, before, fault))) {
              ways++;
              const after = judged(way.doses);
              expect(after.checks.find((c) => c.id === fault.id)?.standing ?? 'pass').toBe('pass');
              const fails = (plan: typeof after) => plan.checks.filter((c) => c.standing === 'fail').map((c) => c.id);
              expect(fails(before)).toEqual(expect.arrayContaining(fails(after)));
              expect(after.cost - before.cost).toBeCloseTo(way.of.cost, 9);
            }
        },
      ),
      { numRuns: 40, seed: 20_270_405 },
    );
    expect(ways).toBeGreaterThan(20);
  });
});
