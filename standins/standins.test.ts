import { describe, expect, it } from 'vitest';
import type { SoilTest, Zone } from '../core/records/case';
import { documentOf } from '../cli/read';
import { readReport } from '../core/reports/read-report';
import type { ReportSample } from '../core/reports/reading';
import { soilTestOf } from '../core/reports/soil-test-of';
import { STARTER_SHELF } from '../core/packs/starter-shelf';
import { prescribeZone } from '../core/prescription/prescribe';
import { isRefusal } from '../core/reckoning/refusal';
import { readInstrument } from './instruments/instruments';
import { type Bag, collect, handIn, turnaroundDays } from './laboratory/laboratory';
import { LAYOUT_IDS, type LayoutId } from './laboratory/layout-list';
import { ordinarySoil, type Soil, soilOfReport } from './laboratory/soil';
import { soilKey } from './soil-key';

const bag = (change: Partial<Bag> = {}): Bag => ({
  code: 'QLS-27-01',
  soilKey: 77,
  texture: 'silt-loam',
  sampledOn: '2027-03-02',
  depthIn: 4,
  sentOn: '2027-03-05',
  layout: 'plain',
  ...change,
});
const zone: Zone = {
  id: 'z',
  name: 'Z',
  areaSqFt: 6480,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  carbonates: 'none',
};

/** A report file of the simulated laboratory, read as a person's first import would, without any correction. */
async function readBack(
  layout: LayoutId,
  soils?: ReadonlyMap<number, Soil>,
  change: Partial<Bag> = {},
): Promise<SoilTest> {
  const receipt = handIn(bag({ layout, ...change }));
  if (isRefusal(receipt)) throw new Error(receipt.refused);
  const file = await collect(receipt.receipt, receipt.expectedOn, soils);
  if (!('bytes' in file)) throw new Error(JSON.stringify(file));
  const document = await documentOf(file.fileName, file.bytes);
  if (isRefusal(document)) throw new Error(document.refused);
  const { samples, rejected } = readReport(document, {}, receipt.expectedOn);
  expect(rejected).toEqual([]);
  expect(samples).toHaveLength(1);
  const [sample] = samples as [ReportSample];
  expect(sample.label).toBe('QLS-27-01');
  expect(sample.sampledOn).toBe('2027-03-02');
  expect(sample.depthIn).toBeCloseTo(4, 2);
  return soilTestOf(sample, 's', 'z', sample.sampledOn ?? '');
}

const prescribed = (test: SoilTest, of: Zone = zone) => {
  const { prescription } = prescribeZone({
    zone: of,
    tests: [test],
    products: STARTER_SHELF,
    codes: [],
    asOf: '2027-04-01',
  });
  const { ph, nitrogen, phosphorus, potassium, magnesium, sulfur } = prescription;
  return {
    action: ph.action,
    doses: ph.doses.length,
    requirement: ph.requirement?.value ?? 0,
    n: nitrogen.year.value,
    p: phosphorus.yearLb,
    k: potassium.yearLb,
    mg: magnesium.yearLb,
    s: sulfur.yearLb,
  };
};

/** Soils as different as lawns are: acid and poor, rich, sandy, and alkaline with carbonate. */
const SOILS: Record<string, Partial<Soil>> = {
  'acid and hungry': { ph: 5.4, bufferPh: 6.2, P: 12, K: 34, Mg: 42, S: 8, CaCO3: 0 },
  'in order': { ph: 6.4, bufferPh: 6.6, P: 40, K: 90, Mg: 95, S: 22, CaCO3: 0 },
  'rich in phosphorus': { ph: 6.6, bufferPh: 6.6, P: 142, K: 60, Mg: 190, S: 18, CaCO3: 0 },
  'alkaline with carbonate': { ph: 7.8, bufferPh: 6.6, P: 20, K: 240, Mg: 290, S: 30, CaCO3: 3 },
};

