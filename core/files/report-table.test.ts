import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { isRefusal } from '../reckoning/refusal';
import { decodeText } from './decode-text';
import { numberFrom } from './report-row';
import { readHeader } from './report-header';
import { guessReading, needsBuffer, TableReader, type TableReading, testFrom } from './report-table';
import { dayFrom, orderOfDays } from '../typed/typed-day';
import { depthFrom } from '../typed/typed-depth';

const rowsOf = (text: string) => Papa.parse<string[]>(text).data;
function read(text: string, change: Partial<TableReading> = {}) {
  const rows = rowsOf(text);
  const guess = guessReading(rows);
  if (isRefusal(guess)) throw new Error(guess.refused);
  const reading = { ...guess, ...change };
  const reader = new TableReader(reading);
  rows.slice(reading.headerRow + 1).forEach((row, i) => reader.take(row, reading.headerRow + 2 + i));
  reader.finish();
  return { reading, ...reader };
}

describe('a header', () => {
  it.each<[string, object]>([
    ['K (ppm, Mehlich-3)', { analyte: 'K', unit: 'ppm', method: 'mehlich-3' }],
    ['P µg/g Mehlich III', { analyte: 'P', unit: 'ppm', method: 'mehlich-3' }],
    ['P lb/A', { analyte: 'P', unit: 'lb/acre' }],
    ['Mg meq/100g NH4OAc', { analyte: 'Mg', unit: 'cmolc/kg', method: 'ammonium-acetate' }],
    ['P Bray (ppm)', { analyte: 'P', method: 'bray-p1' }],
    ['pH CaCl2', { analyte: 'pH', method: 'cacl2' }],
    ['SMP index', { analyte: 'buffer-pH', method: 'smp', scale: 0.1 }],
    ['Free lime %', { analyte: 'CaCO3', unit: '%' }],
    ['Soluble salts (dS/m)', { analyte: 'EC', unit: 'dS/m' }],
    ['Depth cm', { fact: 'depthIn', scale: 1 / 2.54 }],
    ['Depth (in)', { fact: 'depthIn' }],
    ['Bag', { fact: 'sample' }],
    ['Client', { fact: 'property' }],
    ['K2O lb/A', { kind: 'other', why: expect.stringContaining('oxide') }],
    ['constructor', { kind: 'other' }],
    ['W/V (g/cm3)', { fact: 'scoopGPerCm3' }],
    ['Basis depth in', { fact: 'basisDepthIn' }],
    // 2000 lb on 43.56 thousand square feet
    ['Lime recommendation (tons/acre)', { fact: 'limeLb', scale: 2000 / 43.56 }],
    ['Lime rec lb/1000 sq ft', { fact: 'limeLb', scale: 1 }],
    ['Recommended K2O (lbs/A)', { fact: 'K2OLb', scale: 1 / 43.56 }],
    ['N recommended lb/M', { fact: 'NLb', scale: 1 }],
    ['Lime requirement', { kind: 'other', why: expect.stringContaining('without a unit') }],
  ])('%s', (header, column) => expect(readHeader(header)).toMatchObject(column));
});

describe('cells', () => {
  it.each<[string, '.' | ',', number]>([
    ['5.6', '.', 5.6],
    ['1,250', '.', 1250],
    ['1,250.5', '.', 1250.5],
    ['5,6', ',', 5.6],
    ['1.250,5', ',', 1250.5],
    ['1 250', ',', 1250],
    ['5.6', ',', NaN],
    ['5,6', '.', NaN],
    ['4o', '.', NaN],
  ])('%s with a decimal "%s" is %d', (text, mark, value) => expect(numberFrom(text, mark)).toEqual(value));
  it.each<[string, number | undefined]>([
    ['4', 4],
    ['0-4 in', 4],
    ['0 to 4 inches', 4],
    ['0-10 cm', 10 / 2.54],
    ['6 2/3', 20 / 3],
    ['6⅔ in', 20 / 3],
    ['4"', 4],
    ['deep', undefined],
  ])('depth %s', (text, inches) => {
    if (inches === undefined) expect(depthFrom(text)).toBeUndefined();
    else expect(depthFrom(text)).toBeCloseTo(inches, 9);
  });
  it('days in the orders of the world', () => {
    expect(dayFrom('10/12/2026', 'month-first')).toBe('2026-10-12');
    expect(dayFrom('10/12/2026', 'day-first')).toBe('2026-12-10');
    expect(dayFrom('2 Mar 2027', 'month-first')).toBe('2027-03-02');
    expect(dayFrom('2027-03-02T09:10:00', 'month-first')).toBe('2027-03-02');
    expect(dayFrom('31/02/2027', 'day-first')).toBeUndefined();
    expect(orderOfDays(['3/4/2027', '13/4/2027'])).toBe('day-first');
    expect(orderOfDays(['3/4/2027'])).toBe('month-first');
    expect(orderOfDays(['3.4.2027'])).toBe('day-first');
  });
  it('bytes of older software', () => {
    expect(decodeText(Uint8Array.of(0xb5, 0x67, 0x2f, 0x67))).toEqual({ text: 'µg/g', encoding: 'Windows-1252' });
    expect(decodeText(Uint8Array.of(0xff, 0xfe, 0x4b, 0x00)).text).toBe('K');
    expect(decodeText(new TextEncoder().encode('½')).encoding).toBe('UTF-8');
  });
});

