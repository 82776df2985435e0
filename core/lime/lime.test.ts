import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, explain } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { limeDoses } from './doses';
import { limeMaterial } from './material';
import { mehlichLime } from './mehlich';
import { textureLime } from './texture-table';

describe('lime.mehlich', () => {
  it('reckons pH 5.6, buffer 6.32, aim 6.2, 4 in step by step on paper: 1.12, 0.672 tons, 30.85, 15.43 (hand reckoning of the NCDA&CS formula, value from memory)', () => {
    const answer = explain(mehlichLime, { soilPh: 5.6, bufferPh: 6.32, aimPh: 6.2, treatedDepthIn: 4 });
    if (isRefusal(answer)) throw new Error(answer.refused);
    expect(answer.working.map((s) => Number((s.value as number).toFixed(3)))).toEqual([1.12, 0.672, 30.854, 15.427]);
  });
  it('refuses an aim of 6.6 before anything else', () => {
    expect(explain(mehlichLime, { soilPh: 5, bufferPh: 9, aimPh: 6.6, treatedDepthIn: 4 })).toMatchObject({
      field: 'aimPh',
    });
  });
  it('is 0 at and above the aim, also above 6.6 where the formula would divide by zero', () => {
    for (const soilPh of [6.2, 6.5, 6.6, 7.8])
      expect(evaluate(mehlichLime, { soilPh, bufferPh: 6.4, aimPh: 6.2, treatedDepthIn: 4 })).toBe(0);
  });
  it('never falls with more acidity, a higher aim or more depth', () => {
    const ph = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        ph(4, 6.4),
        ph(4.2, 6.6),
        ph(5, 6.5),
        ph(0.5, 11),
        ph(0, 0.1),
        (soilPh, bufferPh, aimPh, treatedDepthIn, more) => {
          const lime = (change: object) =>
            evaluate(mehlichLime, { soilPh, bufferPh, aimPh, treatedDepthIn, ...change }) as number;
          const base = lime({});
          expect(Number.isFinite(base) && base >= 0).toBe(true);
          expect(lime({ bufferPh: bufferPh - more })).toBeGreaterThanOrEqual(base - 1e-9);
          expect(lime({ aimPh: Math.min(6.59, aimPh + more) })).toBeGreaterThanOrEqual(base - 1e-9);
          expect(lime({ treatedDepthIn: treatedDepthIn + more })).toBeGreaterThanOrEqual(base - 1e-9);
        },
      ),
    );
  });
});

describe('lime.texture', () => {
  const table = { sand: [20, 45, 65, 80], loam: [35, 75, 110, 150], clay: [50, 100, 150, 200] } as const;
  it('is the extension table at its own points, 6 in to pH 6.5 (common practice, value from memory)', () => {
    for (const textureGroup of ['sand', 'loam', 'clay'] as const)
      [6, 5.5, 5, 4.5].forEach((soilPh, i) =>
        expect(evaluate(textureLime, { soilPh, aimPh: 6.5, textureGroup, treatedDepthIn: 6 })).toBeCloseTo(
          table[textureGroup][i] as number,
          9,
        ),
      );
  });
  it('takes other aims by difference, and refuses below 4.5 with what to do', () => {
    expect(evaluate(textureLime, { soilPh: 5, aimPh: 6, textureGroup: 'loam', treatedDepthIn: 6 })).toBeCloseTo(
      110 - 35,
      9,
    );
    expect(explain(textureLime, { soilPh: 4.4, aimPh: 6.5, textureGroup: 'loam', treatedDepthIn: 6 })).toMatchObject({
      field: 'soilPh',
      refused: expect.stringContaining('50 lb'),
    });
    expect(explain(textureLime, { soilPh: 5, aimPh: 6.6, textureGroup: 'loam', treatedDepthIn: 6 })).toMatchObject({
      field: 'aimPh',
    });
  });
});

describe('lime.material', () => {
  it('weighs pure calcite as the requirement and corrects nothing twice (stoichiometry: ECCE 100)', () => {
    expect(evaluate(limeMaterial, { requirementLb: 50, eccePercent: 100 })).toBe(50);
    expect(evaluate(limeMaterial, { requirementLb: 50, eccePercent: 90, basisEccePercent: 90 })).toBeCloseTo(50, 12);
    expect(explain(limeMaterial, { requirementLb: 10, eccePercent: 15 })).toMatchObject({
      cautions: [expect.stringContaining('very low')],
    });
  });
});

describe('lime.doses', () => {
  it.each([
    [50, {}, 1],
    [50.1, {}, 2],
    [150, {}, 3],
    [60, { textureGroup: 'sand' }, 3],
    [26, { turf: 'close-cut' }, 2],
    [150, { turf: 'tilled' }, 1],
    [151, { turf: 'tilled' }, 2],
    [20, { material: 'hydrated' }, 4],
  ] as const)(
    'splits %s lb %o into %s (common practice: 50 lb a surface dose, 25 close-cut or sand, hydrated 5)',
    (materialLb, how, count) => {
      const answer = explain(limeDoses, { turf: 'established', ...how, materialLb });
      expect(isRefusal(answer) ? 0 : (answer.value as { doses: number[] }).doses.length).toBe(count);
    },
  );
  it('never lets burnt lime on a lawn, nor 401 lb', () => {
    expect(explain(limeDoses, { materialLb: 10, turf: 'established', material: 'burnt' })).toMatchObject({
      field: 'material',
    });
    expect(explain(limeDoses, { materialLb: 401, turf: 'established' })).toMatchObject({ field: 'materialLb' });
    expect(explain(limeDoses, { materialLb: 0, turf: 'established' })).toMatchObject({
      value: { doses: [], monthsApart: 0 },
    });
  });
  it('adds up to the whole, no dose above the limit', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 400, noNaN: true }), (materialLb) => {
        const { doses } = evaluate(limeDoses, { materialLb, turf: 'established' }) as { doses: number[] };
        expect(doses.reduce((a, b) => a + b, 0)).toBeCloseTo(materialLb, 6);
        expect(Math.max(...doses)).toBeLessThanOrEqual(50 + 1e-6);
      }),
    );
  });
});
