import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, explain } from '../reckoning/define';
import { sulfurDoses } from './doses';
import { sulfurProduct } from './product';
import { sulfurRequirement } from './requirement';

describe('sulfur.requirement', () => {
  const perAcre = {
    sand: { 8.5: 2000, 8: 1200, 7.5: 500, 7: 100 },
    loam: { 8.5: 2500, 8: 1500, 7.5: 800, 7: 150 },
    clay: { 8.5: 3000, 8: 2000, 7.5: 1000, 7: 300 },
  } as const;
  it('is the Western Fertilizer Handbook table per acre and per 1000 ft2, 6 in to pH 6.5 (value from memory)', () => {
    for (const [textureGroup, row] of Object.entries(perAcre))
      for (const [ph, lb] of Object.entries(row)) {
        const per1000 = evaluate(sulfurRequirement, {
          soilPh: Number(ph),
          aimPh: 6.5,
          textureGroup: textureGroup as 'loam',
          treatedDepthIn: 6,
        }) as number;
        expect(per1000 * 43.56).toBeCloseTo(lb, 6);
        expect(per1000).toBeCloseTo(lb / 43.56, 9);
      }
  });
  it('adds lime-table acid for an aim below 6.5: loam 7.0 to 5.5 is 27.5 lb S (hand reckoning: 150/43.56 + 75/3.1218)', () => {
    expect(evaluate(sulfurRequirement, { soilPh: 7, aimPh: 5.5, textureGroup: 'loam', treatedDepthIn: 6 })).toBeCloseTo(
      150 / 43.56 + 75 / 3.1218,
      2,
    );
  });
  it('is 0 at the aim, warns from 7.6, refuses above 8.5 and an aim under 5', () => {
    const at = (soilPh: number, aimPh = 6.5) =>
      explain(sulfurRequirement, { soilPh, aimPh, textureGroup: 'sand', treatedDepthIn: 4 });
    expect(at(6.5)).toMatchObject({ value: 0 });
    expect(at(7.6)).toMatchObject({ cautions: [expect.stringContaining('fizz')] });
    expect(at(8.6)).toMatchObject({ field: 'soilPh' });
    expect(at(7, 4.9)).toMatchObject({ field: 'aimPh' });
  });
});

describe('sulfur.product', () => {
  it('counts free sulfur only: 6 lb of an 18 % free product is 1.08 lb S (common practice)', () => {
    expect(evaluate(sulfurProduct, { elementalLb: 1.08, freeSulfurPercent: 18 })).toBeCloseTo(6, 12);
    expect(explain(sulfurProduct, { elementalLb: 1, freeSulfurPercent: 0 })).toMatchObject({
      field: 'freeSulfurPercent',
    });
  });
});

describe('sulfur.doses', () => {
  it('keeps to 5 lb a dose and 10 lb a year on lawns (common practice), adding up to the whole', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 60, noNaN: true }), (elementalLb) => {
        const { doses, years } = evaluate(sulfurDoses, { elementalLb, turf: 'established' }) as {
          doses: number[];
          years: number;
        };
        expect(doses.reduce((a, b) => a + b, 0)).toBeCloseTo(elementalLb, 6);
        expect(Math.max(...doses)).toBeLessThanOrEqual(5 + 1e-6);
        expect(elementalLb / years).toBeLessThanOrEqual(10 + 1e-6);
      }),
    );
  });
  it('keeps close-cut turf to 0.5 lb a dose and 3 a year (common practice), and says nothing for nothing', () => {
    expect(evaluate(sulfurDoses, { elementalLb: 3, turf: 'close-cut' })).toMatchObject({
      years: 1,
      doses: Array.from({ length: 6 }, () => 0.5),
    });
    expect(evaluate(sulfurDoses, { elementalLb: 0, turf: 'established' })).toEqual({ doses: [], years: 0 });
  });
});
