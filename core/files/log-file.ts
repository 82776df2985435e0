import * as yup from 'yup';
import { mergeVersions, recordsOf } from '../log/versions';
import type { Case } from '../records/case';
import { refuseLog } from './check-log';
import { MOST } from '../records/most';
import { moment, type RecordVersion, recordVersionSchema } from '../records/record-schema';
import { checkShape, id, list, num, text, word } from '../records/strict-schema';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';

/** A log on its way from one browser to another: versions of records by property, each part complete by itself. */

export const LOG_FORMAT = 'ubertas-log';
const MOST_PROPERTIES = 1000;
const MOST_PHOTOS = 5000;
/** Base64 of 600 kB, with room. */
const MOST_PHOTO_LETTERS = 1_000_000;

export const logFileSchema = yup.object({
  format: word('Format', [LOG_FORMAT]).required('This file does not say that it is a ubertas-log file.'),
  version: num('Version', { min: 1, max: 1, integer: true }).required('The file does not say its version.'),
  madeAt: moment('Made').required('The file does not say when it was made.'),
  device: text('Device', 120).optional(),
  part: num('Part', { min: 1, max: 1000, integer: true }).optional(),
  parts: num('Parts', { min: 1, max: 1000, integer: true }).optional(),
  properties: list(
    'Properties',
    yup.object({
      id: id('Property'),
      name: text('Property name', 120).optional(),
      code: text('Code', 40).optional(),
      versions: list('Versions', recordVersionSchema, MOST.records).required('A property of a log needs its versions.'),
    }),
    MOST_PROPERTIES,
  ).required('The file holds no properties.'),
  photos: list(
    'Photos',
    yup.object({
      hash: text('Photo', 64)
        .matches(/^[0-9a-f]{64}$/, 'A photo is named by 64 hexadecimal digits.')
        .required(),
      type: text('Type', 40).required(),
      base64: text('Photo', MOST_PHOTO_LETTERS).required(),
    }),
    MOST_PHOTOS,
  ).optional(),
});
export type LogFile = yup.InferType<typeof logFileSchema>;

/** A log file as it is taken; refused whole where one version is not what it was named by. */
export function checkLogFile(value: unknown): LogFile | Refusal {
  const head = value as { format?: unknown; version?: unknown } | null;
  if (typeof head !== 'object' || head === null || head.format !== LOG_FORMAT)
    return refuse('format', 'This is not a ubertas-log file.');
  if (typeof head.version === 'number' && head.version > 1)
    return refuse('version', 'The log was saved by a newer Ubertas. Update this one, then open it again.');
  const checked = checkShape<LogFile>(logFileSchema as yup.Schema<LogFile>, value);
  if (isRefusal(checked)) return checked;
  for (const [i, { versions }] of checked.properties.entries()) {
    const wrong = refuseLog({ records: versions });
    if (wrong) return refuse(`properties[${i}].${wrong.field.replace('records', 'versions')}`, wrong.refused);
  }
  return checked;
}

/**
 * A case with the versions that log files bring for its property, and what of them was new. What belongs to another property is told and left.
 * The same file twice adds nothing.
 */
export function mergedLogs(given: Case, files: readonly LogFile[]) {
  const before = new Set((given.records ?? []).map(({ versionId }) => versionId));
  const brought = files.flatMap(({ properties }) => properties);
  const own = brought.filter(({ id: property }) => property === given.property.id).flatMap(({ versions }) => versions);
  const records = mergeVersions(given.records ?? [], own);
  const zones = new Set(given.zones.map((zone) => zone.id));
  const fresh = records.filter(({ versionId }) => !before.has(versionId));
  return {
    format: 'ubertas-merge',
    version: 1,
    case: { ...given, ...(records.length > 0 ? { records } : {}) },
    new: fresh.map(({ versionId }) => versionId),
    alreadyHere: new Set(own.map(({ versionId }) => versionId)).size - fresh.length,
    forks: recordsOf(records).flatMap(({ recordId, fork }) => (fork.length > 0 ? [recordId] : [])),
    unknownZones: [...new Set(fresh.flatMap(({ body }) => body.zoneIds))].filter((zone) => !zones.has(zone)),
    otherProperties: [...new Set(brought.map((property) => property.id))].filter(
      (property) => property !== given.property.id,
    ),
  };
}

/**
 * What of a log file is of one property, by the id that files know it by. A property that the file does not name is told with those it does.
 *
 * @example logOf(file, 'quarry-lane-school').length // 12 versions
 */
export function logOf({ properties }: LogFile, fileId: string): RecordVersion[] | Refusal {
  const own = properties.filter((property) => property.id === fileId);
  if (own.length > 0) return mergeVersions(...own.map(({ versions }) => versions));
  const names = properties.map((property) => property.name ?? property.code ?? property.id);
  return refuse(
    'properties',
    names.length === 0
      ? 'The file holds no log of any property.'
      : `The file holds the log of ${names.join(', ')}: open it there.`,
  );
}
