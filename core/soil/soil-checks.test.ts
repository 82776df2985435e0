import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, explain } from '../reckoning/define';
import { bufferAcidity } from '../lime/mehlich-acidity';
import { methodConvert, MASS_UNITS } from './method-convert';
import { soilMass } from './soil-mass';

describe('soil.mass', () => {
  it('gives the acre furrow slice: 2,000,000 lb at 6 2/3 in and 1.324 g/cm3 (common practice)', () => {
    const per1000 = evaluate(soilMass, { depthIn: 20 / 3, bulkDensity: 1.324 }) as number;
    expect(per1000 * 43.56).toBeGreaterThan(1_999_000);
    expect(per1000 * 43.56).toBeLessThan(2_001_000);
  });
  it('agrees with 5202.33 lb per inch per g/cm3 from metric masses: 1000 ft2 is 92.90304 m2, 1 in is 0.0254 m, 1 t is 2204.6226 lb (NIST Handbook 44)', () => {
    expect(evaluate(soilMass, { depthIn: 1, bulkDensity: 1 })).toBeCloseTo(92.90304 * 0.0254 * 2204.62262185, 4);
    expect(evaluate(soilMass, { depthIn: 1, bulkDensity: 1 })).toBeCloseTo(5202.33, 2);
  });
  it('makes 1 ppm in 4 in at 1.5 g/cm3 0.152 g/m2 (Woods, Stowell & Gelernter 2016; value from memory)', () => {
    const lbPer1000 = ((evaluate(soilMass, { depthIn: 4, bulkDensity: 1.5 }) as number) * 1) / 1e6;
    expect(lbPer1000 * 4.8824).toBeCloseTo(0.152, 3);
  });
});

describe('soil.buffer-acidity', () => {
  it('is 4 × (6.60 − buffer) meq/100 cm3 (Mehlich 1976; value from memory)', () => {
    expect(evaluate(bufferAcidity, { bufferPh: 6.0 })).toBeCloseTo(2.4, 12);
  });
  it('is 0 at 6.60, 0 with a caution to 6.75, refused above and below 3.9', () => {
    expect(explain(bufferAcidity, { bufferPh: 6.6 })).toMatchObject({ value: 0, cautions: [] });
    expect(explain(bufferAcidity, { bufferPh: 6.7 })).toMatchObject({
      value: 0,
      cautions: [expect.stringContaining('6.60')],
    });
    expect(explain(bufferAcidity, { bufferPh: 7.4 })).toMatchObject({
      field: 'bufferPh',
      refused: expect.stringContaining('SMP'),
    });
    expect(explain(bufferAcidity, { bufferPh: 3.8 })).toMatchObject({ field: 'bufferPh' });
  });
});

describe('soil.method-convert', () => {
  it('turns lb/acre to ppm by halving at the customary depth (common practice)', () => {
    expect(evaluate(methodConvert, { value: 160, from: 'lb/acre', to: 'ppm' })).toBeCloseTo(80, 12);
  });
  it('knows that 1 lb/acre is 1.12085 kg/ha (NIST: 0.45359237 kg over 0.40468564 ha)', () => {
    expect(evaluate(methodConvert, { value: 1, from: 'lb/acre', to: 'kg/ha' })).toBeCloseTo(
      0.45359237 / 0.40468564224,
      6,
    );
  });
  it('takes the true soil where a density is given: 0.226613 × depth × density', () => {
    expect(
      evaluate(methodConvert, { value: 1, from: 'ppm', to: 'lb/acre', depthIn: 4, bulkDensity: 1.35 }),
    ).toBeCloseTo(0.226613 * 4 * 1.35, 4);
  });
  it('refuses mg/dm3 without a density', () => {
    expect(explain(methodConvert, { value: 1, from: 'mg/dm3', to: 'ppm' })).toMatchObject({ field: 'bulkDensity' });
  });
  it('comes back to where it started', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MASS_UNITS),
        fc.constantFrom(...MASS_UNITS),
        fc.double({ min: 0.01, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 12, noNaN: true }),
        (from, to, value, depthIn) => {
          const there = evaluate(methodConvert, { value, from, to, depthIn, bulkDensity: 1.3 }) as number;
          expect(evaluate(methodConvert, { value: there, from: to, to: from, depthIn, bulkDensity: 1.3 })).toBeCloseTo(
            value,
            6,
          );
        },
      ),
    );
  });
});
