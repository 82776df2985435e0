import { describe, expect, it } from 'vitest';
import { zoneAmount } from '../../products/zone-amount';
import { sprinklerUniformity, cycleSoak } from '../../field/watering';
import type { LocalCode, Product, SoilResult, SoilTest, Zone } from '../../records/case';
import { grassOf } from '../../packs/grasses';
import { DEFAULT_BULK_DENSITY } from '../../ground/texture-groups';
import { LIME_DOSE_LIMIT_LB } from '../../lime/doses';
import { nitrogenWalk } from '../../nitrogen/year';
import { prescribeNitrogen } from '../../prescription/prescribe-nitrogen';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { prescribeZone } from '../../prescription/prescribe';
import { excluded } from '../../products/shelf';
import { evaluate } from '../../reckoning/define';
import { interpretZone } from '../../soil/interpret';
import { SULFUR_LIMITS } from '../../sulfur/doses';
import { climateYear, frostDays, growthSeason } from '../../climate/climate-year';
import { doseCeiling, leastDaysBetweenN, nitrogenCeilings, potashDoseCeiling } from './dose-ceilings';
import { GROWTH_CURVE } from '../../climate/growth-potential';
import { LIME_NITROGEN_GAP_DAYS } from './limits';

// Decisions of common practice, each at its edge. Where a figure has a published source the line says so.

const zone = (change: Partial<Zone> = {}): Zone => ({
  id: 'z',
  name: 'Z',
  areaSqFt: 1000,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  carbonates: 'none',
  clippings: 'bagged',
  ...change,
});
const report = (results: SoilResult[], change: Partial<SoilTest> = {}): SoilTest => ({
  id: 's',
  zoneId: 'z',
  sampledOn: '2027-06-01',
  depthIn: 4,
  results,
  ...change,
});
const pH = (value: number): SoilResult => ({ analyte: 'pH', value, method: 'water-1:1' });
const prescribe = (z: Zone, results: SoilResult[]) =>
  prescribeZone({ zone: z, tests: [report(results)], products: STARTER_SHELF, codes: [] }).prescription;
const doubts = (z: Zone, results: SoilResult[], change: Partial<SoilTest> = {}, asOf?: string) =>
  interpretZone(z, report(results, change), { asOf }).doubts.join(' ');
const product = (id: string) => STARTER_SHELF.find((p) => p.id === id) as Product;

describe('nitrogen for the year', () => {
  const year = (change: Partial<Zone>, om?: number) => prescribeNitrogen(zone(change), om, []).year.value;
  it('shade takes 30, 40 or 50 percent, no irrigation 25, youth and wear add 0.5', () => {
    expect(year({})).toBe(3);
    expect(
      [year({ light: 'part-shade' }), year({ light: 'shade' }), year({ light: 'deep-shade' })].map((x) =>
        Number(x.toFixed(9)),
      ),
    ).toEqual([2.1, 1.8, 1.5]);
    expect(year({ irrigated: false })).toBe(2.25);
    expect([
      year({ ageYears: 1.9 }),
      year({ ageYears: 2 }),
      year({ wear: 'heavy' }),
      year({ wear: 'moderate' }),
    ]).toEqual([3.5, 3, 3.5, 3]);
    expect(year({}, 3)).toBe(2.75);
    expect(nitrogenWalk({ baseLb: 3, organicMatterPercent: 7, ceilingLb: 5 }).yearLb).toBe(2);
  });
});

