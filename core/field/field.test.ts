import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mowTrigger, topdressDepth } from '../care/mowing-topdressing';
import { nitrogenAcidity } from '../nitrogen/acidity';
import { minimumNeed } from '../nutrients/minimum';
import { productAsSpread } from '../products/as-spread';
import { productCoverage } from '../products/coverage';
import { granuleSpacing } from '../products/granules';
import { liquidDelivers, liquidRate } from '../products/liquids';
import { evaluate, explain } from '../reckoning/define';
import { referenceEt, solarRadiation } from '../climate/radiation';
import { BOOM_CONSTANT, gallonsPerAcre, tankMix } from './sprayer';
import { spreaderCalibration, spreadPattern } from './spreader';
import { cycleSoak, sprinklerUniformity } from './watering';

describe('bag arithmetic (common practice)', () => {
  it('50 lb over 23,000 ft2 is 2.17 lb per 1000, of 46 % N 1.0 lb N', () => {
    const rate = evaluate(productCoverage, { packageLb: 50, coverageSqFt: 23_000 }) as number;
    expect(rate).toBeCloseTo(2.17, 2);
    expect(rate * 0.46).toBeCloseTo(1, 2);
  });
  it('5.15 lb of 21-0-0 on 2500 ft2 is 2.06 lb, 0.43 lb N per 1000 and 1.08 lb N in all', () => {
    const spread = evaluate(productAsSpread, { weighedLb: 5.15, areaSqFt: 2500, percent: 21 }) as Record<
      string,
      number
    >;
    expect([spread.rateLb, spread.nutrientLbPer1000, spread.nutrientLb].map((x) => Number(x!.toFixed(2)))).toEqual([
      2.06, 0.43, 1.08,
    ]);
  });
  it('2/5 of a 5000 ft2 bag feeds 2000 ft2', () => {
    expect(
      ((evaluate(productCoverage, { packageLb: 15, coverageSqFt: 5000 }) as number) * 2000) / 1000 / 15,
    ).toBeCloseTo(0.4, 12);
  });
});

describe('liquids', () => {
  it('come back to the target', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: 6, max: 16, noNaN: true }),
        (targetLb, percent, lbPerGal) => {
          const ozPer1000 = evaluate(liquidRate, { targetLb, percent, lbPerGal }) as number;
          expect(evaluate(liquidDelivers, { ozPer1000, percent, lbPerGal })).toBeCloseTo(targetLb, 9);
        },
      ),
    );
  });
  it('9 fl oz of 4-0-2 at 9 lb/gal bring 0.025 lb N: a supplement, not a meal (common practice)', () => {
    expect(evaluate(liquidDelivers, { ozPer1000: 9, percent: 4, lbPerGal: 9 })).toBeCloseTo(0.0253, 4);
  });
});

describe('product.granules', () => {
  it('a pound of 2 mm granules at 1.4 g/cm3 is about 77,000 (sphere, hand reckoning: 4.19 mm3 × 1.4 = 5.86 mg)', () => {
    expect(
      (evaluate(granuleSpacing, { rateLb: 1, sizeGuideNumber: 200, granuleDensity: 1.4 }) as number) * 144_000,
    ).toBeCloseTo(453.592 / 0.0058643, -2);
    expect(explain(granuleSpacing, { rateLb: 1, sizeGuideNumber: 280, granuleDensity: 1.35 })).toMatchObject({
      cautions: [expect.stringContaining('speckle')],
    });
  });
});

describe('nitrogen.acidity and nutrient.minimum', () => {
  it('0.4 lb N of ammonium sulfate undoes 2.14 lb lime; calcium nitrate is basic (Pierre 1933; value from memory)', () => {
    expect(evaluate(nitrogenAcidity, { nitrogenLb: 0.4, source: 'ammonium-sulfate' })).toBeCloseTo(2.14, 9);
    expect(evaluate(nitrogenAcidity, { nitrogenLb: 1, source: 'calcium-nitrate' })).toBe(-1.35);
    expect(explain(nitrogenAcidity, { nitrogenLb: 1, source: 'seaweed' })).toMatchObject({
      field: 'source',
      refused: expect.stringContaining('urea'),
    });
  });
  it('keeps K at 37 ppm: at the minimum the need is what growth takes, 1.42 lb K2O for 2.36 lb N bagged (Woods et al. 2016; value from memory)', () => {
    const k = (testPpm: number, yearNitrogenLb: number) =>
      evaluate(minimumNeed, { nutrient: 'K', testPpm, yearNitrogenLb, depthIn: 4, bulkDensity: 1.35 }) as number;
    expect(k(37, 2.36) / 0.83015).toBeCloseTo(1.42, 2);
    expect(k(500, 3)).toBe(0);
    expect(k(30, 0)).toBeCloseTo((7 * 28_092.6) / 1e6, 5);
  });
});

