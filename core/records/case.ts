import * as yup from 'yup';
import { type Refusal, isRefusal, refuse } from '../reckoning/refusal';
import { MOST } from './most';
import { codeSchema } from './code-schema';
import { choicesSchema, planSchema } from './plan-schema';
import { operatorSchema } from './operator-schema';
import { productSchema } from './product-schema';
import { propertySchema } from './property-schema';
import { recordVersionSchema } from './record-schema';
import { runSchema } from './run-schema';
import { sampleSchema } from './sample-schema';
import { checkShape, list, num, word } from './strict-schema';
import { spreaderSchema } from './spreader-schema';
import { soilTestSchema } from './soil-test-schema';
import { zoneSchema } from './zone-schema';

/** The records of a property, as the database keeps them and the case file carries them. Keys carry their unit. */
export * from './code-schema';
export * from './plan-schema';
export * from './product-schema';
export * from './property-schema';
export * from './record-schema';
export * from './run-schema';
export * from './sample-schema';
export * from './soil-test-schema';
export * from './vocabularies';
export * from './zone-schema';

export const CASE_FORMAT = 'ubertas-case';
export const CASE_VERSION = 1;

export const caseSchema = yup.object({
  format: word('Format', [CASE_FORMAT]).required('This file does not say that it is a ubertas-case file.'),
  version: num('Version', { min: 1, max: 1, integer: true }).required('The file does not say its version.'),
  property: propertySchema.required('The file holds no property.'),
  zones: list('Zones', zoneSchema, MOST.zones).required('The file holds no list of zones.'),
  soilTests: list('Soil reports', soilTestSchema, MOST.soilTests).optional(),
  samples: list('Samples', sampleSchema, MOST.samples).optional(),
  products: list('Products', productSchema, MOST.products).optional(),
  codes: list('Local codes', codeSchema, MOST.codes).optional(),
  choices: choicesSchema.optional().default(undefined),
  plans: list('Plans', planSchema, MOST.plans).optional(),
  runs: list('Runs', runSchema, MOST.runs).optional(),
  /** Versions of the log's records, each as it was written. */
  records: list('Records', recordVersionSchema, MOST.records).optional(),
  /** Of the agronomist and not of the property: a file may bring them, so that its jobs can be gone about as they are here. */
  operators: list('People', operatorSchema, MOST.ofTheKit).optional(),
  spreaders: list('Spreaders', spreaderSchema, MOST.ofTheKit).optional(),
});
export type Case = yup.InferType<typeof caseSchema>;

function firstDuplicate(ids: readonly string[]): string | undefined {
  const seen = new Set<string>();
  return ids.find((each) => seen.size === seen.add(each).size);
}

/** Checks that a value is a whole, consistent case: shape, ids unique, every reference found. */
export function checkCase(value: unknown): Case | Refusal {
  if (typeof value !== 'object' || value === null || (value as { format?: unknown }).format !== CASE_FORMAT)
    return refuse(
      'format',
      'This is not a ubertas-case file. Choose a file that Ubertas saved, or type the report in Read.',
    );
  if (
    typeof (value as { version?: unknown }).version === 'number' &&
    (value as { version: number }).version > CASE_VERSION
  )
    return refuse(
      'version',
      `The file was saved by a newer Ubertas (version ${(value as { version: number }).version}). Update this one, then open it again.`,
    );
  const checked = checkShape(caseSchema as yup.Schema<Case>, value);
  if (isRefusal(checked)) return checked;
  for (const [what, records] of [
    ['zones', checked.zones],
    ['soilTests', checked.soilTests],
    ['samples', checked.samples],
    ['products', checked.products],
    ['plans', checked.plans],
    ['runs', checked.runs],
    ['records', checked.records?.map(({ versionId: id }) => ({ id }))],
    ['codes', checked.codes],
    ...checked.zones.map((zone, i) => [`zones[${i}].cutOuts`, zone.cutOuts] as const),
    ['property.site.water', checked.property.site?.water],
    ['property.site.context', checked.property.site?.context],
  ] as const) {
    const twin = firstDuplicate((records ?? []).map((r) => r.id));
    if (twin !== undefined) return refuse(what, `Two entries of ${what} share the id "${twin}". Each needs its own.`);
  }
  const zoneIds = new Set(checked.zones.map((z) => z.id));
  for (const [what, records] of [
    ['soilTests', checked.soilTests],
    ['samples', checked.samples],
    ['runs', checked.runs],
  ] as const)
    for (const [i, record] of (records ?? []).entries())
      if (!zoneIds.has(record.zoneId))
        return refuse(
          `${what}[${i}].zoneId`,
          `${{ samples: 'Sample', runs: 'Run', soilTests: 'Soil report' }[what]} "${record.id}" names zone "${record.zoneId}", which the file does not hold.`,
        );
  return checked;
}
