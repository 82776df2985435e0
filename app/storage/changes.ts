import Dexie, { type Table } from 'dexie';
import type * as yup from 'yup';
import {
  type Case,
  choicesSchema,
  codeSchema,
  planSchema,
  productSchema,
  propertySchema,
  recordVersionSchema,
  runSchema,
  sampleSchema,
  soilTestSchema,
  type Zone,
  zoneSchema,
} from '@core/records/case';
import { COUNTED, MOST } from '@core/records/most';
import { groupBy } from '@core/tables/group-by';
import { grouped } from '@core/words/numbers';
import { asStored } from '@core/log/applied';
import { checkShape } from '@core/records/strict-schema';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { stampAfter } from './record-id';
import { noteChange } from './notes';
import { tellOthers } from './other-tabs';
import { database, keyOf, type PropertyRecord, type UbertasDatabase } from './schema';

/**
 * The one way in which records of a property are written and removed: whatever belongs together goes in one transaction, each
 * record through its schema, and what comes back is the change that takes it back, record by record.
 */

/** A record that its schema refuses: nothing of the change was written. */
export class RecordRefused extends Error {
  constructor(
    readonly refusal: Refusal,
    readonly what: string,
  ) {
    super(`${what}: ${refusal.refused}`);
    this.name = 'RecordRefused';
  }
}

/** More of something than a backup could bring back: nothing was written. */
export class TooMany extends Error {
  constructor(kind: keyof typeof COUNTED, count: number) {
    super(
      `${kind === 'products' ? 'The shelf' : 'A property'} holds at most ${grouped(MOST[kind], 0)} ${COUNTED[kind]}, which a backup can bring back; these would be ${grouped(count, 0)}.`,
    );
    this.name = 'TooMany';
  }
}

/** Throws `TooMany` where so many records of a kind could not be restored. */
export function sureOfRoom(kind: keyof typeof COUNTED, count: number): void {
  if (count > MOST[kind]) throw new TooMany(kind, count);
}

/** A change of a property that is not in this browser any more: nothing was written. */
export class PropertyGone extends Error {
  constructor() {
    super('This property was deleted, perhaps in another tab.');
    this.name = 'PropertyGone';
  }
}

/**
 * A record that was written since it was read, most often in another tab: nothing was written. Both versions are told, so that a
 * person can choose.
 */
export class ChangedMeanwhile extends Error {
  constructor(readonly conflict: Conflict) {
    super(`${conflict.what} was ${conflict.theirs ? 'changed' : 'deleted'} since, perhaps in another tab.`);
    this.name = 'ChangedMeanwhile';
  }
}

/** Tables whose records belong to no property. */
export type Kept = 'products' | 'localCodes' | 'packs' | 'operators' | 'spreaders' | 'settings';

/** Two versions of one record. */
export interface Conflict {
  propertyId: string;
  kind: Owned | Kept | PropertyFact;
  what: string;
  id: string;
  /** What was to be written. */
  mine: unknown;
  /** What stands; nothing where it was deleted. */
  theirs?: unknown;
}

/** The browser took a write and did not keep it. */
export class NotKept extends Error {
  constructor() {
    super('The browser took the record and did not keep it: its disk may be full. Export a backup, then try again.');
    this.name = 'NotKept';
  }
}

/** A record as its schema has it; throws `RecordRefused` where it is none. */
export function sure<T>(schema: yup.AnySchema, record: T, what: string): T {
  const checked = checkShape<T>(schema as yup.Schema<T>, record);
  if (isRefusal(checked)) throw new RecordRefused(checked, what);
  return record;
}

/** Tables of what a property owns many of. */
const OWNED = {
  zones: { schema: zoneSchema, what: 'The zone' },
  soilTests: { schema: soilTestSchema, what: 'The soil report' },
  samples: { schema: sampleSchema, what: 'The sample' },
  plans: { schema: planSchema, what: 'The plan' },
  runs: { schema: runSchema, what: 'The run' },
  records: { schema: recordVersionSchema, what: 'The record' },
} as const;
export type Owned = keyof typeof OWNED;
const KINDS = Object.keys(OWNED) as Owned[];

