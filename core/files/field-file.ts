import { sha256 } from '@noble/hashes/sha2.js';
import { base32nopad } from '@scure/base';
import * as yup from 'yup';
import { addDays, type IsoDay } from '../days/day';
import { jobsOf } from '../field/jobs';
import { asStored } from '../log/applied';
import { recordsOf } from '../log/versions';
import { type Refusal, isRefusal, refuse } from '../reckoning/refusal';
import { CASE_FORMAT, CASE_VERSION, type Case, checkCase } from '../records/case';
import { codeSchema } from '../records/code-schema';
import { MOST } from '../records/most';
import { operatorSchema } from '../records/operator-schema';
import { plannedDoseSchema } from '../records/plan-schema';
import { productSchema } from '../records/product-schema';
import { climateSchema, siteSchema } from '../records/property-schema';
import { moment, recordVersionSchema } from '../records/record-schema';
import { spreaderSchema } from '../records/spreader-schema';
import { checkShape, id, isoDay, list, num, text, word } from '../records/strict-schema';
import { zoneSchema } from '../records/zone-schema';
import { planSeason } from '../season/draft/plan-season';
import { doseKey } from '../season/plan/dose-key';
import { currentPlan } from '../season/plan/current-plan';
import { withDoses } from '../season/plan/with-doses';
import { refuseLog } from './check-log';

/**
 * A pack: the jobs of some days with all that is needed to carry them out, for a browser that has none of it. What is done there comes back as
 * a log, and is merged by the names of its versions.
 */

export const FIELD_FORMAT = 'ubertas-field';
/** What went down so many days before is packed too: the wait between two feedings goes by it, twice its usual 28. Decision. */
const BEFORE_DAYS = 60;
export const MOST_PACK_DAYS = 366;

export const fieldFileSchema = yup.object({
  format: word('Format', [FIELD_FORMAT]).required('This file does not say that it is a ubertas-field file.'),
  version: num('Version', { min: 1, max: 1, integer: true }).required('The file does not say its version.'),
  packId: text('Pack', 80).required('The pack has no name.'),
  madeAt: moment('Made').required('The file does not say when it was made.'),
  from: isoDay('From').required('The pack does not say its first day.'),
  to: isoDay('To').required('The pack does not say its last day.'),
  property: yup
    .object({
      id: id('Property'),
      /** Left out where the client's name stays at the desk; the code stands for it. */
      name: text('Property name', 120).optional(),
      code: text('Code', 40).required('A property of a pack needs its code.'),
      latitudeDeg: num('Latitude', { min: -90, max: 90, unit: 'degrees' }).optional(),
      climate: climateSchema.optional().default(undefined),
      site: siteSchema.optional().default(undefined),
    })
    .required('The pack holds no property.'),
  zones: list('Zones', zoneSchema, MOST.zones).required('The pack holds no zones.'),
  products: list('Products', productSchema, MOST.products).required('The pack holds no products.'),
  codes: list('Local codes', codeSchema, MOST.codes).optional(),
  /** Doses of the kept plan that are still to come in its days. */
  jobs: list('Jobs', plannedDoseSchema, MOST.doses).required('The pack holds no list of jobs.'),
  spreaders: list('Spreaders', spreaderSchema, MOST.ofTheKit).optional(),
  operators: list('People', operatorSchema, MOST.ofTheKit).optional(),
  /** What went down lately, as the log has it. */
  versions: list('Versions', recordVersionSchema, MOST.records).optional(),
  /** Versions that came back and are here: the other browser may forget them. */
  received: list('Received', text('Version', 28).required(), MOST.records).optional(),
});
export type FieldFile = yup.InferType<typeof fieldFileSchema>;

/** What stands for a property whose name stays at the desk: the same on every browser. codeOfProperty('quarry-lane-school') is always the same six letters. */
export const codeOfProperty = (propertyId: string): string =>
  base32nopad.encode(sha256(new TextEncoder().encode(propertyId))).slice(0, 6);

export interface PackAsked {
  from: IsoDay;
  days: number;
  madeAt: string;
  /** The client's name, address and notes stay here. */
  withoutNames?: boolean;
  received?: readonly string[];
}

/**
 * The pack of some days of a property, from a case that knows what was given (`withGiven`). Refused where the year has no kept plan, or where
 * nothing is due in those days.
 *
 * @param fileId what files know the property by
 */
