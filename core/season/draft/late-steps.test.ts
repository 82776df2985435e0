import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { daysBetween } from '../../days/day';
import { CLIMATE_PRESETS } from '../../packs/starter-shelf';
import { pH, reportOf } from '../../prescription/judgement.fixture';
import { caseOf, only } from '../any-lawn.fixture';
import { checkZonePlan } from '../checks/check-plan';
import { planSeason } from './plan-season';

const pageOf = (given: ReturnType<typeof caseOf>, picked = {}) => {
  const plan = planSeason(given, 2027, picked);
  const season = plan.zones[0]!;
  const checks = checkZonePlan(season, given, plan);
  return { season, checks, standing: (id: string) => checks.find((c) => c.id === id)?.standing };
};
const fed = (given: ReturnType<typeof caseOf>, picked = {}) =>
  pageOf(given, picked).season.doses.filter((d) => (d.delivers.N ?? 0) > 0.05);

describe('the late season in the plain draft', () => {
  it('takes its steps from a quick product beside a slow one, four to six weeks apart, and the year still adds up', () => {
    const given = caseOf({}, only('coated-urea-42', 'urea-46'));
    const doses = fed(given);
    const steps = doses.filter((d) => d.productId === 'urea-46');
    expect(steps).toHaveLength(2);
    const apart = daysBetween(steps[0]!.date, steps[1]!.date);
    expect(apart).toBeGreaterThanOrEqual(28);
    expect(apart).toBeLessThanOrEqual(42);
    expect(doses.some((d) => d.productId === 'coated-urea-42')).toBe(true);
    expect(doses.reduce((sum, d) => sum + (d.delivers.N ?? 0), 0)).toBeCloseTo(3, 6);
    expect(pageOf(given).standing('late-season')).toBe('pass');
    expect(pageOf(given).standing('season-shares')).toBe('pass');
  });
  it('gives a person who picked a product no other, and says where nothing can serve the school', () => {
    const given = caseOf({}, only('coated-urea-42', 'urea-46'));
    expect(new Set(fed(given, { 'z/N': 'coated-urea-42' }).map((d) => d.productId))).toEqual(
      new Set(['coated-urea-42']),
    );
    const slow = pageOf(caseOf({}, only('coated-urea-42')));
    expect(slow.season.schools!.setAside.join()).toMatch(/nothing that may go there can bring/);
    expect(slow.standing('late-season')).toBeUndefined();
  });
  it('takes no strong acidifier for a step on soil that is too acid', () => {
    const acid = caseOf(
      {},
      {
        ...only('coated-urea-42', 'ammonium-sulfate-21', 'calcitic-lime'),
        soilTests: [reportOf('2026-11-20', [pH(5.1)])],
      },
    );
    expect(fed(acid).some((d) => d.productId === 'ammonium-sulfate-21')).toBe(false);
  });
  it('on any cool lawn the draft keeps its dose rules, steps or none', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CLIMATE_PRESETS.map(({ id }) => id)),
        fc.constantFrom(
          'tall-fescue',
          'kentucky-bluegrass',
          'perennial-ryegrass',
          'fine-fescue',
          'creeping-bentgrass' as const,
        ),
        fc.constantFrom('sand', 'loam', 'clay' as const),
        fc.constantFrom('low', 'standard', 'high' as const),
        fc.subarray(['urea-46', 'coated-urea-42', 'ammonium-sulfate-21', 'lawn-24-0-11', 'meal-8-0-4'], {
          minLength: 1,
        }),
        (climate, grass, texture, care, ids) => {
          const given = caseOf(
            { grass: grass as 'tall-fescue', texture: texture as 'loam', care: care as 'low' },
            only(...ids),
            climate,
          );
          const { season, checks } = pageOf(given);
          expect(checks.filter((c) => c.standing === 'fail').map((c) => [c.id, c.found])).toEqual([]);
          const asked = season.prescription.nitrogen.year.value;
          expect(season.doses.reduce((sum, d) => sum + (d.delivers.N ?? 0), 0)).toBeLessThanOrEqual(asked * 1.04 + 0.1);
        },
      ),
      { numRuns: 80 },
    );
  });
});