type Records = { [K in Owned]?: readonly NonNullable<Case[K]>[number][] };

type Facts = Partial<Case['property']> & Pick<Partial<PropertyRecord>, 'choices' | 'codes' | 'fileId'>;
type PropertyFact = keyof Facts;
/** The property's own facts; what is not named stays as it is, `null` takes it away. An undo goes through JSON, which knows no undefined. */
export type PropertyFacts = { [Fact in keyof Facts]: Facts[Fact] | null };

export interface Change {
  property?: PropertyFacts;
  /** Those of the property's facts that must still stand as they were read. */
  propertyWas?: PropertyFacts;
  /** Records are written over the version they carry in `changedAt`: another one that stands refuses them. */
  put?: Records;
  remove?: { [K in Owned]?: readonly string[] };
  /** Places of zones among the others, for those that come back. */
  order?: Readonly<Record<string, number>>;
  /** Versions that must stand, where they are not those the records carry: by `kind/id`, null for none. */
  over?: Readonly<Record<string, string | null>>;
}

/** What a record is known by among its kind; a version of the log by the name of its content. */
export const idOf = (record: { id?: string; versionId?: string }): string => record.versionId ?? record.id ?? '';

/** The version in which a record stands; one of the log never stands in another. */
const standsAs = (record: { changedAt?: unknown; versionId?: unknown } | undefined): string | null =>
  (record?.versionId ?? record?.changedAt ?? null) as string | null;

const overOf = (kind: string, id: string): string => `${kind}/${id}`;

const bare = ({ key: _key, propertyId: _property, order: _order, ...rest }: Record<string, unknown>) => rest;

/** The tables a change touches, so that its transaction opens no others. */
function tablesOf(change: Change, db: UbertasDatabase) {
  const kinds = KINDS.filter((kind) => change.put?.[kind]?.length || change.remove?.[kind]?.length);
  return { kinds, tables: [db.properties, db.pictures, ...kinds.map((kind) => db[kind])] as Table[] };
}

/** Writes the property's facts over those that stand, and gives those back as they stood. */
async function writeProperty(
  propertyId: string,
  facts: PropertyFacts | undefined,
  was: PropertyFacts | undefined,
  db: UbertasDatabase,
  stamp: Stamp,
): Promise<{ undo: PropertyFacts; was: PropertyFacts; changedAt: string | undefined } | undefined> {
  const before = await db.properties.get(propertyId);
  // what has a name is a new property; anything else would be left behind without one
  if (!before && !facts?.name) throw new PropertyGone();
  if (!facts) return undefined;
  const pictureBefore = (await db.pictures.get(propertyId))?.picture;
  const { choices, codes, ...own } = Object.fromEntries(
    Object.entries(facts).map(([fact, value]) => [fact, value ?? undefined]),
  ) as Facts;
  if (choices) sure(choicesSchema, choices, 'The choices');
  for (const code of codes ?? []) sure(codeSchema, code, 'The local code');
  const { choices: choicesBefore, codes: codesBefore, fileId, changedAt: stampBefore, ...ownBefore } = before ?? {};
  const { fileId: _file, ...checked } = own;
  sure(propertySchema, { ...ownBefore, ...checked, id: propertyId }, 'The property');
  for (const fact of Object.keys(was ?? {}) as PropertyFact[]) {
    const stands = before?.[fact];
    if (!same(stands, was?.[fact]))
      throw new ChangedMeanwhile({
        propertyId,
        kind: fact,
        what: FACT_NAMES[fact] ?? 'The property',
        id: propertyId,
        mine: facts[fact],
        theirs: stands,
      });
  }
  const { site, changedAt: _given, ...rest } = own;
  const changedAt = stamp(stampBefore, own.changedAt);
  const { picture, ...onSheet } = site ?? {};
  if ('site' in facts) await (picture ? db.pictures.put({ propertyId, picture }) : db.pictures.delete(propertyId));
  await db.properties.put({
    ...(before as PropertyRecord),
    ...rest,
    ...('site' in facts ? { site: site && onSheet } : {}),
    ...('choices' in facts ? { choices } : {}),
    ...('codes' in facts ? { codes } : {}),
    id: propertyId,
    changedAt,
  });
  const standing: Facts = {
    ...ownBefore,
    fileId,
    site:
      before?.site || pictureBefore
        ? { ...before?.site, ...(pictureBefore ? { picture: pictureBefore } : {}) }
        : undefined,
    choices: choicesBefore,
    codes: codesBefore,
  };
  const undo = Object.fromEntries(Object.keys(facts).map((key) => [key, standing[key as keyof Facts] ?? null]));
  // a picture weighs too much to be carried along only to be compared
  const { changedAt: _at, site: siteNow, ...others } = facts;
  const wrote = { ...others, ...('site' in facts ? { site: siteNow && onSheet } : {}) };
  return { undo: { ...undo, changedAt: stampBefore ?? null }, was: wrote, changedAt };
}

