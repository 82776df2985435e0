import type { Case, RecordBody, RecordKind, Zone } from '../records/case';
import { KINDS, spreadsProduct } from './kinds';
import { type LogRecord, recordsOf } from './versions';

/** The log as a list: a line a record, found by any word in it, by its kind and by what is special about it. */

export interface LogLine {
  record: LogRecord;
  body: RecordBody;
  zoneNames: string;
  /** What was spread against what was planned; undefined where it carries out no dose. */
  ofPlan?: number;
  /** lb product/1000 ft2 of the zones' whole area. */
  rateLb?: number;
  /** All its words, folded, to be searched. */
  words: string;
}

/** A record is off the plan under and over so much of its dose (field.over). */
const WITHIN = [0.9, 1.1] as const;

export const LOG_FLAGS = ['off-plan', 'photos', 'fork', 'withdrawn'] as const;
export type LogFlag = (typeof LOG_FLAGS)[number];

/** Small letters without marks over them, so that "Böschung" is found by "boschung". */
export const folded = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

function lineOf(record: LogRecord, zones: ReadonlyMap<string, Zone>): LogLine {
  const { body } = record;
  const { zoneIds, product, spreadLb, planned, operator, notes, lot, facts = {} } = body;
  const zoneNames = zoneIds.map((id) => zones.get(id)?.name ?? id).join(', ');
  const area = body.zoneAreaSqFt ?? zoneIds.reduce((sum, id) => sum + (zones.get(id)?.areaSqFt ?? 0), 0);
  const rateLb = spreadsProduct(body.kind) && spreadLb !== undefined && area > 0 ? spreadLb / (area / 1000) : undefined;
  const said = Object.values(facts).flatMap((fact) =>
    typeof fact === 'string' ? [fact] : Array.isArray(fact) ? fact : [],
  );
  return {
    record,
    body,
    zoneNames,
    ...(rateLb === undefined ? {} : { rateLb }),
    ...(rateLb !== undefined && planned && planned.rateLb > 0 ? { ofPlan: rateLb / planned.rateLb } : {}),
    words: folded(
      [KINDS[body.kind].title, zoneNames, product?.name, operator, notes, lot, body.date, ...said]
        .filter(Boolean)
        .join(' '),
    ),
  };
}

/** Every record of a property as a line, the newest first. */
export function logLines(file: Pick<Case, 'records' | 'zones'>): LogLine[] {
  const zones = new Map(file.zones.map((zone) => [zone.id, zone]));
  return recordsOf(file.records ?? [])
    .map((record) => lineOf(record, zones))
    .reverse();
}

/** Whether a line has what is special about it. */
export function hasFlag({ record, body, ofPlan }: LogLine, flag: LogFlag): boolean {
  switch (flag) {
    case 'off-plan':
      return ofPlan !== undefined && (ofPlan < WITHIN[0] || ofPlan > WITHIN[1]);
    case 'photos':
      return (body.photos?.length ?? 0) > 0;
    case 'fork':
      return record.fork.length > 0;
    case 'withdrawn':
      return record.withdrawn;
  }
}

export interface LogAsked {
  text?: string;
  kind?: RecordKind;
  zoneId?: string;
  year?: number;
  flags?: readonly LogFlag[];
}

/**
 * Lines that have all that is asked for. What was withdrawn is shown only where that is asked.
 *
 * @example foundLines(lines, { text: 'urea', kind: 'feeding' })
 */
export function foundLines(
  lines: readonly LogLine[],
  { text = '', kind, zoneId, year, flags = [] }: LogAsked,
): LogLine[] {
  const words = folded(text).split(/\s+/).filter(Boolean);
  return lines.filter(
    (line) =>
      (!line.record.withdrawn || flags.includes('withdrawn')) &&
      (kind === undefined || line.body.kind === kind) &&
      (zoneId === undefined || line.body.zoneIds.includes(zoneId)) &&
      (year === undefined || line.body.date.startsWith(`${year}-`)) &&
      flags.every((flag) => hasFlag(line, flag)) &&
      words.every((word) => line.words.includes(word)),
  );
}
