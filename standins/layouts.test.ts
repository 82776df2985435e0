import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { decodeText } from '../core/files/decode-text';
import { BUILT_IN_PACKS } from '../core/packs/rule-packs';
import { chanceOf } from './chance';
import { demoSoils } from './laboratory/demo-soils';
import type { AnalysedBag } from './laboratory/dress';
import { LAYOUT_IDS, type LayoutId } from './laboratory/layout-list';
import { LAYOUTS } from './laboratory/layouts';
import { analysed, byExtractant, ordinarySoil, type Soil } from './laboratory/soil';
import { soilKey } from './soil-key';

const found: Soil = {
  ph: 5.6,
  bufferPh: 6.32,
  P: 71,
  K: 44,
  Ca: 812,
  Mg: 74,
  S: 9,
  Na: 18,
  Fe: 97,
  Mn: 5.8,
  Zn: 0.4,
  Cu: 1,
  OM: 3.1,
  CEC: 8.4,
  CaCO3: 0,
  EC: 0.4,
};
const bag: AnalysedBag = { code: 'QLS-27-01', sampledOn: '2027-03-02', depthIn: 4, found };
const textOf = (id: LayoutId, bags: readonly AnalysedBag[] = [bag]) =>
  decodeText(LAYOUTS[id].bytes(bags) as Uint8Array);
const rowsOf = (id: LayoutId) => Papa.parse<string[]>(textOf(id).text).data;
const cell = (id: LayoutId, header: RegExp): string => {
  const rows = rowsOf(id);
  const at = rows.findIndex((row) => row.some((c) => header.test(c)));
  const column = (rows[at] as string[]).findIndex((c) => header.test(c));
  return rows[at + 1]?.[column] ?? '';
};

describe('the layouts of the simulated laboratory', () => {
  it('differ in marks, letters and rows as laboratories do', () => {
    expect(textOf('plain').text).toContain('K (ppm, Mehlich-3)');
    expect(textOf('per-acre').text).toMatch(/Sampling depth 0-4 in/);
    expect(textOf('metric').encoding).toBe('Windows-1252');
    expect(textOf('metric').text).toContain(';5,0;6,32;71,0;44,0;');
    expect(rowsOf('long').filter((r) => r[0] === 'QLS-27-01')).toHaveLength(16);
    expect((LAYOUTS.acetate.bytes([bag]) as Uint8Array)[0]).toBe(0xef);
  });
  // by hand: 44 ppm x 2 = 88 lb/acre by custom (A1); 74 + 100 - 61 = 113 ppm of Mg, over 121.525 = 0.92985
  it.each<[LayoutId, RegExp, string]>([
    ['per-acre', /^K lb\/A/, '88.00'],
    ['per-acre', /^Sampled$/, '3/2/2027'],
    ['metric', /^pH CaCl2/, '5,0'],
    ['metric', /^Date/, '02.03.2027'],
    ['metric', /^Depth/, '10,16'],
    ['acetate', /^Mg meq/, '0.9298'],
    ['acetate', /^Sampling date/, '2 Mar 2027'],
    ['acetate', /^P Olsen/, 'n/a'],
    ['plain', /^Zn/, '<0.5'],
  ])('%s prints %s as %s', (id, header, value) => expect(cell(id, header)).toBe(value));
  it('all say that the laboratory is simulated, and name nobody', () => {
    for (const id of LAYOUT_IDS.filter((each) => /csv|txt/.test(LAYOUTS[each].ending))) {
      expect(textOf(id).text).toContain('Simulated laboratory');
      expect(textOf(id).text).not.toMatch(/[=+@]\w+\(/);
    }
  });
  it('hold several bags in one file', () => {
    const two = textOf('plain', [bag, { ...bag, code: 'QLS-27-02' }]).text;
    expect(two.trim().split('\r\n')).toHaveLength(3);
  });
});

describe('simulated soil', () => {
  it('reads every extractant on the same side of enough and of high', () => {
    for (const analyte of ['P', 'K', 'Mg'])
      for (const to of ['bray-p1', 'olsen', 'ammonium-acetate']) {
        const [a, b] = [
          BUILT_IN_PACKS.sufficiency.get(`${analyte}/mehlich-3`),
          BUILT_IN_PACKS.sufficiency.get(`${analyte}/${to}`),
        ];
        if (!a?.enough || !a.high || !b?.enough || !b.high) continue;
        for (let value = 1; value < 2 * a.high; value++) {
          const other = byExtractant(analyte, value, 'mehlich-3', to);
          expect(other >= b.high, `${analyte} ${value} by ${to}`).toBe(value >= a.high);
          if (value < a.enough) expect(other).toBeLessThan(b.enough);
        }
      }
  });
  it('is ordinary for its texture, and the same for the same ground', () => {
    for (let key = 0; key < 200; key++) {
      const sand = ordinarySoil(key, 'sand');
      expect(sand.CEC).toBeLessThanOrEqual(6);
      expect(sand.bufferPh).toBeLessThanOrEqual(6.6);
      expect(ordinarySoil(key, 'clay').CEC).toBeGreaterThanOrEqual(15);
      expect(ordinarySoil(key, 'sand')).toEqual(sand);
    }
  });
  it('scatters from analysis to analysis by a few percent', () => {
    const values = Array.from({ length: 500 }, (_, seed) => analysed({ ...found, K: 400 }, seed).K);
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    const spread = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length);
    expect(Math.abs(mean / 400 - 1)).toBeLessThan(0.01);
    expect(spread / 400).toBeGreaterThan(0.02);
    expect(spread / 400).toBeLessThan(0.04);
  });
  it('under a demo zone is what its latest report found', () => {
    const soils = demoSoils([
      {
        format: 'ubertas-case',
        version: 1,
        property: { id: 'p', name: 'P' },
        zones: [{ id: 'z', name: 'Z', areaSqFt: 1, grass: 'tall-fescue', texture: 'loam' }],
        soilTests: [
          { id: 'a', zoneId: 'z', sampledOn: '2024-01-01', results: [{ analyte: 'pH', value: 7 }] },
          { id: 'b', zoneId: 'z', sampledOn: '2026-01-01', results: [{ analyte: 'pH', value: 5.5 }] },
        ],
      } as never,
    ]);
    expect(soils.get(soilKey('p', 'z'))?.ph).toBe(5.5);
  });
});

describe('seeded chance', () => {
  it('scatters normally about nothing, and neighbouring seeds are strangers', () => {
    const draws = Array.from({ length: 2000 }, (_, seed) => chanceOf(seed).scatter());
    const mean = draws.reduce((a, b) => a + b, 0) / draws.length;
    const square = draws.reduce((sum, d) => sum + d * d, 0) / draws.length;
    expect(Math.abs(mean)).toBeLessThan(0.08);
    expect(Math.abs(square - 1)).toBeLessThan(0.12);
    const pairs = draws.slice(1).reduce((sum, d, i) => sum + d * (draws[i] as number), 0) / draws.length;
    expect(Math.abs(pairs)).toBeLessThan(0.08);
  });
});
