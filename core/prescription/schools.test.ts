import { describe, expect, it } from 'vitest';
import type { SoilResult, Zone } from '../records/case';
import { BUILT_IN_PACKS, grassIn, PACK_KINDS, withPack } from '../packs/rule-packs';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { isRefusal } from '../reckoning/refusal';
import { HIGH_PH_SCHOOLS, LATE_SEASON_SCHOOLS, POTASSIUM_SCHOOLS, schoolOf } from '../season/rules/practice-schools';
import { compareSchools } from '../soil/interpret';
import { prescribeZone } from './prescribe';
import { prescribeGypsum } from './prescribe-gypsum';
import { prescribeIron, prescribeSalinity } from './prescribe-others';

const zone = (change: Partial<Zone> = {}): Zone => ({
  id: 'z',
  name: 'Z',
  areaSqFt: 5000,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  clippings: 'bagged',
  irrigated: true,
  carbonates: 'none',
  ...change,
});
const m3 = (analyte: 'P' | 'K' | 'Mg' | 'Ca' | 'Na', value: number): SoilResult => ({
  analyte,
  value,
  unit: 'ppm',
  method: 'mehlich-3',
});
const base: SoilResult[] = [
  { analyte: 'pH', value: 6.4, method: 'water-1:1' },
  { analyte: 'CEC', value: 12, unit: 'cmolc/kg' },
  m3('P', 40),
  m3('K', 44),
  m3('Mg', 74),
  m3('Ca', 812),
];
const test = (results = base) => ({ id: 's', zoneId: 'z', sampledOn: '2027-03-01', depthIn: 4, results });
const facts = (choices: object, z = zone(), t = test()) => ({
  zone: z,
  tests: [t],
  products: STARTER_SHELF,
  codes: [],
  choices,
});
const kali = (school: string, z?: Zone, t?: ReturnType<typeof test>) =>
  prescribeZone(facts({ school }, z, t)).prescription.potassium;

describe('the three schools of interpretation', () => {
  it('read the same report differently, side by side', () => {
    const k = compareSchools(zone(), test()).find((row) => row.analyte === 'K');
    expect(k?.levels).toEqual({ sufficiency: 'low', minimum: 'enough', saturation: 'low' });
  });
  it('prescribe by their own arithmetic (hand reckoning: mass 28,093 lb, N 3 lb)', () => {
    // sufficiency: (51-44)*0.028093 + 1.5; minimum: 1.5 - (44-37)*0.028093; saturation at CEC 9: (9*0.03*390.98 - 44)*0.028093
    expect(kali('sufficiency').yearLb).toBeCloseTo((7 * 0.0280926 + 1.5) / 0.83015, 2);
    expect(kali('minimum').yearLb).toBeCloseTo((1.5 - 7 * 0.0280926) / 0.83015, 2);
    const cec9 = test(base.map((r) => (r.analyte === 'CEC' ? { ...r, value: 9 } : r)));
    expect(kali('saturation', zone(), cec9).yearLb).toBeCloseTo(((9 * 0.03 * 390.98 - 44) * 0.0280926) / 0.83015, 2);
    // at CEC 12 it would be 3.27 lb, held to the year's nitrogen of 3 lb
    expect(kali('saturation').yearLb).toBe(3);
  });
  it('keep base saturation from prescribing in limy soil, above pH 7.3 and under CEC 4', () => {
    const bySufficiency = kali('sufficiency').yearLb;
    expect(kali('saturation', zone({ carbonates: 'strong' })).yearLb).toBe(bySufficiency);
    expect(
      kali('saturation', zone(), test(base.map((r) => (r.analyte === 'pH' ? { ...r, value: 7.4 } : r)))).yearLb,
    ).toBe(bySufficiency);
    expect(
      kali(
        'saturation',
        zone({ texture: 'sand' }),
        test(base.map((r) => (r.analyte === 'CEC' ? { ...r, value: 3.5 } : r))),
      ).says,
    ).not.toContain('base saturation');
  });
  it('never give phosphorus where sufficiency reads enough', () => {
    for (const school of ['sufficiency', 'minimum', 'saturation'])
      expect(prescribeZone(facts({ school })).prescription.phosphorus.yearLb).toBe(0);
  });
});