describe('FAO-56', () => {
  it('example 8: 20 degrees south on 3 September gives Ra 32.2 MJ/m2/day (Allen et al. 1998; published)', () => {
    expect(evaluate(solarRadiation, { latitudeDeg: -20, dayOfYear: 246 })).toBeCloseTo(32.2, 1);
  });
  it('annex 2, table 2.6: 40 degrees north in mid July is near 40.6, mid January near 15 (same; value from memory)', () => {
    expect(evaluate(solarRadiation, { latitudeDeg: 40, dayOfYear: 197 })).toBeCloseTo(40.6, 0);
    expect(evaluate(solarRadiation, { latitudeDeg: 40, dayOfYear: 15 })).toBeCloseTo(15, -0.5);
  });
  it('example 20: Lyon in July, 26.6 and 14.8 deg C, gives ETo 5.0 mm/day by Hargreaves (same)', () => {
    expect(evaluate(referenceEt, { latitudeDeg: 45.72, dayOfYear: 196, tmaxC: 26.6, tminC: 14.8 })).toBeCloseTo(5.0, 1);
  });
  it('polar night is 0, midnight sun is finite, swapped temperatures are refused', () => {
    expect(evaluate(solarRadiation, { latitudeDeg: 80, dayOfYear: 355 })).toBe(0);
    expect(evaluate(solarRadiation, { latitudeDeg: 90, dayOfYear: 172 })).toBeGreaterThan(40);
    expect(explain(referenceEt, { latitudeDeg: 40, dayOfYear: 196, tmaxC: 10, tminC: 20 })).toMatchObject({
      field: 'tmaxC',
    });
    expect(explain(solarRadiation, { latitudeDeg: 40, dayOfYear: 1.5 })).toMatchObject({ field: 'dayOfYear' });
  });
});