const FACT_NAMES: Partial<Record<PropertyFact, string>> = {
  name: 'The property’s name',
  climate: 'The climate',
  latitudeDeg: 'The latitude',
  site: 'The water and buildings',
  irrigationWater: 'The irrigation water',
  codes: 'The local codes',
};

/** Whether two facts say the same, whatever order their keys came in; a plan picture lies apart and is not looked at. */
function same(a: unknown, b: unknown): boolean {
  const plain = (value: unknown): string =>
    JSON.stringify(value ?? null, (key, inner: unknown) =>
      key === 'picture'
        ? undefined
        : typeof inner === 'object' && inner !== null && !Array.isArray(inner)
          ? Object.fromEntries(Object.entries(inner).sort(([x], [y]) => (x < y ? -1 : 1)))
          : inner,
    );
  return plain(a) === plain(b);
}

/**
 * Writes a change of one property, all or nothing, and gives the change that undoes it: records as they stood before, and
 * the ids of those that were not there.
 *
 * @throws PropertyGone where the property is not there; RecordRefused where a record does not pass its schema; the browser's own faults as they come
 */
export async function applyChange(
  propertyId: string,
  change: Change,
  db: UbertasDatabase = database(),
): Promise<Change> {
  const { kinds, tables } = tablesOf(change, db);
  for (const kind of kinds)
    for (const record of change.put?.[kind] ?? []) sure(OWNED[kind].schema, record, OWNED[kind].what);
  return written(propertyId, tables, db, () => write(propertyId, change, kinds, db));
}

/**
 * Writes in one transaction, reads back what was written, and tells the other tabs. Inside a larger transaction nothing is on
 * the disk yet: the outermost reads back.
 */
export async function written(
  propertyId: string,
  tables: Table[],
  db: UbertasDatabase,
  work: () => Promise<Change>,
): Promise<Change> {
  const outermost = !(Dexie.currentTransaction as unknown);
  const undo = await db.transaction('rw', tables, work);
  if (outermost) {
    await readBack(propertyId, undo, db);
    await noteChange(db);
    tellOthers(propertyId);
  }
  return undo;
}

/** Reads what was written once more: on a full disk a browser has taken writes that were gone after its next start. */
async function readBack(propertyId: string, { over = {} }: Change, db: UbertasDatabase): Promise<void> {
  const stamps = groupBy(Object.entries(over), ([place]) => place.slice(0, place.indexOf('/')));
  for (const [kind, written] of stamps) {
    const ids = written.map(([place]) => place.slice(kind.length + 1));
    const stands = await (kind === 'properties'
      ? db.properties.bulkGet(ids)
      : (db[kind as Owned] as Table<{ changedAt?: string; versionId?: string }, string>).bulkGet(
          ids.map((id) => keyOf(propertyId, id)),
        ));
    if (written.some(([, stamp], i) => standsAs(stands[i]) !== stamp)) throw new NotKept();
  }
}

/** A record with its new version, which is noted. */
function stamped(
  kind: string,
  record: { id: string; versionId?: string },
  changedAt: string | undefined,
  over: Record<string, string | null>,
) {
  over[overOf(kind, idOf(record))] = record.versionId ?? changedAt ?? null;
  return record.versionId === undefined ? { changedAt } : {};
}

