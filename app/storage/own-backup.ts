import { checkPack } from '@core/packs/rule-packs';
import { codeSchema } from '@core/records/case';
import { operatorSchema } from '@core/records/operator-schema';
import { packRecordSchema, SETTING_SCHEMAS, type SettingId } from '@core/records/settings-schema';
import { isRefusal, type Refusal, refuse } from '@core/reckoning/refusal';
import { checkShape } from '@core/records/strict-schema';
import type { AnySchema, Schema } from 'yup';
import { SETTINGS, tellOthers } from './other-tabs';
import { loadOwn, OWN_TABLES, type OwnKind, type OwnRecord } from './own-records';
import { type RecordTable, type TableChange, writeTable } from './record-table';
import { database, type UbertasDatabase } from './schema';
import { spreaderSchema } from '@core/records/spreader-schema';

/** Own codes, packs, people, spreaders and settings in a backup: out with it, and in again where they are new or newer. */

export type OwnRecords = { [K in OwnKind]?: OwnRecord<K>[] };
const KINDS = Object.keys(OWN_TABLES) as OwnKind[];

/** Everything of the agronomist's own; undefined where there is nothing. */
export async function ownRecords(
  db: UbertasDatabase,
  { licenses }: { licenses: boolean },
): Promise<OwnRecords | undefined> {
  const entries = await Promise.all(
    KINDS.map(async (kind) => {
      const records = await loadOwn(kind, db);
      return [
        kind,
        kind === 'operators' && !licenses
          ? records.map((record) => {
              const { licenseNumber: _number, ...person } = record as OwnRecord<'operators'>;
              return person;
            })
          : records,
      ] as const;
    }),
  );
  const held = entries.filter(([, records]) => records.length > 0);
  return held.length > 0 ? (Object.fromEntries(held) as OwnRecords) : undefined;
}

/** Most records of a kind that are read from a file: far above any real use. Decision. */
const MOST_OF_A_KIND = 5_000;

/** One record checked by its schema; a pack by its own as well. */
function checkRecord(kind: OwnKind, record: unknown): Refusal | undefined {
  const id = (record as { id?: unknown } | null)?.id;
  let schema: AnySchema | undefined;
  if (kind === 'localCodes') schema = codeSchema;
  else if (kind === 'operators') schema = operatorSchema;
  else if (kind === 'spreaders') schema = spreaderSchema;
  else if (kind === 'settings') schema = SETTING_SCHEMAS[id as SettingId];
  else {
    const { file, ...head } = (record ?? {}) as { file?: unknown };
    const pack = checkPack(file);
    if (isRefusal(pack)) return pack;
    const checked = checkShape(packRecordSchema.omit(['file']) as unknown as Schema, head);
    return isRefusal(checked) ? checked : undefined;
  }
  if (!schema) return refuse('id', 'This setting is not known.');
  const checked = checkShape(schema as Schema, record);
  return isRefusal(checked) ? checked : undefined;
}

/** The own records of a backup, each through its schema. */
export function checkOwn(own: unknown): OwnRecords | Refusal | undefined {
  if (own === undefined) return undefined;
  if (typeof own !== 'object' || own === null || Array.isArray(own))
    return refuse('own', 'The backup’s own codes, packs and people are broken.');
  for (const [kind, records] of Object.entries(own)) {
    if (!KINDS.includes(kind as OwnKind))
      return refuse(`own.${kind}`, `The backup holds “${kind}”, which is not known.`);
    if (!Array.isArray(records) || records.length > MOST_OF_A_KIND)
      return refuse(`own.${kind}`, `The backup’s ${kind} are no list, or too many.`);
    for (const [at, record] of records.entries()) {
      const wrong = checkRecord(kind as OwnKind, record);
      if (wrong) return refuse(`own.${kind}[${at}].${wrong.field}`, wrong.refused);
    }
  }
  return own as OwnRecords;
}

/** How own records of a backup stand to those that are here. */
export interface OwnStanding {
  same: number;
  fresh: number;
  /** Here in an older version, which gives way. */
  newer: number;
  /** Here in a newer version, which stays. */
  older: number;
}

/** What all of them have. */
interface Kept {
  id: string;
  changedAt?: string;
  licenseNumber?: string;
}
const stampOf = (record: Kept): string => record.changedAt ?? '';
const tableOf = (kind: OwnKind) => OWN_TABLES[kind] as unknown as RecordTable<Kept>;

async function sorted(kind: OwnKind, records: readonly Kept[], db: UbertasDatabase) {
  const here = new Map(((await loadOwn(kind, db)) as Kept[]).map((record) => [record.id, record]));
  const counts: OwnStanding = { same: 0, fresh: 0, newer: 0, older: 0 };
  const put = records.flatMap((record) => {
    const stands = here.get(record.id);
    if (!stands) counts.fresh++;
    else if (stampOf(stands) === stampOf(record)) counts.same++;
    else if (stampOf(stands) > stampOf(record)) counts.older++;
    else counts.newer++;
    const taken = !stands || stampOf(stands) < stampOf(record);
    // a backup without license numbers takes none away
    const kept = stands?.licenseNumber === undefined ? {} : { licenseNumber: stands.licenseNumber };
    return taken ? [{ ...kept, ...record, changedAt: record.changedAt }] : [];
  });
  const over = Object.fromEntries(put.map((record) => [record.id, here.get(record.id)?.changedAt ?? null]));
  return { counts, change: { put, remove: [], over } satisfies TableChange<Kept> };
}

/** How a backup's own records stand to what is here. */
export async function surveyOwn(own: OwnRecords, db: UbertasDatabase = database()): Promise<OwnStanding> {
  const all: OwnStanding = { same: 0, fresh: 0, newer: 0, older: 0 };
  for (const kind of KINDS) {
    const { counts } = await sorted(kind, own[kind] ?? [], db);
    for (const key of Object.keys(all) as (keyof OwnStanding)[]) all[key] += counts[key];
  }
  return all;
}

export type OwnUndo = { [K in OwnKind]?: TableChange<OwnRecord<K>> };

/** Writes own records that are new or newer, all or nothing, and gives what takes them back. */
export async function restoreOwn(
  own: OwnRecords,
  db: UbertasDatabase = database(),
): Promise<{ written: number; undo: OwnUndo }> {
  const tables = KINDS.map((kind) => db.table(kind));
  const restored = await db.transaction('rw', tables, async () => {
    const undo: Record<string, unknown> = {};
    let written = 0;
    for (const kind of KINDS) {
      const { change } = await sorted(kind, own[kind] ?? [], db);
      if (change.put.length === 0) continue;
      written += change.put.length;
      undo[kind] = await writeTable(tableOf(kind), change, db, (_before, given) => given);
    }
    return { written, undo: undo as OwnUndo };
  });
  if (restored.written > 0) tellOthers(SETTINGS);
  return restored;
}

/** Takes back what `restoreOwn` wrote. */
export async function undoOwn(undo: OwnUndo, db: UbertasDatabase = database()): Promise<void> {
  await db.transaction(
    'rw',
    KINDS.map((kind) => db.table(kind)),
    async () => {
      for (const kind of KINDS) {
        const change = undo[kind] as TableChange<Kept> | undefined;
        if (change) await writeTable(tableOf(kind), change, db, (_before, given) => given);
      }
    },
  );
  tellOthers(SETTINGS);
}
