import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { isRefusal } from '../reckoning/refusal';
import { interpretZone } from '../soil/interpret';
import type { Zone } from '../records/case';
import { numberFrom } from './report-row';
import { readHeader } from './report-header';
import { guessReading, TableReader, testFrom } from './report-table';
import { dayFrom } from '../typed/typed-day';
import { depthFrom } from '../typed/typed-depth';

const zone: Zone = { id: 'z', name: 'Z', areaSqFt: 1000, grass: 'tall-fescue', texture: 'loam' };
const samples = fc.array(
  fc.record({
    ph: fc.integer({ min: 45, max: 85 }),
    k: fc.integer({ min: 1, max: 400 }),
    depth: fc.constantFrom(3, 4, 6),
  }),
  { minLength: 1, maxLength: 8 },
);

/** The K of each sample in ppm as read from a table. */
function potassium(text: string): number[] {
  const rows = Papa.parse<string[]>(text).data;
  const reading = guessReading(rows);
  if (isRefusal(reading)) throw new Error(reading.refused);
  const reader = new TableReader(reading);
  rows.slice(reading.headerRow + 1).forEach((row, i) => reader.take(row, i + 2));
  reader.finish();
  expect(reader.rejected).toEqual([]);
  return reader.samples.map((s) => {
    const read = interpretZone(zone, testFrom(s, 's', 'z', '2027-01-01'));
    return read.findings.find((f) => f.analyte === 'K')?.value ?? NaN;
  });
}

describe('any table', () => {
  it('means the same in ppm, in lb/acre and with decimal commas', () => {
    fc.assert(
      fc.property(samples, (soils) => {
        const ppm = `Sample,pH,K (ppm; Mehlich-3)\n${soils.map((s, i) => `S${i},${s.ph / 10},${s.k}`).join('\n')}`;
        const acre = `Sample,Depth,pH,K lb/A Mehlich 3\n${soils.map((s, i) => `S${i},0-${s.depth} in,${s.ph / 10},${(s.k * 2).toFixed(6)}`).join('\n')}`;
        const comma = `Sample;pH;K mg/kg Mehlich III\n${soils.map((s, i) => `S${i};${String(s.ph / 10).replace('.', ',')};${s.k},0`).join('\n')}`;
        const expected = soils.map((s) => s.k);
        for (const text of [ppm, acre, comma])
          potassium(text).forEach((k, i) => expect(k).toBeCloseTo(expected[i] as number, 3));
      }),
      { numRuns: 60 },
    );
  });
  it('never throws, whatever text it is given', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string({ maxLength: 12 }), { maxLength: 6 }), { maxLength: 12 }), (rows) => {
        const reading = guessReading([['Sample', 'pH', 'K (ppm)'], ...rows]);
        if (isRefusal(reading)) return;
        const reader = new TableReader(reading);
        rows.forEach((row, i) => reader.take(row, i + 2));
        reader.finish();
        expect(reader.samples.length + reader.rejected.length).toBeLessThanOrEqual(rows.length);
        for (const { results } of reader.samples)
          for (const { value } of results) expect(Number.isFinite(value)).toBe(true);
      }),
    );
  });
  it('reads headers, days and depths without ever throwing', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        readHeader(text);
        const day = dayFrom(text, 'day-first');
        const depth = depthFrom(text);
        return (day === undefined || /^\d{4}-\d\d-\d\d$/.test(day)) && (depth === undefined || Number.isFinite(depth));
      }),
    );
  });
  it('reads a number as it was written, by either mark', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9_999_999 }), (n) => {
        const value = n / 100;
        const grouped = value.toLocaleString('en-US', { minimumFractionDigits: 2 });
        const european = grouped.replaceAll(',', ' ').replace('.', ',');
        return (
          numberFrom(value.toFixed(2), '.') === value &&
          numberFrom(grouped, '.') === value &&
          numberFrom(european, ',') === value
        );
      }),
    );
  });
});