describe('spreader and sprayer', () => {
  it('5940 comes from the acre, the mile, the hour and the foot (standard boom formula)', () => {
    expect(BOOM_CONSTANT).toBe(5940);
    expect(evaluate(gallonsPerAcre, { nozzleGpm: 0.4, speedMph: 4, nozzleSpacingIn: 20 })).toBeCloseTo(29.7, 9);
  });
  it('the 1/128-acre way agrees: ounces caught over the time for 340 ft2 are gallons an acre (common practice)', () => {
    const [speedMph, nozzleSpacingIn, nozzleGpm] = [3, 20, 0.3];
    const seconds = 43_560 / 128 / (nozzleSpacingIn / 12) / ((speedMph * 5280) / 3600);
    expect(evaluate(gallonsPerAcre, { nozzleGpm, speedMph, nozzleSpacingIn })).toBeCloseTo(
      (nozzleGpm * 128 * seconds) / 60,
      6,
    );
  });
  it('a triangle of trays at 6 ft passes has a CV of 8.944 % (hand reckoning of the S341 procedure)', () => {
    const at = (travel: 'one-way' | 'back-and-forth') =>
      evaluate(spreadPattern, {
        catches: [1, 2, 3, 4, 5, 4, 3, 2, 1],
        traySpacingFt: 1,
        passSpacingFt: 6,
        travel,
      }) as Record<string, number>;
    expect(at('one-way').cvPercent).toBeCloseTo(8.944, 3);
    expect(at('back-and-forth').cvPercent).toBeCloseTo(8.944, 3);
    expect(at('one-way').meanCatch).toBeCloseTo(25 / 6, 9);
  });
  it('puts down in all what the pattern holds, however the passes lie', () => {
    const catches = fc
      .array(fc.double({ min: 0, max: 10, noNaN: true }), { minLength: 3, maxLength: 15 })
      .filter((c) => c.some((x) => x > 0.1));
    fc.assert(
      fc.property(
        catches,
        fc.integer({ min: 2, max: 20 }),
        fc.constantFrom('one-way' as const, 'back-and-forth' as const),
        (trays, passSpacingFt, travel) => {
          const { meanCatch, cvPercent } = evaluate(spreadPattern, {
            catches: trays,
            traySpacingFt: 1,
            passSpacingFt,
            travel,
          }) as Record<string, number>;
          expect(meanCatch).toBeCloseTo(trays.reduce((a, b) => a + b, 0) / passSpacingFt, 6);
          expect(cvPercent).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
  it('refuses empty trays and says so of an empty hopper', () => {
    expect(
      explain(spreadPattern, { catches: [0, 0, 0], traySpacingFt: 1, passSpacingFt: 3, travel: 'one-way' }),
    ).toMatchObject({ field: 'catches' });
    expect(explain(spreaderCalibration, { caughtLb: 0, swathFt: 5, distanceFt: 50 })).toMatchObject({
      value: 0,
      cautions: [expect.stringContaining('hopper')],
    });
  });
  it('mixes a tank that adds up: 4.39 gal do not fit a 4 gal tank (common practice)', () => {
    const mix = evaluate(tankMix, { areaSqFt: 4390, ozPer1000: 6, carrierGalPer1000: 1, tankGal: 4 }) as Record<
      string,
      number
    >;
    expect(mix.fullTanks).toBe(1);
    expect(mix.lastTankGal).toBeCloseTo(0.39, 9);
    expect(mix.ozPerFullTank! * mix.fullTanks! + mix.ozInLastTank!).toBeCloseTo(mix.productOz!, 9);
    expect(evaluate(tankMix, { areaSqFt: 12_000, ozPer1000: 6, carrierGalPer1000: 1, tankGal: 4 })).toMatchObject({
      fullTanks: 3,
      lastTankGal: 0,
      ozInLastTank: 0,
    });
    expect(explain(tankMix, { areaSqFt: 1000, ozPer1000: 200, carrierGalPer1000: 1, tankGal: 4 })).toMatchObject({
      field: 'ozPer1000',
    });
  });
});

describe('water and mowing', () => {
  it('the lowest quarter of 8 cups is 2 (Irrigation Association; value from memory)', () => {
    expect(
      evaluate(sprinklerUniformity, { catchesIn: [0.1, 0.2, 0.3, 0.3, 0.3, 0.4, 0.4, 0.4], minutes: 30 }),
    ).toMatchObject({ inPerHour: expect.closeTo(0.6, 9), lowerQuarterPercent: expect.closeTo(50, 9) });
    expect(explain(sprinklerUniformity, { catchesIn: [0, 0, 0, 0], minutes: 30 })).toMatchObject({
      field: 'catchesIn',
    });
  });
  it('runs in one cycle where the soil keeps up, in as many as it needs where not (common practice)', () => {
    expect(evaluate(cycleSoak, { depthIn: 1, inPerHour: 0.5, intakeInPerHour: 0.5 })).toMatchObject({
      cycles: 1,
      runMinutes: 120,
      soakMinutes: 0,
    });
    expect(evaluate(cycleSoak, { depthIn: 1, inPerHour: 1.6, intakeInPerHour: 0.5 })).toMatchObject({ cycles: 4 });
    expect(evaluate(cycleSoak, { depthIn: 0, inPerHour: 1, intakeInPerHour: 0.5 })).toMatchObject({
      runMinutes: 0,
      cycles: 0,
    });
  });
  it('a lawn kept at 3 in is mown at 4.5; 1 yd3 over 1000 ft2 lies 0.32 in deep (common practice)', () => {
    expect(evaluate(mowTrigger, { heightIn: 3 })).toBe(4.5);
    expect(evaluate(topdressDepth, { cubicYards: 1, areaSqFt: 1000 })).toBeCloseTo(0.32, 2);
    expect(explain(topdressDepth, { cubicYards: 1, areaSqFt: 1000 })).toMatchObject({
      cautions: [expect.stringContaining('smothers')],
    });
  });
});
