import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, explain } from '../reckoning/define';
import { acidShare, adamsEvansLime } from './adams-evans';
import { limeEcce, PURE_CCE } from './ecce';
import { smpLime, smpTonsByAim } from './smp';

describe('lime.smp', () => {
  // tons ag lime/acre for 8 in by lime index, to pH 6.8, 6.5, 6.0 as the bulletin tabulates them
  const TABLE = [
    [68, 1.4, 1.2, 1.0],
    [67, 2.4, 2.1, 1.7],
    [66, 3.4, 2.9, 2.4],
    [65, 4.5, 3.8, 3.1],
    [64, 5.5, 4.7, 3.9],
    [63, 6.5, 5.5, 4.6],
    [62, 7.5, 6.4, 5.3],
    [61, 8.6, 7.3, 6.0],
    [60, 9.6, 8.1, 6.7],
  ] as const;
  it.each(TABLE)(
    'index %s reads the Tri-State table (Ext. Bull. E-2567, 1995; value from memory)',
    (index, to68, to65, to60) => {
      const tons = smpTonsByAim(index);
      expect(tons[2]!.tons).toBeCloseTo(to68, 0);
      expect(Math.abs(tons[2]!.tons - to68)).toBeLessThanOrEqual(0.15);
      expect(Math.abs(tons[1]!.tons - to65)).toBeLessThanOrEqual(0.15);
      expect(Math.abs(tons[0]!.tons - to60)).toBeLessThanOrEqual(0.15);
    },
  );
  const at = (change: object) =>
    explain(smpLime, { soilPh: 5.5, bufferPh: 6.6, aimPh: 6.5, treatedDepthIn: 4, ...change });
  it('halves for 4 in: 2.98 tons is 136.8 lb for 8 in and 68.4 for 4 (hand reckoning)', () => {
    expect(evaluate(smpLime, { soilPh: 5.5, bufferPh: 6.6, aimPh: 6.5, treatedDepthIn: 4 })).toBeCloseTo(
      ((60.4 - 0.87 * 66) * 2000) / 43.56 / 2,
      9,
    );
  });
  it('never falls with a higher aim, also near 69 where the lines cross', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 6, max: 7, noNaN: true }),
        fc.double({ min: 6, max: 6.79, noNaN: true }),
        (bufferPh, aimPh) => {
          const lime = (aim: number) =>
            evaluate(smpLime, { soilPh: 5, bufferPh, aimPh: aim, treatedDepthIn: 8 }) as number;
          expect(lime(Math.min(6.8, aimPh + 0.01))).toBeGreaterThanOrEqual(lime(aimPh) - 1e-9);
          expect(lime(aimPh)).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
  it('is 0 at the aim and above index 70, refused below 60, above buffer 7.5 and outside the aims', () => {
    expect(at({ soilPh: 6.5 })).toMatchObject({ value: 0 });
    expect(at({ bufferPh: 7.1 })).toMatchObject({ value: 0 });
    expect(at({ bufferPh: 5.9 })).toMatchObject({ field: 'bufferPh' });
    expect(at({ bufferPh: 7.6 })).toMatchObject({ field: 'bufferPh' });
    expect(at({ aimPh: 5.9 })).toMatchObject({ field: 'aimPh' });
    expect(at({ aimPh: 6.9 })).toMatchObject({ field: 'aimPh' });
  });
});

/** The root of the curve by bisection: a solver that knows no quadratic formula. */
function byBisection(soilPh: number): number {
  let [low, high] = [0, 5.55 / (2 * 2.27)];
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (7.79 - 5.55 * middle + 2.27 * middle ** 2 > soilPh) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

describe('lime.adams-evans', () => {
  it('finds the same root as bisection, from 4.5 to 7 (an independent numeric solver)', () => {
    for (let ph = 4.5; ph <= 7; ph += 0.125) expect(acidShare(ph)).toBeCloseTo(byBisection(ph), 9);
  });
  it('asks 1517 lb/acre at pH 5.0, buffer 7.80, aim 6.5 (Adams & Evans 1962; value from memory)', () => {
    const per1000 = evaluate(adamsEvansLime, {
      soilPh: 5,
      bufferPh: 7.8,
      aimPh: 6.5,
      treatedDepthIn: 20 / 3,
    }) as number;
    expect(per1000 * 43.56).toBeCloseTo(1517, 0);
    expect(per1000).toBeCloseTo(34.8, 1);
  });
  const at = (change: object) =>
    explain(adamsEvansLime, { soilPh: 5, bufferPh: 7.8, aimPh: 6.5, treatedDepthIn: 4, ...change });
  it('keeps its limits', () => {
    expect(at({ soilPh: 4.4 })).toMatchObject({ field: 'soilPh' });
    expect(at({ bufferPh: 8 })).toMatchObject({ value: 0, cautions: [] });
    expect(at({ bufferPh: 8.05 })).toMatchObject({ value: 0, cautions: [expect.stringContaining('8.00')] });
    expect(at({ bufferPh: 8.2 })).toMatchObject({ field: 'bufferPh' });
    expect(at({ bufferPh: 6.9 })).toMatchObject({ field: 'bufferPh' });
    expect(at({ aimPh: 7.1 })).toMatchObject({ field: 'aimPh' });
    expect(at({ soilPh: 6.5 })).toMatchObject({ value: 0 });
  });
});

describe('lime.ecce', () => {
  it('knows the pure materials by stoichiometry: dolomite 108.6, hydrated 135, burnt 178 (customary figures)', () => {
    expect(PURE_CCE.dolomitic).toBeCloseTo(108.6, 0);
    expect(PURE_CCE.hydrated).toBeCloseTo(135, 0);
    expect(PURE_CCE.burnt).toBeCloseTo(178.5, 0);
  });
  it('counts 0, 20, 60 and 100 percent by sieve (state lime laws; value from memory)', () => {
    const all = {
      ccePercent: 100,
      over8MeshPercent: 0,
      mesh8to20Percent: 0,
      mesh20to60Percent: 0,
      under60MeshPercent: 0,
    };
    expect(evaluate(limeEcce, { ...all, over8MeshPercent: 100 })).toBe(0);
    expect(evaluate(limeEcce, { ...all, mesh8to20Percent: 100 })).toBe(20);
    expect(evaluate(limeEcce, { ...all, mesh20to60Percent: 100 })).toBe(60);
    expect(evaluate(limeEcce, { ...all, ccePercent: 135, under60MeshPercent: 100 })).toBe(135);
    expect(explain(limeEcce, { ...all, under60MeshPercent: 90 })).toMatchObject({ field: 'under60MeshPercent' });
  });
});