export function packOf(
  file: Case & { fileId?: string },
  { from, days, madeAt, withoutNames, received }: PackAsked,
): FieldFile | Refusal {
  if (!Number.isInteger(days) || days < 1 || days > MOST_PACK_DAYS)
    return refuse('days', `A pack is of 1 to ${MOST_PACK_DAYS} days.`);
  const to = addDays(from, days - 1);
  const plan = currentPlan(file, Number(from.slice(0, 4)));
  if (plan?.keptOn === undefined || !plan.doses)
    return refuse('plans', `The plan of ${from.slice(0, 4)} was not saved: jobs come of a saved plan.`);
  const draft = planSeason(file, plan.year, plan.products ?? {}, from, undefined, from);
  // a dose has its week, and a late one its days after it
  const due = jobsOf(file, withDoses(draft, file, plan.doses), true, from).filter(
    ({ state, dose, lastDay }) => !['done', 'missed', 'skipped'].includes(state) && dose.date <= to && lastDay >= from,
  );
  if (due.length === 0) return refuse('days', `Nothing is due from ${from} to ${to}.`);
  const keys = new Set(due.map(({ key }) => key));
  const jobs = plan.doses.filter((dose) => keys.has(doseKey(dose)));
  const zoneIds = new Set(jobs.map(({ zoneId }) => zoneId));
  const productIds = new Set(jobs.map(({ productId }) => productId));
  const lately = recordsOf(file.records ?? []).filter(
    ({ body }) =>
      body.date >= addDays(from, -BEFORE_DAYS) &&
      body.spreadLb !== undefined &&
      body.zoneIds.every((zoneId) => zoneIds.has(zoneId)),
  );
  const fileId = file.fileId ?? file.property.id;
  const { name, latitudeDeg, climate, site } = file.property;
  const { picture: _picture, origin, ...drawn } = site ?? {};
  return JSON.parse(
    JSON.stringify({
      format: FIELD_FORMAT,
      version: 1,
      packId: `${codeOfProperty(fileId)}-${from}-${days}-${madeAt}`.slice(0, 80),
      madeAt,
      from,
      to,
      property: {
        id: fileId,
        ...(withoutNames ? {} : { name }),
        code: codeOfProperty(fileId),
        latitudeDeg,
        climate,
        // where on earth the sheet lies says as much as a name
        ...(site ? { site: { ...drawn, ...(withoutNames ? {} : { origin }) } } : {}),
      },
      zones: file.zones
        .filter((zone) => zoneIds.has(zone.id))
        .map((zone) => ({ ...asStored(zone), changedAt: undefined })),
      products: (file.products ?? [])
        .filter((product) => productIds.has(product.id) && !product.unfinished)
        .map((product) => ({ ...product, changedAt: undefined })),
      codes: file.codes,
      jobs,
      spreaders: file.spreaders,
      operators: file.operators,
      versions: lately.flatMap(({ versions }) => versions),
      ...(received && received.length > 0 ? { received } : {}),
    }),
  ) as FieldFile;
}

/** A pack as it is taken; refused whole where it is none, or where something in it does not belong together. */
export function checkFieldFile(value: unknown): FieldFile | Refusal {
  const head = value as { format?: unknown; version?: unknown } | null;
  if (typeof head !== 'object' || head === null || head.format !== FIELD_FORMAT)
    return refuse('format', 'This is not a ubertas-field file.');
  if (typeof head.version === 'number' && head.version > 1)
    return refuse('version', 'The pack was made by a newer Ubertas. Update this one, then open it again.');
  const checked = checkShape<FieldFile>(fieldFileSchema as yup.Schema<FieldFile>, value);
  if (isRefusal(checked)) return checked;
  const at = checked.jobs.findIndex(
    ({ zoneId, productId }) =>
      !checked.zones.some(({ id: zone }) => zone === zoneId) ||
      !checked.products.some(({ id: product }) => product === productId),
  );
  if (at !== -1)
    return refuse(`jobs[${at}]`, 'A job of the pack names a zone or a product that the pack does not hold.');
  const whole = checkCase(caseOfPack(checked));
  if (isRefusal(whole)) return whole;
  const wrong = refuseLog({ records: checked.versions ?? [] });
  return wrong ? refuse(wrong.field.replace('records', 'versions'), wrong.refused) : checked;
}

/** The property of a pack as any other: with a kept plan of its jobs, so that Field goes about them as it does at the desk. */
export function caseOfPack(pack: FieldFile): Case {
  const { property, madeAt, packId, zones, products, codes, jobs, spreaders, operators, versions } = pack;
  const { code, name, ...rest } = property;
  const years = [...new Set(jobs.map(({ date }) => Number(date.slice(0, 4))))];
  return {
    format: CASE_FORMAT,
    version: CASE_VERSION,
    property: { ...rest, changedAt: undefined, name: name ?? code },
    zones,
    products,
    ...(codes ? { codes } : {}),
    choices: years[0] === undefined ? undefined : { year: years[0] },
    plans: years.map((year) => ({
      id: `${packId}-${year}`.slice(0, 80),
      year,
      keptOn: madeAt.slice(0, 10),
      products: undefined,
      solved: undefined,
      doses: jobs.filter(({ date }) => date.startsWith(`${year}-`)),
    })),
    ...(versions && versions.length > 0 ? { records: versions } : {}),
    ...(spreaders ? { spreaders } : {}),
    ...(operators ? { operators } : {}),
  } as Case;
}
