import { describe, expect, it } from 'vitest';
import type { Conflict } from '../storage/changes';
import { differencesBetween, merged } from './conflict-fields';

const zone = { id: 'z', name: 'Bank', areaSqFt: 900, grass: 'tall-fescue', texture: 'loam', changedAt: 'a' };
const conflict = (over: Partial<Conflict>): Conflict => ({
  propertyId: 'p',
  kind: 'zones',
  what: 'The zone',
  id: 'z',
  mine: zone,
  theirs: zone,
  ...over,
});

describe('two versions of a zone', () => {
  const both = conflict({
    mine: { ...zone, name: 'River bank', areaSqFt: 800, cornersFt: [[0, 0]], changedAt: 'a' },
    theirs: { ...zone, care: 'high', changedAt: 'b' },
  });
  it('differ field by field, the ground as one', () => {
    expect(differencesBetween(both).map(({ name, mine, theirs }) => [name, mine, theirs])).toEqual([
      ['Name', 'River bank', 'Bank'],
      ['Care', 'nothing', 'high'],
      ['The ground', 'area sq ft 800; corners ft 1 entry', 'area sq ft 900; corners ft nothing'],
    ]);
  });
  it('become one record of the fields that were chosen', () => {
    const [name, , ground] = differencesBetween(both);
    expect(merged(both, [name!])).toMatchObject({ name: 'River bank', areaSqFt: 900, care: 'high' });
    expect(merged(both, [ground!])).toMatchObject({ name: 'Bank', areaSqFt: 800, cornersFt: [[0, 0]], care: 'high' });
  });
  it('that was deleted leave nothing to choose from', () => {
    expect(differencesBetween(conflict({ theirs: undefined }))).toEqual([]);
  });
});

describe('two versions of a report', () => {
  const result = (analyte: string, value: number) => ({ analyte, value });
  const report = { id: 't', zoneId: 'z', sampledOn: '2027-03-02', results: [result('pH', 6), result('K', 80)] };
  const both = conflict({
    kind: 'soilTests',
    mine: { ...report, results: [result('pH', 6.4), result('K', 80)] },
    theirs: { ...report, results: [result('pH', 6), result('K', 95), result('P', 12)] },
  });
  it('differ analyte by analyte, and keep what each corrected', () => {
    const differences = differencesBetween(both);
    expect(differences.map((d) => d.keys[0])).toEqual(['pH', 'K', 'P']);
    expect(merged(both, [differences[0]!])).toEqual({
      ...report,
      results: [result('pH', 6.4), result('K', 95), result('P', 12)],
    });
  });
});
