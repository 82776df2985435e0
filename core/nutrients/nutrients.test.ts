import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, explain } from '../reckoning/define';
import { capped } from '../prescription/capped';
import { nutrientBalance } from './balance';

import { oxideOfElement } from './oxide';
import { growthRemoval } from './removal';

describe('nutrient.oxide', () => {
  it('agrees with the customary factors P 0.4364 of P2O5, K 0.8301 of K2O, Ca 0.7147, Mg 0.6030 (IUPAC atomic masses)', () => {
    for (const [element, factor] of [
      ['P', 0.43643],
      ['K', 0.83015],
      ['Ca', 0.7147],
      ['Mg', 0.60304],
    ] as const)
      expect(1 / (evaluate(oxideOfElement, { element, elementLb: 1 }) as number)).toBeCloseTo(factor, 4);
  });
});

describe('nutrient.balance', () => {
  it('is 10 ppm short of 28,093 lb soil: 0.2809 lb, and growth on top (hand reckoning)', () => {
    expect(
      evaluate(nutrientBalance, { testPpm: 41, enoughPpm: 51, depthIn: 4, bulkDensity: 1.35, removalLb: 0.3 }),
    ).toBeCloseTo(0.28093 + 0.3, 4);
  });
  it('lets a surplus feed the growth before it clamps', () => {
    expect(
      evaluate(nutrientBalance, { testPpm: 61, enoughPpm: 51, depthIn: 4, bulkDensity: 1.35, removalLb: 0.3 }),
    ).toBeCloseTo(0.3 - 0.28093, 4);
    expect(
      evaluate(nutrientBalance, { testPpm: 500, enoughPpm: 51, depthIn: 4, bulkDensity: 1.35, removalLb: 0.3 }),
    ).toBe(0);
    expect(
      explain(nutrientBalance, { testPpm: -1, enoughPpm: 51, depthIn: 4, bulkDensity: 1.35, removalLb: 0 }),
    ).toMatchObject({ field: 'testPpm' });
  });
  it('is never negative nor NaN, and never rises with the test', () => {
    const n = (max: number) => fc.double({ min: 0, max, noNaN: true });
    fc.assert(
      fc.property(
        n(2000),
        n(500),
        fc.double({ min: 0.1, max: 12, noNaN: true }),
        n(5),
        n(100),
        (testPpm, enoughPpm, depthIn, removalLb, more) => {
          const need = (t: number) =>
            evaluate(nutrientBalance, { testPpm: t, enoughPpm, depthIn, bulkDensity: 1.3, removalLb }) as number;
          expect(need(testPpm)).toBeGreaterThanOrEqual(0);
          expect(need(testPpm + more)).toBeLessThanOrEqual(need(testPpm));
        },
      ),
    );
  });
});

describe('nutrient.removal', () => {
  it('takes half a pound of K with a pound of N, a quarter of it where clippings stay (Woods et al. 2016; value from memory)', () => {
    expect(evaluate(growthRemoval, { nutrient: 'K', yearNitrogenLb: 1, clippings: 'bagged' })).toBe(0.5);
    expect(evaluate(growthRemoval, { nutrient: 'P', yearNitrogenLb: 4, clippings: 'returned' })).toBe(0.125);
  });
});

describe('nutrient.capped', () => {
  it('holds 5.2 lb K2O to the yearly 4 and says so, and leaves less alone in silence (common practice)', () => {
    expect(explain(capped, { needLb: 5.2, capLb: 4 })).toMatchObject({
      value: 4,
      cautions: [expect.stringContaining('Held to 4')],
    });
    expect(explain(capped, { needLb: 4, capLb: 4 })).toMatchObject({ value: 4, cautions: [] });
    expect(explain(capped, { needLb: 0, capLb: 4 })).toMatchObject({ value: 0, cautions: [] });
  });
});
