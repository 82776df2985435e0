import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import type * as yup from 'yup';
import { describe, expect, it } from 'vitest';
import { isRefusal } from '../reckoning/refusal';
import {
  type Case,
  caseSchema,
  choicesSchema,
  climateSchema,
  codeSchema,
  ownFigureSchema,
  planSchema,
  productSchema,
  propertySchema,
  sampleSchema,
  type SoilTest,
  soilTestFault,
  soilTestSchema,
  zoneSchema,
} from './case';
import { checkShape } from './strict-schema';

/** Days and months as people and files get them wrong. */
const wrongDay = fc.oneof(
  fc.stringMatching(/^\d{4}-\d\d-\d\d$/),
  fc.stringMatching(/^\d\d-\d\d$/),
  fc.constantFrom('2027-13-01', '2027-02-30', '0000-00-00', '9999-99-99', '13-40'),
);
const anything = fc.oneof(fc.jsonValue(), wrongDay, fc.constantFrom(NaN, Infinity, -Infinity, undefined, null));

const demos = readdirSync('demo').map((name) => JSON.parse(readFileSync(`demo/${name}`, 'utf8')) as Case);
const first = <K extends 'zones' | 'soilTests' | 'products' | 'codes' | 'plans'>(key: K) =>
  demos.flatMap((each) => (each[key] ?? []) as object[])[0] ?? {};

const SCHEMAS: readonly (readonly [string, yup.AnySchema, object])[] = [
  ['case', caseSchema, demos[0]!],
  ['property', propertySchema, demos[0]!.property],
  ['climate', climateSchema, demos[0]!.property.climate!],
  ['zone', zoneSchema, first('zones')],
  ['soil report', soilTestSchema, first('soilTests')],
  ['product', productSchema, first('products')],
  ['local code', codeSchema, first('codes')],
  [
    'plan',
    planSchema,
    { id: 'p', year: 2027, doses: [{ zoneId: 'z', date: '2027-04-05', productId: 'u', for: 'N', rateLb: 2 }] },
  ],
  ['sample', sampleSchema, { id: 's', zoneId: 'z', code: 'A-1', takenOn: '2027-03-02' }],
  ['choices', choicesSchema, { year: 2027, school: 'minimum', maxTrips: 4 }],
  ['override', ownFigureSchema, { line: 'lime', value: 20, reason: 'the laboratory says so', on: '2027-03-02' }],
];

/** Every place in a record, as a path of keys. */
const placesIn = (value: unknown, path: readonly (string | number)[] = []): (string | number)[][] =>
  typeof value !== 'object' || value === null
    ? [[...path]]
    : [
        ...(path.length > 0 ? [[...path]] : []),
        ...Object.entries(value).flatMap(([k, v]) => placesIn(v, [...path, k])),
      ];

function withValueAt(record: object, path: readonly (string | number)[], value: unknown): object {
  const copy = structuredClone(record) as Record<string, unknown>;
  let at: Record<string, unknown> = copy;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>;
  at[path.at(-1)!] = value;
  return copy;
}

describe.each(SCHEMAS)('the schema of a %s', (_name, schema, valid) => {
  const places = placesIn(valid).slice(0, 400);
  it('takes a good record', () => expect(isRefusal(checkShape(schema as yup.Schema<unknown>, valid))).toBe(false));
  it('answers anything at all with the value or a sentence, and never throws', () => {
    fc.assert(
      fc.property(anything, (value) => {
        const answer = checkShape(schema as yup.Schema<unknown>, value);
        if (isRefusal(answer)) expect(answer.refused).toMatch(/\S/);
      }),
      { numRuns: 200 },
    );
  });
  it('answers a good record with one wrong place in it likewise', () => {
    fc.assert(
      fc.property(fc.constantFrom(...places), anything, (place, value) => {
        const answer = checkShape(schema as yup.Schema<unknown>, withValueAt(valid, place, value));
        if (isRefusal(answer)) expect(answer.refused).toMatch(/\S/);
      }),
      { numRuns: 300 },
    );
  });
});

describe('the quick check of a report', () => {
  const analytes = ['pH', 'buffer-pH', 'K', 'Al', 'OM', 'CEC'] as const;
  const report = fc.record({
    id: fc.constant('t'),
    zoneId: fc.constant('z'),
    sampledOn: fc.oneof(fc.constant('2027-03-02'), wrongDay),
    depthIn: fc.option(fc.double({ min: -2, max: 14, noNaN: false }), { nil: undefined }),
    lab: fc.option(fc.string({ maxLength: 140 }), { nil: undefined }),
    results: fc.array(
      fc.record({
        analyte: fc.constantFrom(...analytes),
        value: fc.oneof(fc.double({ min: -1, max: 14, noNaN: true }), fc.constantFrom(5_000_000, 1_000_000, 0)),
        unit: fc.option(fc.constantFrom('ppm' as const, '%' as const), { nil: undefined }),
      }),
      { maxLength: 62 },
    ),
  });
  it('says the same as its schema for whatever a table may hold', () => {
    fc.assert(
      fc.property(report, (test) => {
        const slow = isRefusal(checkShape(soilTestSchema as yup.Schema<SoilTest>, test as SoilTest));
        expect(soilTestFault(test as SoilTest) !== undefined).toBe(slow);
      }),
      { numRuns: 500 },
    );
  });
});