describe('the buffer that the laboratory used decides the lime method', () => {
  const by = (method: SoilResult['method'], value: number, change: Partial<Zone> = {}) =>
    prescribeZone(
      facts(
        {},
        zone(change),
        test([
          { analyte: 'pH', value: 5.2, method: 'water-1:1' },
          { analyte: 'buffer-pH', value, method },
        ]),
      ),
    ).prescription;
  const doubtsOf = (method: SoilResult['method'], value: number) =>
    prescribeZone(
      facts(
        {},
        zone(),
        test([
          { analyte: 'pH', value: 5.2, method: 'water-1:1' },
          { analyte: 'buffer-pH', value, method },
        ]),
      ),
    ).read!.doubts.join(' ');
  it.each([
    ['mehlich', 6.2, 'lime.mehlich'],
    ['modified-mehlich', 6.2, 'lime.mehlich'],
    ['smp', 6.5, 'lime.smp'],
    ['sikora', 6.5, 'lime.smp'],
    ['adams-evans', 7.7, 'lime.adams-evans'],
    ['moore-sikora', 7.7, 'lime.adams-evans'],
  ] as const)('%s', (method, value, id) => {
    expect(by(method, value).ph).toMatchObject({ action: 'lime', method: id });
  });
  it('draws the SMP lines on, as an estimate, where they do not reach the aim (judgement B2)', () => {
    expect(by('smp', 6.5, { grass: 'bahiagrass' }).ph).toMatchObject({
      method: 'lime.smp',
      estimate: true,
      says: expect.stringContaining('estimate'),
    });
  });
  it('never guesses a buffer without a name: texture answers, and a doubt names the field (judgement A9)', () => {
    for (const method of [undefined, 'olsen'] as const) {
      expect(by(method, 6.5)).toMatchObject({ ph: { action: 'lime', method: 'lime.texture' }, refusals: [] });
      expect(by(method, 6.5).ph.says + doubtsOf(method, 6.5)).toMatch(/does not say which buffer/);
      expect(doubtsOf(method, 6.5)).toContain('method of buffer-pH');
    }
    expect(doubtsOf('mehlich', 6.4)).not.toContain('which buffer');
  });
});

describe('gypsum, salinity and iron', () => {
  const sodic = test([...base, m3('Na', 552)]);
  it('gives gypsum to sodic soil only, times 1.25, in doses of at most 40 lb (common practice)', () => {
    const read = prescribeZone(facts({}, zone(), sodic)).read;
    // ESP 552/229.9/12 = 20 %; CEC 12 × 10 % = 1.2 cmolc/kg over 4 in (hand reckoning)
    const gypsum = prescribeGypsum(facts({}, zone(), sodic), read);
    expect(gypsum.espPercent).toBeCloseTo(20, 1);
    // the shelf's gypsum holds 17 % combined S, pure gypsum 18.62
    expect(gypsum.yearLb).toBeCloseTo((((1.2 * 1721.64) / 43.56) * 0.6 * 1.25 * 18.62) / 17, 0);
    expect(Math.max(...gypsum.doses)).toBeLessThanOrEqual(40);
    // 39 lb fit in one dose of at most 40; a heavier clay needs a second of the same size
    const heavy = test([...base.map((r) => (r.analyte === 'CEC' ? { ...r, value: 14 } : r)), m3('Na', 644)]);
    const two = prescribeGypsum(facts({}, zone(), heavy), prescribeZone(facts({}, zone(), heavy)).read);
    expect([gypsum.doses.length, two.doses.length]).toEqual([1, 2]);
    expect(two.yearLb).toBeGreaterThan(40);
    expect(two.yearLb).toBeLessThan(48);
    expect(prescribeGypsum(facts({}, zone({ drainage: 'poor' }), sodic), read)).toMatchObject({
      yearLb: 0,
      says: expect.stringContaining('Drain'),
    });
    expect(prescribeGypsum(facts({}), prescribeZone(facts({})).read)).toMatchObject({ yearLb: 0 });
  });
  it('reads salinity of this grass by the paste that the extract stands for (judgement A3), and iron from pH', () => {
    const with4 = prescribeZone(facts({}, zone(), test([...base, { analyte: 'EC', value: 4, unit: 'dS/m' }]))).read;
    expect(prescribeSalinity(zone(), with4)).toMatchObject({ standing: 'saline' });
    expect(prescribeSalinity(zone(), undefined)).toMatchObject({ standing: 'not-tested' });
    expect(
      prescribeIron(prescribeZone(facts({}, zone(), test([{ analyte: 'pH', value: 7.9, method: 'water-1:1' }]))).read)
        .action,
    ).toBe('foliar');
    expect(prescribeIron(undefined).action).toBe('none');
  });
});