describe('the simulated laboratory', () => {
  it.each(Object.entries(SOILS))('says the same of one soil in every layout: %s', async (_name, truth) => {
    const soils = new Map([[77, { ...ordinarySoil(77, 'silt-loam'), ...truth }]]);
    const plain = prescribed(await readBack('plain', soils));
    for (const layout of LAYOUT_IDS) {
      const other = prescribed(await readBack(layout, soils));
      expect(other.action, layout).toBe(plain.action);
      expect(other.doses, layout).toBe(plain.doses);
      for (const key of ['requirement', 'n', 'p', 'k', 'mg', 's'] as const)
        expect(Math.abs(other[key] - plain[key]), `${layout} ${key} ${other[key]} ${plain[key]}`).toBeLessThan(0.005);
    }
  });
  it('is repeatable, and two bags of one soil scatter like two analyses', async () => {
    expect(await readBack('plain')).toEqual(await readBack('plain'));
    const [a, b] = [
      await readBack('plain'),
      await readBack('plain', undefined, { code: 'QLS-27-01', sentOn: '2027-03-05', soilKey: 78 }),
    ];
    expect(a).not.toEqual(b);
  });
  it('takes its days, and says when', async () => {
    const receipt = handIn(bag());
    if (isRefusal(receipt)) throw new Error(receipt.refused);
    expect(turnaroundDays(bag())).toBeGreaterThanOrEqual(5);
    expect(await collect(receipt.receipt, '2027-03-06')).toEqual({ notBefore: receipt.expectedOn });
    expect(await collect(receipt.receipt, receipt.expectedOn)).toHaveProperty('bytes');
  });
  it.each([
    ['no label', { ...bag(), code: '' }, 'code'],
    ['a label no laboratory could print', { ...bag(), code: '=1+1' }, 'code'],
    ['no depth', { ...bag(), depthIn: 0 }, 'depthIn'],
    ['an unknown layout', { ...bag(), layout: 'fancy' }, 'layout'],
    ['more than it asked', { ...bag(), owner: 'me' }, 'owner'],
  ])('refuses a bag with %s', (_name, given, field) => expect(handIn(given)).toMatchObject({ field }));
  it('does not know a made-up receipt', async () => {
    expect(await collect('nonsense', '2027-03-06')).toMatchObject({ field: 'receipt' });
    expect(await collect(Buffer.from('{"a":1}').toString('base64url'), '2027-03-06')).toMatchObject({
      field: 'receipt',
    });
  });
  it('knows the soil of a demo zone from its report', () => {
    const soil = soilOfReport(1, zone, {
      id: 's',
      zoneId: 'z',
      sampledOn: '2026-10-01',
      results: [
        { analyte: 'pH', value: 5, method: 'cacl2' },
        { analyte: 'K', value: 44, unit: 'ppm', method: 'mehlich-3' },
        // 13 is where enough begins by Olsen, 27 by Mehlich-3
        { analyte: 'P', value: 13, unit: 'ppm', method: 'olsen' },
      ],
    });
    expect(soil).toMatchObject({ ph: 5.6, K: 44, P: 27 });
  });
});

describe('the simulated instruments', () => {
  const dip = { soilKey: 77, texture: 'loam', on: '2027-04-05', dip: 0 };
  it('read near the truth, coarsely, and the same again for the same dip', () => {
    const soils = new Map([[77, { ...ordinarySoil(77, 'loam'), ph: 6.2 }]]);
    const values = Array.from({ length: 400 }, (_, i) => {
      const read = readInstrument({ ...dip, instrument: 'ph-pen', dip: i }, soils);
      return 'value' in read ? read.value : NaN;
    });
    expect(values.reduce((a, b) => a + b, 0) / 400).toBeCloseTo(6.2, 1);
    expect(new Set(values).size).toBeGreaterThan(4);
    expect(readInstrument({ ...dip, instrument: 'ph-pen' })).toEqual(readInstrument({ ...dip, instrument: 'ph-pen' }));
    expect(readInstrument({ ...dip, instrument: 'soil-thermometer', airF: 55 })).toHaveProperty('value');
    expect(readInstrument({ ...dip, instrument: 'crystal-ball' })).toMatchObject({ field: 'instrument' });
  });
});

describe('soil keys', () => {
  it('are one number per zone and give no name away', () => {
    // FNV-1a of "a/b", value worked from the published offset basis and prime
    let hash = 0x811c9dc5;
    for (const code of [97, 47, 98]) hash = Number((BigInt(hash ^ code) * 0x01000193n) & 0xffffffffn);
    expect(soilKey('a', 'b')).toBe(hash);
    expect(soilKey('a', 'b')).not.toBe(soilKey('b', 'a'));
  });
});