describe('dose ceilings, lb per 1000 ft2', () => {
  it('1 lb soluble N, 0.5 on sand, 0.25 close-cut; 1 lb in all, 1.5 where half is slow', () => {
    const soluble = (change: Partial<Zone>) => nitrogenCeilings(zone(change), []).soluble;
    expect([soluble({}), soluble({ texture: 'sand' }), soluble({ turf: 'close-cut' })]).toEqual([1, 0.5, 0.25]);
    const { total } = nitrogenCeilings(zone(), []);
    expect([total(0), total(0.49), total(0.5), total(1)]).toEqual([1, 1, 1.5, 1.5]);
    const code: LocalCode = { id: 'c', maxSolubleNPerDose: 0.7, maxTotalNPerDose: 0.9 };
    expect([nitrogenCeilings(zone(), [code]).soluble, nitrogenCeilings(zone(), [code]).total(1)]).toEqual([0.7, 0.9]);
  });
  it('1 lb K2O, 0.75 on sand (judgement D1), 0.5 on close-cut; 1 lb P2O5; 28, 14 and 10 days between N', () => {
    expect([
      potashDoseCeiling(zone()),
      potashDoseCeiling(zone({ texture: 'loamy-sand' })),
      potashDoseCeiling(zone({ turf: 'close-cut' })),
    ]).toEqual([1, 0.75, 0.5]);
    expect(doseCeiling(zone(), product('map-11-52'), 'P2O5', [])).toBeCloseTo(1, 12);
    expect(doseCeiling(zone({ texture: 'sand' }), product('sulfate-grade-16-0-14'), 'N', [])).toBeCloseTo(
      // its soluble nitrogen, 10.8 of 16, holds it now
      (0.5 * 16) / 10.8,
      12,
    );
    expect([
      leastDaysBetweenN(zone()),
      leastDaysBetweenN(zone({ texture: 'sand' })),
      leastDaysBetweenN(zone({ turf: 'close-cut' })),
    ]).toEqual([28, 14, 10]);
  });
  it('lime 50, 25, 25 and hydrated 5; sulfur 5 twice a year, 0.5 six times, 20 tilled; lime 14 days from ammonia', () => {
    expect(LIME_DOSE_LIMIT_LB).toEqual({ established: 50, 'close-cut': 25, sand: 25, hydrated: 5 });
    expect(SULFUR_LIMITS).toEqual({
      established: { doseLb: 5, perYear: 2 },
      'close-cut': { doseLb: 0.5, perYear: 6 },
      tilled: { doseLb: 20, perYear: 1 },
    });
    expect(LIME_NITROGEN_GAP_DAYS).toBe(14);
  });
});

describe('prescribing', () => {
  it('treats 4 in of standing turf and 6 in of tilled ground, and opens sulfur above 7.5, for acid-loving grass 0.3 above the window (judgement B6)', () => {
    expect([
      prescribe(zone(), [pH(5)]).ph.treatedDepthIn,
      prescribe(zone({ turf: 'tilled' }), [pH(5)]).ph.treatedDepthIn,
      prescribe(zone({ turf: 'close-cut' }), [pH(5)]).ph.treatedDepthIn,
    ]).toEqual([4, 6, 4]);
    expect([7.5, 7.51].map((p) => prescribe(zone(), [pH(p)]).ph.action)).toEqual(['leave', 'sulfur']);
    const bahia = (p: number, carbonates: Zone['carbonates'] = 'none') =>
      prescribe(zone({ grass: 'bahiagrass', carbonates }), [pH(p)]).ph.action;
    expect([bahia(6.79), bahia(6.8), bahia(7.29, 'unknown'), bahia(7.3, 'unknown')]).toEqual([
      'leave',
      'sulfur',
      'sulfur',
      'leave',
    ]);
    expect(prescribe(zone({ grass: 'st-augustinegrass' }), [pH(7.9)]).ph.targetPh).toBe(7.3);
  });
  it('assumes ECCE 90 where the shelf holds no lime', () => {
    const { ph } = prescribeZone({ zone: zone(), tests: [report([pH(5.5)])], products: [], codes: [] }).prescription;
    expect(ph.material!.value / ph.requirement!.value).toBeCloseTo(100 / 90, 12);
  });
  it('goes by level on index tests: P2O5 2 and 1, K2O 3 (very low) and 2 lb (low); caps P2O5 2, K2O 4, Mg 1, S 2', () => {
    const index = (analyte: 'P' | 'K', value: number) =>
      prescribe(zone(), [pH(6.5), { analyte, value, unit: 'ppm', method: 'mehlich-1' }]);
    expect([
      index('P', 3).phosphorus.yearLb,
      index('P', 8).phosphorus.yearLb,
      index('K', 20).potassium.yearLb,
      index('K', 59).potassium.yearLb,
      index('K', 60).potassium.yearLb,
    ]).toEqual([2, 1, 3, 2, 0]);
    const m3 = (analyte: 'P' | 'K' | 'Mg' | 'S') =>
      prescribe(zone({ care: 'high' }), [pH(6.5), { analyte, value: 0, unit: 'ppm', method: 'mehlich-3' }]);
    expect(m3('P').phosphorus.yearLb).toBe(2);
    expect(m3('K').potassium.yearLb).toBe(4);
    expect(m3('Mg').magnesium.yearLb).toBe(1);
    expect(m3('S').sulfur.yearLb).toBeCloseTo((15 * 28_092.58) / 1e6 + 4 * 0.075, 4);
  });
  it('takes bulk density 1.5, 1.35, 1.25 by texture and removal 1 or 0.25 by clippings, over 4 in', () => {
    expect(DEFAULT_BULK_DENSITY).toEqual({ sand: 1.5, loam: 1.35, clay: 1.25 });
    const kali = (clippings: 'bagged' | 'returned') =>
      prescribe(zone({ clippings, nitrogenOff: ['clippings'] }), [
        pH(6.5),
        { analyte: 'K', value: 51, unit: 'ppm', method: 'mehlich-3' },
      ]).potassium.yearLb;
    expect(kali('bagged')).toBeCloseTo((3 * 0.5) / 0.83015, 3);
    expect(kali('returned')).toBeCloseTo((3 * 0.5 * 0.25) / 0.83015, 3);
  });
});