/**
 * A change as a file brings it, whose records were checked when the file was read, written within a transaction: they keep the
 * moments of their changes. Gives the change that takes it back.
 */
export const writeBrought = (propertyId: string, change: Change, db: UbertasDatabase): Promise<Change> =>
  write(propertyId, change, tablesOf(change, db).kinds, db, keptStamp);

/** Gives a record its version: from the one that stands and the one it carries. */
type Stamp = (before: string | undefined, given: string | undefined) => string | undefined;
const freshStamp: Stamp = (before) => stampAfter(before);
const keptStamp: Stamp = (_before, given) => given;

/** What every record that is written has in common. */
type Written = { id: string; changedAt?: string; versionId?: string } & Pick<Zone, 'applied'>;

/** The write itself, within a transaction; gives the change that takes it back. */
async function write(
  propertyId: string,
  change: Change,
  kinds: readonly Owned[],
  db: UbertasDatabase,
  stamp: Stamp = freshStamp,
): Promise<Change> {
  const undo: Required<Pick<Change, 'put' | 'remove'>> & Change = { put: {}, remove: {} };
  const order: Record<string, number> = {};
  const over: Record<string, string | null> = {};
  for (const kind of kinds) {
    const table = db[kind] as unknown as {
      bulkGet(keys: string[]): Promise<(Record<string, unknown> | undefined)[]>;
      bulkPut(records: object[]): Promise<unknown>;
      bulkDelete(keys: string[]): Promise<void>;
      where(criteria: object): { count(): Promise<number> };
    };
    const given = (change.put?.[kind] ?? []) as readonly Written[];
    // what zones know by the log is reckoned anew from it and never stored
    const put = kind === 'zones' ? given.map((zone) => asStored(zone)) : given;
    const removed = change.remove?.[kind] ?? [];
    const ids = [...put.map(idOf), ...removed];
    const before = await table.bulkGet(ids.map((id) => keyOf(propertyId, id)));
    for (const [i, id] of ids.entries()) {
      const mine = put[i];
      const stands = before[i];
      const over = change.over?.[overOf(kind, id)];
      // a removal that names no version takes away whatever stands; a version of the log is the same wherever it comes from
      if ((!mine && over === undefined) || (mine && kind === 'records')) continue;
      if ((over === undefined ? standsAs(mine) : over) !== standsAs(stands))
        throw new ChangedMeanwhile({
          propertyId,
          kind,
          what: OWNED[kind].what,
          id,
          mine,
          theirs: stands && bare(stands),
        });
    }
    const stood = before.flatMap((record) => (record ? [bare(record)] : []));
    for (const record of before)
      if (record && typeof record.order === 'number') order[String(record.id)] = record.order;
    undo.put = { ...undo.put, [kind]: stood };
    undo.remove = { ...undo.remove, [kind]: ids.filter((_, i) => i < put.length && !before[i]) };
    const last = put.length > 0 ? await table.where({ propertyId }).count() : 0;
    sureOfRoom(kind, last + put.filter((_, i) => !before[i]).length - (change.remove?.[kind]?.length ?? 0));
    let fresh = 0;
    await table.bulkPut(
      put.map((record, i) => ({
        ...record,
        ...stamped(kind, record, stamp(before[i]?.changedAt as string | undefined, record.changedAt), over),
        key: keyOf(propertyId, idOf(record)),
        propertyId,
        ...(kind === 'zones' ? { order: before[i]?.order ?? change.order?.[record.id] ?? last + fresh++ } : {}),
      })),
    );
    await table.bulkDelete(removed.map((id) => keyOf(propertyId, id)));
    for (const id of removed) over[overOf(kind, id)] = null;
  }
  const property = await writeProperty(propertyId, change.property, change.propertyWas, db, stamp);
  if (!property) return { ...undo, order, over };
  over[overOf('properties', propertyId)] = property.changedAt ?? null;
  return { ...undo, order, over, property: property.undo, propertyWas: property.was };
}

/** Products of the one shelf, each through its schema. */
export const sureProduct = <T>(product: T): T => sure(productSchema, product, 'The product');