describe('schools of practice', () => {
  it('are five, four and three, each with a reason and what speaks against it, one default each', () => {
    expect([LATE_SEASON_SCHOOLS.length, POTASSIUM_SCHOOLS.length, HIGH_PH_SCHOOLS.length]).toEqual([5, 4, 3]);
    for (const schools of [LATE_SEASON_SCHOOLS, POTASSIUM_SCHOOLS, HIGH_PH_SCHOOLS]) {
      expect(schools.filter((s) => s.isDefault)).toHaveLength(1);
      for (const school of schools) expect(Math.min(school.because.length, school.against.length)).toBeGreaterThan(10);
    }
    expect(LATE_SEASON_SCHOOLS.filter((s) => s.comparisonOnly).map((s) => s.id)).toEqual(['weekly-light']);
    expect(schoolOf(HIGH_PH_SCHOOLS, undefined).id).toBe('correct-slowly');
  });
});

describe('rule packs', () => {
  const head = { pack: 'mine', version: '1', source: { cite: 'Invented', standing: 'common practice' } };
  it('replace only the rows they hold', () => {
    const packs = withPack(BUILT_IN_PACKS, {
      kind: 'grasses',
      ...head,
      grasses: [
        {
          id: 'centipedegrass',
          name: 'centipedegrass',
          season: 'warm',
          phLow: 5.5,
          phHigh: 6.5,
          phAim: 6,
          nitrogenLb: { low: 0.5, standard: 1, high: 2 },
          ceilingLb: 2,
          mowIn: [1, 2],
          note: '',
        },
      ],
    });
    if (isRefusal(packs)) throw new Error(packs.refused);
    expect(grassIn(packs, 'centipedegrass')).toMatchObject({ phHigh: 6.5, source: { name: 'mine 1' } });
    expect(grassIn(packs, 'tall-fescue').source.name).toBe('ubertas-grasses 1.1.0');
    const at = (p: typeof BUILT_IN_PACKS) =>
      prescribeZone({ ...facts({}, zone({ grass: 'centipedegrass' })), packs: p }).read?.ph?.place;
    expect([at(BUILT_IN_PACKS), at(packs)]).toEqual(['too-alkaline', 'inside']);
  });
  it.each<[string, object, string]>([
    ['of no kind', {}, 'kind'],
    [
      'without a source',
      {
        kind: 'sufficiency',
        pack: 'x',
        version: '1',
        ranges: [{ analyte: 'K', method: 'mehlich-3', enough: 1, high: 2 }],
      },
      'source',
    ],
    [
      'with bounds that fall',
      { kind: 'sufficiency', ...head, ranges: [{ analyte: 'K', method: 'mehlich-3', enough: 5, high: 2 }] },
      'ranges[0]',
    ],
    [
      'with a mistyped key',
      { kind: 'sufficiency', ...head, ranges: [{ analyte: 'K', method: 'mehlich-3', enuf: 5, high: 7 }] },
      'ranges[0].enuf',
    ],
    [
      'with a window that ends before it begins',
      {
        kind: 'grasses',
        ...head,
        grasses: [
          {
            id: 'tall-fescue',
            name: 't',
            season: 'cool',
            phLow: 7,
            phHigh: 6,
            phAim: 6.5,
            nitrogenLb: { low: 1, standard: 2, high: 3 },
            ceilingLb: 4,
            mowIn: [1, 2],
          },
        ],
      },
      'grasses[0]',
    ],
  ])('%s are refused, naming where', (_name, raw, field) => {
    expect(withPack(BUILT_IN_PACKS, raw)).toMatchObject({ field });
  });
  it('ship a local code for each example, all valid', () => {
    expect(BUILT_IN_PACKS.codes.map((c) => c.id)).toContain('new-jersey-homeowner');
    expect(PACK_KINDS).toHaveLength(6);
  });
});