describe('doubts at their edges', () => {
  const k = (value: number): SoilResult => ({ analyte: 'K', value, unit: 'ppm', method: 'mehlich-3' });
  const cec = (value: number): SoilResult => ({ analyte: 'CEC', value, unit: 'cmolc/kg' });
  it('K over 250 ppm on sand, K 51 to under 76 by either extractant, a report over 3 years old, 42 days after feeding', () => {
    expect(doubts(zone({ texture: 'sand' }), [k(251)])).toContain('lb/acre');
    expect(doubts(zone({ texture: 'sand' }), [k(250)])).not.toContain('lb/acre');
    expect([50.9, 51, 75.9, 76].map((v) => doubts(zone(), [k(v)]).includes('extractant decides'))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    expect(doubts(zone(), [pH(6.5)], {}, '2030-05-20')).toBe('');
    expect(doubts(zone(), [pH(6.5)], {}, '2030-06-10')).toContain('years old');
    const fed = (date: string) => doubts(zone({ applied: [{ date, productId: 'x', zoneLb: 1 }] }), [pH(6.5)]);
    expect([fed('2027-04-21').includes('41 days'), fed('2027-04-20')]).toEqual([true, '']);
  });
  it('CEC outside 1-12 on sand, 4-30 on loam, 8-60 on clay; a buffer whose acidity means a CEC under 1 (judgement A8); pH 7.3 and limy', () => {
    const odd = (texture: Zone['texture'], value: number) => doubts(zone({ texture }), [cec(value)]).includes('CEC');
    expect([
      odd('sand', 0.9),
      odd('sand', 1),
      odd('sand', 12),
      odd('sand', 12.1),
      odd('loam', 3.9),
      odd('loam', 4),
      odd('loam', 30),
      odd('loam', 30.1),
      odd('clay', 7.9),
      odd('clay', 8),
      odd('clay', 60),
      odd('clay', 60.1),
    ]).toEqual([true, false, false, true, true, false, false, true, true, false, false, true]);
    const clash = (ph: number, buffer: number, method: SoilResult['method']) =>
      doubts(zone(), [pH(ph), { analyte: 'buffer-pH', value: buffer, method }]).includes('contradict');
    expect([
      // H(5.1) is 0.666: 4 × (6.6 − 6.41) ÷ 0.666 = 1.14, at 6.45 0.90 (hand reckoning)
      clash(5.1, 6.41, 'mehlich'),
      clash(5.1, 6.45, 'mehlich'),
      clash(6.0, 6.59, 'mehlich'),
      clash(5.1, 6.94, 'smp'),
      clash(5.1, 6.95, 'smp'),
      clash(5.1, 7.91, 'adams-evans'),
      clash(5.1, 7.92, 'adams-evans'),
      clash(4.9, 7.85, 'adams-evans'),
    ]).toEqual([false, true, false, false, true, false, true, false]);
    const limy = (ph: number) => doubts(zone({ carbonates: 'strong' }), [pH(ph), cec(20)]).includes('inflated');
    expect([limy(7.3), limy(7.31)]).toEqual([false, true]);
    expect(interpretZone(zone(), report([{ analyte: 'pH', value: 5.5, method: 'cacl2' }])).ph?.ph).toBeCloseTo(6.1, 12);
  });
});

describe('the shelf and small tools', () => {
  it('chloride from 10 percent is a muriate to a grass that shuns it', () => {
    const grass = grassOf('centipedegrass');
    const potash = (Cl: number): Product => ({ ...product('sulfate-of-potash-50'), guaranteed: { K2O: 50, Cl } });
    const why = (Cl: number) => excluded(potash(Cl), 'K2O', { grass, phosphorusWanted: false, potassiumWanted: true });
    expect([why(9.9), why(10)?.includes('chloride')]).toEqual([undefined, true]);
  });
  it('a quarter of 6 cups is 2 and of 5 cups 1; soak 45 minutes; a rate is per 1000', () => {
    const low = (catchesIn: number[]) =>
      (evaluate(sprinklerUniformity, { catchesIn, minutes: 60 }) as { lowerQuarterPercent: number })
        .lowerQuarterPercent;
    expect(low([0.1, 0.3, 0.5, 0.5, 0.5, 0.5])).toBeCloseTo((0.2 / 0.4) * 100, 9);
    expect(low([0.1, 0.4, 0.5, 0.5, 0.5])).toBeCloseTo((0.1 / 0.4) * 100, 9);
    expect(evaluate(cycleSoak, { depthIn: 1, inPerHour: 2, intakeInPerHour: 1 })).toMatchObject({ soakMinutes: 45 });
    expect(evaluate(zoneAmount, { ratePer1000Lb: 1, areaSqFt: 1 })).toBe(0.001);
  });
});

describe('windows of the year', () => {
  const flat = (high: number, low: number, frost = {}) => ({
    meanHighF: Array.from({ length: 12 }, () => high),
    meanLowF: Array.from({ length: 12 }, () => low),
    ...frost,
  });
  const season = (id: 'tall-fescue' | 'bermudagrass' | 'centipedegrass', high: number, low: number, frost = {}) =>
    growthSeason(flat(high, low, frost), climateYear(flat(high, low, frost), 2027), grassOf(id));
  it('frozen under a mean of 32, heat over a high of 87, cool-season feeding from a mean of 50 deg F', () => {
    expect([season('tall-fescue', 36, 27.9).frozen[0], season('tall-fescue', 36, 28).frozen[0]]).toEqual([true, false]);
    expect([
      season('tall-fescue', 87.1, 60).heat[0],
      season('tall-fescue', 87, 60).heat[0],
      season('bermudagrass', 95, 70).heat[0],
    ]).toEqual([true, false, false]);
    expect([season('tall-fescue', 59, 40.9).feeding[0], season('tall-fescue', 59, 41).feeding[0]]).toEqual([
      false,
      true,
    ]);
  });
  it('warm-season feeding from 28 days after last frost (centipedegrass 42) to 42 before the first', () => {
    const frost = { lastFrost: '03-01', firstFrost: '11-01' };
    const feeding = season('bermudagrass', 95, 75, frost).feeding;
    expect([feeding.indexOf(true), feeding.lastIndexOf(true)]).toEqual([59 + 28, 304 - 42]);
    expect(season('centipedegrass', 95, 75, frost).feeding.indexOf(true)).toBe(59 + 42);
  });
  it('no feeding where growth is under a tenth of the best; curves at 67.5 ± 10 and 87.5 ± 12 deg F (Gelernter & Stowell 2005; from memory)', () => {
    expect(GROWTH_CURVE).toEqual({ cool: { best: 67.5, spread: 10 }, warm: { best: 87.5, spread: 12 } });
    const at = (mean: number) =>
      season('bermudagrass', mean, mean, { lastFrost: '01-05', firstFrost: '12-30' }).feeding[150];
    // 87.5 − 12 × √(2 ln 10) = 61.75 deg F
    expect([at(61.7), at(61.8)]).toEqual([false, true]);
  });
  it('takes frost from mean lows of 36 deg F where no dates are given', () => {
    const climate = {
      meanHighF: [40, 40, 50, 60, 70, 80, 85, 85, 75, 60, 50, 40],
      meanLowF: [20, 20, 30, 40, 50, 60, 65, 65, 55, 40, 30, 20],
    };
    const weather = climateYear(climate, 2027);
    const { last, first } = frostDays(climate, weather);
    expect(weather.lowF[last]).toBeLessThan(36);
    expect(weather.lowF[last + 1]).toBeGreaterThanOrEqual(36);
    expect(weather.lowF[first]).toBeLessThan(36);
    expect(weather.lowF[first - 1]).toBeGreaterThanOrEqual(36);
  });
});
