import { describe, expect, it } from 'vitest';
import type { SoilTest } from '@core/records/case';
import { reportFromTyped, typedFromReport, type TypedReport } from './report-from-typed';
import { usUnits } from '../../../ui/format';

const typed = (change: Partial<TypedReport> = {}): TypedReport => ({
  ...typedFromReport(undefined, '2027-03-01', usUnits),
  unit: 'ppm',
  bufferMethod: 'mehlich',
  values: { pH: '5.6', 'buffer-pH': '6.32', K: '44', OM: '3.1' },
  ...change,
});
const faults = (change: Partial<TypedReport>) => {
  const answer = reportFromTyped(typed(change), 'z', undefined, [], usUnits);
  return 'faults' in answer ? answer.faults : {};
};

describe('a typed report', () => {
  it('becomes results with units and methods', () => {
    expect(reportFromTyped(typed(), 'z', undefined, [], usUnits)).toEqual({
      test: {
        id: 'z-2027-03-01',
        zoneId: 'z',
        sampledOn: '2027-03-01',
        depthIn: 4,
        results: [
          { analyte: 'pH', value: 5.6, method: 'water-1:1' },
          { analyte: 'buffer-pH', value: 6.32, method: 'mehlich' },
          { analyte: 'K', value: 44, unit: 'ppm', method: 'mehlich-3' },
          { analyte: 'OM', value: 3.1, unit: '%' },
        ],
      },
    });
  });
  it('keeps a value under the limit with its sign', () => {
    expect(reportFromTyped(typed({ values: { Zn: '<0.5' } }), 'z', undefined, [], usUnits)).toMatchObject({
      test: { results: [{ analyte: 'Zn', value: 0.5, qualifier: '<' }] },
    });
  });
  it.each<[string, Partial<TypedReport>, string, string]>([
    ['letters in a number', { values: { K: '4o' } }, 'K', 'must be a number'],
    ['two commas in a number', { values: { pH: '5,6,1' } }, 'pH', 'must be a number'],
    ['pH 15', { values: { pH: '15' } }, 'pH', 'not a soil'],
    ['a Mehlich buffer above its start', { values: { 'buffer-pH': '7.2' } }, 'buffer-pH', '6.6'],
    ['an Adams-Evans buffer under its readings', { bufferMethod: 'adams-evans' }, 'buffer-pH', 'Adams-Evans'],
    ['a buffer pH without its buffer (judgement A9)', { bufferMethod: '' }, 'bufferMethod', 'Which buffer'],
    ['a report with no unit', { unit: '' }, 'unit', 'ppm, lb/acre'],
    ['a depth of 0', { depth: '0' }, 'depth', 'above 0'],
    ['an empty report', { values: {} }, 'pH', 'at least one'],
    ['no day', { sampledOn: '' }, 'sampledOn', 'day'],
  ])('refuses %s beside its field', (_name, change, field, says) => {
    expect(faults(change)[field]).toContain(says);
  });
  it('reads a decimal comma where nothing else can be meant', () => {
    expect(reportFromTyped(typed({ values: { pH: '5,6' } }), 'z', undefined, [], usUnits)).toMatchObject({
      test: { results: [expect.objectContaining({ analyte: 'pH', value: 5.6 })] },
    });
  });
  it('asks for no buffer where no buffer pH was typed, and starts with none chosen', () => {
    expect(typedFromReport(undefined, '2027-03-01', usUnits).bufferMethod).toBe('');
    expect(faults({ bufferMethod: '', values: { pH: '5.6' } })).toEqual({});
  });
  it('corrects a report without losing what it has no row for', () => {
    const before: SoilTest = {
      id: 's',
      zoneId: 'z',
      sampledOn: '2027-03-01',
      results: [
        { analyte: 'pH', value: 6, method: 'cacl2' },
        { analyte: 'P', value: 9, unit: 'ppm', method: 'olsen' },
        { analyte: 'K', value: 70, unit: 'ppm', method: 'ammonium-acetate' },
        { analyte: 'B', value: 0.6, unit: 'ppm', method: 'hot-water' },
      ],
    };
    const answer = reportFromTyped(typedFromReport(before, '2027-04-01', usUnits), 'z', before, ['s'], usUnits);
    expect('test' in answer && [...answer.test.results].sort((a, b) => a.analyte.localeCompare(b.analyte))).toEqual(
      [...before.results].sort((a, b) => a.analyte.localeCompare(b.analyte)),
    );
  });
});
