import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { printCase, readCase } from './case-file';
import { LARGEST } from './largest-file';
import { checkCase } from '../records/case';
import { newId } from '../records/new-id';
import { typedNumber } from '../typed/typed-number';

const source = readFileSync('demo/quarry-lane-school.json', 'utf8');
type Loose = Record<string, unknown> & {
  zones: Record<string, unknown>[];
  soilTests: { results: Record<string, unknown>[] }[];
};
const changed = (change: (given: Loose) => void) => {
  const given = JSON.parse(source) as Loose;
  change(given);
  return checkCase(given);
};

describe('a case file', () => {
  it('reads what it prints', () => {
    const read = readCase(source);
    if ('refused' in read) throw new Error(read.refused);
    expect(readCase(printCase(read))).toEqual(read);
  });

  it.each<[string, (given: Loose) => void, string, string]>([
    ['another format', (g) => (g.format = 'something-else'), 'format', 'not a ubertas-case'],
    ['a newer version', (g) => (g.version = 2), 'version', 'newer'],
    ['a mistyped key', (g) => (g.zones[0]!.areaSqft = 1), 'zones[0].areaSqft', 'areaSqFt'],
    ['a number in quotes', (g) => (g.zones[0]!.areaSqFt = '6480'), 'zones[0].areaSqFt', 'without quotes'],
    ['a null', (g) => (g.zones[0]!.ageYears = null), 'zones[0].ageYears', 'empty'],
    ['a negative area', (g) => (g.zones[0]!.areaSqFt = -5), 'zones[0].areaSqFt', 'above 0'],
    ['an unknown grass', (g) => (g.zones[0]!.grass = 'clover'), 'zones[0].grass', 'must be one of'],
    ['pH 15', (g) => (g.soilTests[0]!.results[0]!.value = 15), 'soilTests[0].results[0].value', 'not a soil'],
    [
      'a nutrient without a unit',
      (g) => delete g.soilTests[0]!.results[2]!.unit,
      'soilTests[0].results[2].unit',
      'no unit',
    ],
    [
      'a day that does not exist',
      (g) => ((g.soilTests[0] as unknown as Record<string, unknown>).sampledOn = '2027-02-30'),
      'soilTests[0].sampledOn',
      '2027-03-02',
    ],
    ['two zones of one id', (g) => (g.zones[1]!.id = 'south-lawn'), 'zones', 'share the id'],
    [
      'a report of a zone that is not there',
      (g) => ((g.soilTests[0] as unknown as Record<string, unknown>).zoneId = 'gone'),
      'soilTests[0].zoneId',
      'does not hold',
    ],
    ['no zones', (g) => delete (g as Partial<Loose>).zones, 'zones', 'zones'],
  ])('refuses %s, naming where', (_name, change, field, says) => {
    expect(changed(change)).toMatchObject({ field, refused: expect.stringContaining(says) });
  });

  it('refuses a label whose nitrogen forms do not add up', () => {
    expect(changed((g) => ((g.products as { nitrogen: object }[])[0]!.nitrogen = { urea: 40 }))).toMatchObject({
      field: 'products[0].nitrogen',
      refused: expect.stringContaining('add up to 40 %'),
    });
  });

  it('refuses hostile and broken text without harm', () => {
    expect(readCase('{')).toMatchObject({ refused: expect.stringContaining('broken') });
    expect(readCase('[]')).toMatchObject({ field: 'format' });
    expect(readCase(source.replace('"property": {', '"property": { "__proto__": {"x": 1},'))).toMatchObject({
      refused: expect.stringContaining('__proto__'),
    });
    expect(readCase(source.replace('"areaSqFt": 11200', '"areaSqFt": 1e999'))).toMatchObject({
      field: 'zones[1].areaSqFt',
    });
    expect(readCase('['.repeat(200_000))).toHaveProperty('refused');
    expect(readCase({ length: LARGEST.case.bytes + 1 } as string)).toMatchObject({
      refused: expect.stringContaining('400 MB'),
    });
  });

  it('never throws, whatever JSON it is given', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(checkCase(value)).toHaveProperty('refused');
      }),
    );
    fc.assert(
      fc.property(
        fc.jsonValue(),
        fc.constantFrom('zones', 'soilTests', 'products', 'codes', 'choices', 'property', 'plans'),
        (value, key) => void checkCase({ ...(JSON.parse(source) as object), [key]: value }),
      ),
    );
  });
});

describe('a typed number', () => {
  it.each([
    ['5.6', 5.6],
    ['1,250.5', 1250.5],
    [' 12 ', 12],
    ['−3', -3],
    ['.5', 0.5],
    ['', undefined],
  ])('reads "%s"', (text, value) => expect(typedNumber(text, 'X', 'x')).toBe(value));
  it.each(['12o', '5,6', '1e5', '--2', '0x10', '5.6.7', 'NaN'])('refuses "%s" with a sentence', (text) =>
    expect(typedNumber(text, 'X', 'x')).toMatchObject({ field: 'x', refused: expect.stringContaining('X') }),
  );
  it('reads back any plain number', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1_000_000, max: 1_000_000 }), (n) => {
        expect(typedNumber((n / 100).toFixed(2), 'X', 'x')).toBeCloseTo(n / 100, 9);
      }),
    );
  });
});

describe('a new id', () => {
  it('is readable and free', () => {
    expect(newId('Südrasen 2!', [])).toBe('sudrasen-2');
    expect(newId('South lawn', ['south-lawn', 'south-lawn-2'])).toBe('south-lawn-3');
    expect(newId('!!!', [])).toBe('unnamed');
  });
});
