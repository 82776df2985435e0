import type { SoilTest, Zone } from '../records/case';
import { cationPpm } from './cation-ppm';
import { interpretZone } from './interpret';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gypsumRequirement } from '../gypsum/requirement';
import { evaluate, explain } from '../reckoning/define';
import { sulfurForCarbonate } from '../sulfur/carbonate';
import { leachingRequirement, residualCarbonate, waterLoad } from '../water/irrigation-water';
import { cecBySum, PPM_PER_CMOLC } from './cec';
import { soilSodium, waterSar } from './sodium';

describe('soil.cec', () => {
  it('uses the customary equivalents Ca 200.4, Mg 121.5, K 391, Na 230 (IUPAC atomic masses over charge)', () => {
    expect(PPM_PER_CMOLC.Ca).toBeCloseTo(200.4, 1);
    expect(PPM_PER_CMOLC.Mg).toBeCloseTo(121.5, 1);
    expect(PPM_PER_CMOLC.K).toBeCloseTo(391, 0);
    expect(PPM_PER_CMOLC.Na).toBeCloseTo(230, 0);
  });
  it('gives shares that add to 100', () => {
    const n = fc.double({ min: 0, max: 5000, noNaN: true });
    fc.assert(
      fc.property(n, n, n, n, fc.double({ min: 0.1, max: 20, noNaN: true }), (caPpm, mgPpm, kPpm, naPpm, acidity) => {
        const s = evaluate(cecBySum, { caPpm, mgPpm, kPpm, naPpm, acidity }) as Record<string, number>;
        expect(s.caPercent! + s.mgPercent! + s.kPercent! + s.naPercent! + s.acidityPercent!).toBeCloseTo(100, 6);
      }),
    );
  });
  it('refuses all zeros and negative acidity', () => {
    const none = { caPpm: 0, mgPpm: 0, kPpm: 0, naPpm: 0, acidity: 0 };
    expect(explain(cecBySum, none)).toHaveProperty('refused');
    expect(explain(cecBySum, { ...none, caPpm: 500, acidity: -1 })).toMatchObject({ field: 'acidity' });
  });
});

describe('sodium and irrigation water', () => {
  it('SAR is Na over the root of half of Ca and Mg (USDA Handbook 60; published)', () => {
    expect(evaluate(waterSar, { caMeqPerL: 8, mgMeqPerL: 0, naMeqPerL: 6 })).toBe(3);
    expect(evaluate(soilSodium, { caMeqPerL: 1, mgMeqPerL: 1, naMeqPerL: 13 })).toEqual({ sar: 13 });
    expect(explain(soilSodium, { caMeqPerL: 1, mgMeqPerL: 1, naMeqPerL: 13 })).toMatchObject({
      cautions: [expect.stringContaining('sodic')],
    });
    expect(explain(waterSar, { caMeqPerL: 0, mgMeqPerL: 0, naMeqPerL: 0 })).toMatchObject({ field: 'caMeqPerL' });
  });
  it('1 mg/L in 12 in of water is 0.0624 lb per 1000 ft2, 1 meq/L bicarbonate limes by 3.12 lb CaCO3 (FAO 29; value from memory)', () => {
    expect(evaluate(waterLoad, { mgPerL: 1, depthIn: 12 })).toBeCloseTo(0.0624, 4);
    expect(evaluate(waterLoad, { mgPerL: 100.087 / 2, depthIn: 12 })).toBeCloseTo(3.12, 2);
  });
  it('leaching: water of 1.5 dS/m for turf that bears 4 is 8.1 percent (FAO 29 formula; value from memory)', () => {
    expect(evaluate(leachingRequirement, { ecw: 1.5, ece: 4 })).toBeCloseTo(0.0811, 4);
    expect(explain(leachingRequirement, { ecw: 20, ece: 4 })).toMatchObject({ field: 'ecw' });
  });
  it('residual carbonate may be negative, is doubtful from 1.25 and unfit from 2.5 meq/L (same)', () => {
    const at = (hco3MeqPerL: number) =>
      explain(residualCarbonate, { hco3MeqPerL, co3MeqPerL: 0, caMeqPerL: 2, mgMeqPerL: 1 });
    expect(at(1)).toMatchObject({ value: -2, cautions: [] });
    expect(at(4.5)).toMatchObject({ cautions: [expect.stringContaining('doubtful')] });
    expect(at(6)).toMatchObject({ cautions: [expect.stringContaining('unfit')] });
  });
});

describe('gypsum.requirement', () => {
  it('1 cmolc/kg in 6 2/3 in is about 1720 lb an acre, 39.5 lb per 1000 (USDA Handbook 60; published)', () => {
    const per1000 = evaluate(gypsumRequirement, {
      cec: 10,
      espPercent: 20,
      aimEspPercent: 10,
      treatedDepthIn: 20 / 3,
    }) as number;
    expect(per1000 * 43.56).toBeCloseTo(1721.6, 0);
    expect(per1000).toBeCloseTo(39.5, 1);
    expect(evaluate(gypsumRequirement, { cec: 10, espPercent: 8, aimEspPercent: 10, treatedDepthIn: 4 })).toBe(0);
    expect(explain(gypsumRequirement, { cec: 10, espPercent: 8, aimEspPercent: 0, treatedDepthIn: 4 })).toMatchObject({
      cautions: [expect.stringContaining('all sodium')],
    });
  });
});

describe('sulfur.carbonate', () => {
  it('1 percent in 4 in at 1.4 g/cm3 takes about 93 lb S and says that it is futile (stoichiometry)', () => {
    const answer = explain(sulfurForCarbonate, { calciumCarbonatePercent: 1, depthIn: 4, bulkDensity: 1.4 });
    expect(answer).toMatchObject({ cautions: [expect.stringContaining('10 years')] });
    expect((answer as { value: number }).value).toBeCloseTo((5202.33 * 4 * 1.4 * 0.01) / 3.1218, 1);
  });
});

describe('a cation as charge', () => {
  // common practice: divide ppm by 200, 121.5, 391 and 230
  it.each([
    ['Ca', 4.05, 811.6],
    ['Mg', 0.61, 74.1],
    ['K', 0.1125, 44],
    ['Na', 0.08, 18.4],
  ] as const)('%s %d cmolc/kg is %d ppm', (cation, cmolcPerKg, ppm) => {
    expect(Math.abs((evaluate(cationPpm, { cmolcPerKg, cation }) as number) / ppm - 1)).toBeLessThan(0.002);
  });
  it('reads a report in charge as the same soil', () => {
    const soil = (results: SoilTest['results']) =>
      interpretZone(zoneOf(), { id: 's', zoneId: 'z', sampledOn: '2027-01-01', depthIn: 4, results });
    const charge = soil([{ analyte: 'K', value: 0.1125, unit: 'cmolc/kg', method: 'mehlich-3' }]);
    expect(charge.findings[0]).toMatchObject({ analyte: 'K', level: 'low', unit: 'ppm' });
    expect(charge.findings[0]?.value).toBeCloseTo(43.99, 1);
    // a nutrient in percent is no mass of soil that a range knows
    expect(soil([{ analyte: 'K', value: 3, unit: '%', method: 'mehlich-3' }]).findings[0]?.level).toBe('unreadable');
  });
});
const zoneOf = (): Zone => ({ id: 'z', name: 'Z', areaSqFt: 1000, grass: 'tall-fescue', texture: 'loam' });