describe('a table', () => {
  it('is found below its notes, which say depth, unit and extractant for all', () => {
    const { reading, samples } = read(
      'Some laboratory\n"Cores to a depth of 0-3 in. Results in lb/acre, extracted by Mehlich 3"\n\nBag,pH,K\nA-1,6.1,120\n',
    );
    expect(reading).toMatchObject({ headerRow: 3, unit: 'lb/acre', method: 'mehlich-3' });
    expect(samples).toMatchObject([
      {
        sample: 'A-1',
        depthIn: 3,
        results: [{ analyte: 'pH' }, { analyte: 'K', unit: 'lb/acre', method: 'mehlich-3', value: 120 }],
      },
    ]);
  });
  it('keeps what is good and says what is wrong with the rest, by line', () => {
    const { samples, rejected } = read(
      'Sample,pH,K (ppm),Zn (ppm),Date\nA,6.1,44,<0.5,2027-03-02\nB,61,44,1,2027-03-02\nC,6.2,many,1,2027-03-02\nD,6.3,50,ND,someday\n\nE,,,,\nF,6.4,-3,1,2027-03-02\n',
    );
    expect(samples.map((s) => s.sample)).toEqual(['A']);
    expect(samples[0]?.results.find((r) => r.analyte === 'Zn')).toMatchObject({ value: 0.5, qualifier: '<' });
    expect(rejected.map((r) => [r.line, r.why])).toEqual([
      [3, expect.stringContaining('pH 61')],
      [4, expect.stringContaining('"many"')],
      [5, expect.stringContaining('someday')],
      [7, expect.stringContaining('no result')],
      [8, expect.stringContaining('never negative')],
    ]);
  });
  it('gathers a long table into samples, and keeps a strange parameter out', () => {
    const { samples, rejected, reading } = read(
      'Sample;Parameter;Result;Units;Method\nA;pH;6,1;;\nB;pH;5,9;;\nA;K;44,5;mg/kg;Mehlich 3\nA;Gold;3;ppm;\nB;Zn;<0,5;ppm;DTPA\n',
    );
    expect(reading).toMatchObject({ layout: 'long', decimal: ',' });
    expect(samples.map((s) => [s.sample, s.results.length])).toEqual([
      ['A', 2],
      ['B', 2],
    ]);
    expect(samples[0]?.results[1]).toMatchObject({ analyte: 'K', value: 44.5, unit: 'ppm', method: 'mehlich-3' });
    expect(rejected).toMatchObject([{ line: 5, why: expect.stringContaining('Gold') }]);
  });
  it('wants a unit before it reads a nutrient, and takes the one a person chose', () => {
    const text = 'Sample,K\nA,44\n';
    expect(read(text).rejected).toMatchObject([{ why: expect.stringContaining('K has no unit') }]);
    expect(read(text, { unit: 'ppm', method: 'mehlich-3' }).samples).toHaveLength(1);
  });
  it.each(['', 'a,b\n1,2\n', 'just words', '{"format":"ubertas-case"}'])('is not found in %j', (text) => {
    expect(guessReading(rowsOf(text))).toMatchObject({ field: 'header' });
  });
});

describe('what a row says beside its results', () => {
  const head = 'Bag,pH,K (mg/dm3 Mehlich-3),W/V,Basis depth,Lime rec (tons/acre),Recommended P2O5 lb/1000';
  it('the scoop, the depth of the basis and the laboratory’s advice come with the report, in lb/1000 ft2', () => {
    const { samples } = read(`${head}\nB1,5.4,60,1.2,8,1,0.5\nB2,6.1,70,,,,`);
    expect(samples[0]).toMatchObject({ scoopGPerCm3: 1.2, basisDepthIn: 8, labAdvice: { P2O5Lb: 0.5 } });
    expect(samples[0]!.labAdvice!.limeLb).toBeCloseTo(45.914, 3);
    expect(testFrom(samples[0]!, 't', 'z', '2026-11-10')).toMatchObject({ scoopGPerCm3: 1.2, basisDepthIn: 8 });
    expect(samples[1]).not.toHaveProperty('labAdvice');
    expect(samples[1]).not.toHaveProperty('scoopGPerCm3');
  });
  it('a number that is none is refused by its line, and nothing else', () => {
    const { samples, rejected } = read(`${head}\nB1,5.4,60,heavy,8,1,0.5\nB2,6.1,70,1.1,,,`);
    expect(samples.map((s) => s.sample)).toEqual(['B2']);
    expect(rejected[0]).toMatchObject({ line: 2, field: 'scoopGPerCm3' });
  });
});

describe('the buffer of a table', () => {
  const header = ['Sample', 'pH', 'BpH', 'K ppm'];
  const guess = (...notes: string[]) =>
    guessReading([...notes.map((note) => [note]), header, ['a', '5.6', '6.4', '80']]);
  it('is the one that a note above the table names, and not the extractant named beside it', () => {
    expect(guess('Nutrients by Mehlich 3; BpH in the SMP buffer')).toMatchObject({
      method: 'mehlich-3',
      bufferMethod: 'smp',
    });
    expect(guess('Buffer pH: Adams-Evans')).toMatchObject({ bufferMethod: 'adams-evans' });
  });
  it('is asked for where nothing names it', () => {
    const unnamed = guess('Nutrients by Mehlich 3');
    if (isRefusal(unnamed)) throw new Error(unnamed.refused);
    expect(unnamed.bufferMethod).toBe('');
    expect(needsBuffer(unnamed)).toBe(true);
    expect(needsBuffer({ ...unnamed, bufferMethod: 'smp' })).toBe(false);
    const named = guessReading([
      ['Sample', 'pH', 'Buffer pH (SMP)'],
      ['a', '5.6', '6.4'],
    ]);
    expect(!isRefusal(named) && needsBuffer(named)).toBe(false);
  });
});
