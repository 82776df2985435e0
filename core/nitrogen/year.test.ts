import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, explain } from '../reckoning/define';
import { nitrogenWalk, nitrogenYear } from './year';

describe('nitrogen.year', () => {
  it('takes a quarter for returned clippings, at most 1 lb N (Kopp & Guillard 2002; value from memory)', () => {
    expect(evaluate(nitrogenYear, { baseLb: 4, clippings: 'returned', ceilingLb: 5 })).toBe(3);
    expect(evaluate(nitrogenYear, { baseLb: 6, clippings: 'returned', ceilingLb: 6 })).toBe(5);
  });
  it('multiplies before it adds: 3 × 0.6 × 0.75, then − 0.275 − 0.3375 + 0.5 (hand reckoning of the order in common practice)', () => {
    expect(
      evaluate(nitrogenYear, {
        baseLb: 3,
        shadePercent: 40,
        dryPercent: 25,
        organicMatterPercent: 3.1,
        clippings: 'returned',
        wearLb: 0.5,
        ceilingLb: 5,
      }),
    ).toBeCloseTo(1.35 - 0.275 - 0.3375 + 0.5, 12);
  });
  it('gives the credit for organic matter only above 2 percent and to 1 lb N', () => {
    expect(evaluate(nitrogenYear, { baseLb: 3, organicMatterPercent: 2, ceilingLb: 5 })).toBe(3);
    expect(evaluate(nitrogenYear, { baseLb: 3, organicMatterPercent: 12, ceilingLb: 5 })).toBe(2);
  });
  it('says when a ceiling or a code holds it', () => {
    expect(explain(nitrogenYear, { baseLb: 5, youngLb: 1, ceilingLb: 5 })).toMatchObject({
      value: 5,
      cautions: [expect.stringContaining('ceiling')],
    });
    expect(explain(nitrogenYear, { baseLb: 5, ceilingLb: 5, codeLb: 3.2 })).toMatchObject({
      value: 3.2,
      cautions: [expect.stringContaining('code')],
    });
  });
  it('walks in lines that add up to the year, within 0 and the ceiling', () => {
    const n = (max: number) => fc.double({ min: 0, max, noNaN: true });
    fc.assert(
      fc.property(
        n(6),
        n(60),
        n(60),
        n(20),
        n(1),
        n(3),
        n(6),
        n(4),
        fc.constantFrom('returned' as const, 'bagged' as const),
        (baseLb, shadePercent, dryPercent, organicMatterPercent, wearLb, carryOverLb, ceilingLb, codeLb, clippings) => {
          const given = {
            baseLb,
            shadePercent,
            dryPercent,
            organicMatterPercent,
            wearLb,
            carryOverLb,
            ceilingLb,
            codeLb,
            clippings,
          };
          const { yearLb, lines } = nitrogenWalk(given);
          expect(lines.reduce((sum, line) => sum + line.lb, 0)).toBeCloseTo(yearLb, 9);
          expect(yearLb).toBeGreaterThanOrEqual(0);
          expect(yearLb).toBeLessThanOrEqual(Math.min(ceilingLb, codeLb) + 1e-12);
          expect(evaluate(nitrogenYear, given)).toBeCloseTo(yearLb, 9);
        },
      ),
    );
  });
});
