import { describe, expect, it } from 'vitest';
import type { SoilResult, SoilTest, Zone } from '../records/case';
import { interpretZone } from './interpret';
import { BUILT_IN_PACKS, rangeIn } from '../packs/rule-packs';
import { levelOf } from './levels';

const zone: Zone = {
  id: 'z',
  name: 'Z',
  areaSqFt: 1000,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  carbonates: 'none',
};
const read = (results: SoilResult[], change: Partial<Zone> = {}, test: Partial<SoilTest> = {}, asOf?: string) =>
  interpretZone(
    { ...zone, ...change },
    { id: 's', zoneId: 'z', sampledOn: '2027-03-01', depthIn: 4, results, ...test },
    { asOf },
  );
const pH = (value: number): SoilResult => ({ analyte: 'pH', value, method: 'water-1:1' });
const k = (value: number, more: Partial<SoilResult> = {}): SoilResult => ({
  analyte: 'K',
  value,
  unit: 'ppm',
  method: 'mehlich-3',
  ...more,
});

describe('sufficiency levels', () => {
  it('are half-open at each bound (Carrow et al. 2004; values from memory): K by Mehlich-3 26, 51, 117', () => {
    const range = rangeIn(BUILT_IN_PACKS, 'K', 'mehlich-3')!;
    expect([25.9, 26, 50.9, 51, 116.9, 117].map((v) => levelOf(v, range))).toEqual([
      'very-low',
      'low',
      'low',
      'enough',
      'enough',
      'high',
    ]);
  });
  it('move manganese’s bounds with pH: 4, 6, 8 at pH 6, 7, 8 and half way between (value from memory)', () => {
    expect([5, 6, 6.5, 7, 8, 9].map((p) => rangeIn(BUILT_IN_PACKS, 'Mn', 'mehlich-3', p)?.enough)).toEqual([
      4, 4, 5, 6, 8, 8,
    ]);
  });
});

describe('reading a report', () => {
  it('converts lb/acre before judging and remembers what was printed', () => {
    const finding = read([k(96, { unit: 'lb/acre' })], {}, { depthIn: 20 / 3 }).findings[0];
    expect(finding).toMatchObject({ value: 48, level: 'low', reading: { reported: 96, reportedUnit: 'lb/acre' } });
  });
  it('judges pH against the grass’s window, edges and what is within 0.2 of them inside (judgement B9)', () => {
    expect(read([pH(6)]).ph?.place).toBe('inside');
    expect(read([pH(5.9)]).ph).toMatchObject({ place: 'inside', says: expect.stringContaining('within 0.2') });
    expect(read([pH(5.8)]).ph).toMatchObject({ place: 'too-acid', says: expect.stringContaining('0.2 below') });
    expect(read([pH(6.1)], { grass: 'centipedegrass' }).ph?.place).toBe('inside');
    expect(read([pH(6.2)], { grass: 'centipedegrass' }).ph?.place).toBe('too-alkaline');
  });
  it('cannot judge a nutrient of no named extractant', () => {
    expect(read([k(80, { method: undefined })]).findings[0]).toMatchObject({
      level: 'unreadable',
      says: expect.stringContaining('no extractant'),
    });
  });

  it.each<[string, string, ReturnType<typeof read>]>([
    ['a potassium no sand can hold', 'lb/acre', read([k(480)], { texture: 'sand' })],
    [
      'soil and buffer that contradict each other',
      'contradict',
      read([pH(5.0), { analyte: 'buffer-pH', value: 6.55, method: 'mehlich' }]),
    ],
    ['a missing depth', 'no sampling depth', read([pH(6)], {}, { depthIn: undefined })],
    ['an old report', '4 years old', read([pH(6)], {}, {}, '2031-06-01')],
    [
      'a sample taken soon after feeding',
      '14 days after',
      read([pH(6)], { applied: [{ date: '2027-02-15', productId: 'x', zoneLb: 5 }] }),
    ],
    ['CaCl2', 'CaCl2', read([{ analyte: 'pH', value: 5.8, method: 'cacl2' }])],
    ['the band between extractants', 'extractant decides', read([k(60)])],
    [
      'a CEC the texture cannot hold',
      'CEC of 25',
      read([{ analyte: 'CEC', value: 25, unit: 'cmolc/kg' }], { texture: 'sand' }),
    ],
    [
      'limy soil',
      'inflated',
      read([pH(7.9), { analyte: 'Ca', value: 5000, unit: 'ppm', method: 'mehlich-3' }], { carbonates: 'strong' }),
    ],
    ['pH 7.6 without a fizz test', 'fizz', read([pH(7.6)], { carbonates: 'unknown' })],
  ])('doubts %s', (_name, says, interpretation) => {
    expect(interpretation.doubts.join(' ')).toContain(says);
  });
  it('doubts nothing in a plain report', () => {
    expect(read([pH(6.4), k(90)], {}, {}, '2027-06-01').doubts).toEqual([]);
  });
});
