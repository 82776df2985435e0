import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SoilResult, SoilTest, Zone } from '../records/case';
import { GRASS_IDS } from '../records/vocabularies';
import { TEXTURE_CLASSES } from '../records/vocabularies';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { isRefusal } from '../reckoning/refusal';
import { workingOf } from '../reckoning/figure';
import { prescribeZone } from './prescribe';

const zone = (change: Partial<Zone> = {}): Zone => ({
  id: 'z',
  name: 'Z',
  areaSqFt: 5000,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  clippings: 'returned',
  irrigated: true,
  carbonates: 'none',
  ...change,
});
const m3 = (analyte: 'P' | 'K' | 'Mg' | 'S' | 'Ca', value: number): SoilResult => ({
  analyte,
  value,
  unit: 'ppm',
  method: 'mehlich-3',
});
const report = (ph: number, ...more: SoilResult[]): SoilTest => ({
  id: 's',
  zoneId: 'z',
  sampledOn: '2027-02-01',
  depthIn: 4,
  results: [{ analyte: 'pH', value: ph, method: 'water-1:1' }, ...more],
});
const prescribe = (z: Zone, test?: SoilTest, choices = {}) =>
  prescribeZone({ zone: z, tests: test ? [test] : [], products: STARTER_SHELF, codes: [], choices }).prescription;

describe('pH comes first', () => {
  it('leaves a pH inside the window alone, both edges included', () => {
    for (const ph of [6.0, 6.5, 7.0]) expect(prescribe(zone(), report(ph)).ph.action).toBe('none');
  });
  it('limes by the buffer the laboratory used, calcitic where Mg is enough, dolomitic where it is low', () => {
    const buffer: SoilResult = { analyte: 'buffer-pH', value: 6.32, method: 'mehlich' };
    const enough = prescribe(zone(), report(5.6, buffer, m3('Mg', 74)));
    expect(enough.ph).toMatchObject({
      action: 'lime',
      method: 'lime.mehlich',
      productId: 'calcitic-lime',
      targetPh: 6.2,
      treatedDepthIn: 4,
    });
    // 15.427 lb ag lime at an effective value of 65 with ECCE 88 (hand reckoning; judgement B3)
    expect(enough.ph.material?.value).toBeCloseTo(15.427 * (65 / 88), 2);
    expect(prescribe(zone(), report(5.6, buffer, m3('Mg', 40))).ph.productId).toBe('dolomitic-lime');
    expect(prescribe(zone(), report(5.6, buffer)).ph.productId).toBe('calcitic-lime');
  });
  it('says that a lime rate without a buffer is an estimate', () => {
    const { ph, cautions } = prescribe(zone(), report(5.6));
    expect(ph.method).toBe('lime.texture');
    expect(cautions.join()).toContain('Estimated from texture');
  });
  it('never aims lime above 6.5, whatever the grass', () => {
    expect(prescribe(zone({ grass: 'buffalograss' }), report(5.8)).ph.targetPh).toBe(6.5);
  });
  it('leaves limy soil and unfizzed pH 7.6 alone, and acidifies only well above the window', () => {
    expect(prescribe(zone({ carbonates: 'strong' }), report(8.0)).ph.action).toBe('leave');
    expect(prescribe(zone({ carbonates: 'unknown' }), report(7.6)).ph).toMatchObject({
      action: 'leave',
      says: expect.stringContaining('fizz'),
    });
    expect(prescribe(zone(), report(7.2)).ph.action).toBe('leave');
    expect(prescribe(zone(), report(7.6)).ph).toMatchObject({ action: 'sulfur', targetPh: 6.8 });
    expect(prescribe(zone({ drainage: 'poor' }), report(7.6)).ph.action).toBe('leave');
    expect(prescribe(zone(), report(7.6), { highPh: 'leave-and-manage' }).ph.action).toBe('leave');
  });
  it('adds 0.6 to pH in CaCl2 before using a window (common practice)', () => {
    const test = report(5.5);
    (test.results[0] as SoilResult).method = 'cacl2';
    expect(prescribe(zone(), test).ph.action).toBe('none');
  });
});

