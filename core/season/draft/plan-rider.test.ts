import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CLIMATE_PRESETS } from '../../packs/starter-shelf';
import { leastRateLb } from '../../products/least-rate';
import { pH, ppm, reportOf } from '../../prescription/judgement.fixture';
import type { Case } from '../../records/case';
import { caseOf, draftOf, only, product } from '../any-lawn.fixture';

/** Phosphate and potash in doses that a spreader lays evenly: common practice. */

// pH in the window of the acid-loving grass that asks for little
const tested = (P: number, ids: string[], climate = 'warm-southeast'): Case =>
  caseOf(
    { grass: 'centipedegrass', texture: 'sandy-loam' },
    { ...only(...ids), soilTests: [reportOf('2026-11-20', [pH(5.6), ppm('P', P), ppm('K', 120)])] },
    climate,
  );

describe('phosphate that is little', () => {
  it('comes from a grade weak enough to be spread, though a stronger one is cheaper', () => {
    const draft = draftOf(tested(25, ['coated-urea-42', 'map-11-52', 'starter-18-24-6']));
    const { yearLb } = draft.prescription.phosphorus;
    expect(yearLb).toBeGreaterThan(0.24);
    expect(yearLb).toBeLessThan(0.52);
    const [dose, ...more] = draft.doses.filter((d) => d.for === 'P2O5');
    expect(more).toEqual([]);
    expect(dose!.productId).toBe('starter-18-24-6');
    expect(dose!.delivers.P2O5).toBeCloseTo(yearLb, 6);
  });
  it('waits and says so where every grade is too strong', () => {
    const draft = draftOf(tested(25, ['coated-urea-42', 'map-11-52']));
    expect(draft.doses.filter((d) => (d.delivers.P2O5 ?? 0) > 0)).toEqual([]);
    expect(draft.unplaced.map(({ says }) => says).join()).toMatch(
      /less than a spreader lays evenly of .*: choose a weaker grade, or let it wait/,
    );
  });
  it('any test, any shelf, any climate: no dose under its least rate, and never more phosphate than asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 26 }),
        fc.subarray(['map-11-52', 'starter-18-24-6'], { minLength: 1 }),
        fc.constantFrom(...CLIMATE_PRESETS.map(({ id }) => id)),
        (P, ids, climate) => {
          const draft = draftOf(tested(P, ['coated-urea-42', ...ids], climate));
          const doses = draft.doses.filter((d) => d.for === 'P2O5');
          for (const dose of doses)
            expect(dose.rateLb).toBeGreaterThanOrEqual(leastRateLb(product(dose.productId), draft.zone) - 1e-9);
          expect(doses.reduce((sum, d) => sum + (d.delivers.P2O5 ?? 0), 0)).toBeLessThanOrEqual(
            draft.prescription.phosphorus.yearLb + 1e-9,
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});