describe('phosphorus and potassium', () => {
  it('gives no P2O5 at enough or high', () => {
    for (const p of [27, 54, 55, 140]) expect(prescribe(zone(), report(6.5, m3('P', p))).phosphorus.yearLb).toBe(0);
    expect(prescribe(zone(), report(6.5, m3('P', 20))).phosphorus.yearLb).toBeGreaterThan(0);
  });
  it('gives no K2O at high and never more than the year’s N unless very low', () => {
    expect(prescribe(zone(), report(6.5, m3('K', 117))).potassium.yearLb).toBe(0);
    const low = prescribe(zone(), report(6.5, m3('K', 30)));
    expect(low.potassium.yearLb).toBeLessThanOrEqual(low.nitrogen.year.value);
    const poor = prescribe(zone({ care: 'low', texture: 'sand' }), report(6.5, m3('K', 5)));
    expect(poor.potassium.yearLb).toBeGreaterThan(poor.nitrogen.year.value);
  });
  it('turns 7 ppm K short and growth at 2.25 lb N into 0.58 lb K2O (hand reckoning: (7 × 28,093 / 1e6 + 2.25 × 0.5 × 0.25) ÷ 0.83015)', () => {
    expect(prescribe(zone(), report(6.5, m3('K', 44))).potassium.yearLb).toBeCloseTo((0.19665 + 0.28125) / 0.83015, 3);
  });
  it('does not read Bray P1 in limy soil, nor a laboratory index', () => {
    const bray = report(7.8, { analyte: 'P', value: 4, unit: 'ppm', method: 'bray-p1' });
    expect(prescribe(zone({ carbonates: 'strong' }), bray).phosphorus).toMatchObject({
      level: 'unreadable',
      yearLb: 0,
    });
    expect(
      prescribe(zone(), report(6.5, { analyte: 'K', value: 80, unit: 'index', method: 'mehlich-3' })).potassium,
    ).toMatchObject({ level: 'unreadable', yearLb: 0 });
  });
});

describe('without a report', () => {
  it('prescribes nitrogen alone and says that it is a stopgap', () => {
    const p = prescribe(zone());
    expect(p).toMatchObject({
      tested: false,
      ph: { action: 'none', doses: [] },
      phosphorus: { yearLb: 0 },
      potassium: { yearLb: 0 },
      magnesium: { yearLb: 0 },
      sulfur: { yearLb: 0 },
    });
    expect(p.nitrogen.year.value).toBeGreaterThan(0);
    expect(p.cautions[0]).toContain('stopgap');
  });
});

describe('nitrogen lines', () => {
  it('can be switched off, and are then shown but not counted', () => {
    const on = prescribe(zone());
    const off = prescribe(zone({ nitrogenOff: ['clippings'] }));
    expect(off.nitrogen.year.value - on.nitrogen.year.value).toBeCloseTo(0.75, 9);
    expect(off.nitrogen.steps.find((s) => s.id === 'clippings')).toMatchObject({ off: true, lb: -0.75 });
  });
});

describe('any zone and any report', () => {
  it('never gives NaN, a negative or a figure whose Workings disagree with it', () => {
    const n = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    const zones = fc.record({
      grass: fc.constantFrom(...GRASS_IDS),
      texture: fc.constantFrom(...TEXTURE_CLASSES),
      carbonates: fc.constantFrom('unknown' as const, 'none' as const, 'strong' as const),
      wear: fc.constantFrom('light' as const, 'heavy' as const),
      irrigated: fc.boolean(),
    });
    fc.assert(
      fc.property(zones, n(3.6, 9), n(4, 6.7), n(0, 400), n(0, 900), n(0, 300), (z, ph, buffer, p, k, mg) => {
        const found = prescribe(
          zone(z),
          report(ph, { analyte: 'buffer-pH', value: buffer, method: 'mehlich' }, m3('P', p), m3('K', k), m3('Mg', mg)),
        );
        const lines = [found.phosphorus, found.potassium, found.magnesium];
        for (const line of lines) expect(line.yearLb).toBeGreaterThanOrEqual(0);
        for (const figure of [
          found.nitrogen.year,
          found.ph.material,
          found.ph.requirement,
          ...lines.map((l) => l.year),
        ]) {
          if (!figure) continue;
          const working = workingOf(figure);
          if (isRefusal(working)) throw new Error(working.refused);
          expect(working.value).toBe(figure.value);
          expect(Number.isFinite(figure.value)).toBe(true);
        }
        expect(found.ph.doses.reduce((a, b) => a + b, 0)).toBeCloseTo(
          found.ph.doses.length > 0 ? (found.ph.material?.value ?? 0) : 0,
          6,
        );
      }),
      { numRuns: 150 },
    );
  });
});
