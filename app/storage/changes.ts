import type * as yup from 'yup';
import {
  type Case,
  choicesSchema,
  codeSchema,
  planSchema,
  productSchema,
  propertySchema,
  sampleSchema,
  soilTestSchema,
  zoneSchema,
} from '@core/records/case';
import { COUNTED, MOST } from '@core/records/most';
import { grouped } from '@core/words/numbers';
import { checkShape } from '@core/records/strict-schema';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
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
} as const;
export type Owned = keyof typeof OWNED;
const KINDS = Object.keys(OWNED) as Owned[];

type Records = { [K in Owned]?: readonly NonNullable<Case[K]>[number][] };

type Facts = Partial<Case['property']> & Pick<Partial<PropertyRecord>, 'choices' | 'codes'>;
/** The property's own facts; what is not named stays as it is, `null` takes it away. An undo goes through JSON, which knows no undefined. */
export type PropertyFacts = { [Fact in keyof Facts]: Facts[Fact] | null };

export interface Change {
  property?: PropertyFacts;
  put?: Records;
  remove?: { [K in Owned]?: readonly string[] };
  /** Places of zones among the others, for those that come back. */
  order?: Readonly<Record<string, number>>;
}

const bare = ({ key: _key, propertyId: _property, order: _order, ...rest }: Record<string, unknown>) => rest;

/** The tables a change touches, so that its transaction opens no others. */
function tablesOf(change: Change, db: UbertasDatabase) {
  const kinds = KINDS.filter((kind) => change.put?.[kind]?.length || change.remove?.[kind]?.length);
  return { kinds, tables: [db.properties, db.pictures, ...kinds.map((kind) => db[kind])] };
}

const now = (): string => new Date().toISOString();

/** Writes the property's facts over those that stand, and gives those back as they stood. */
async function writeProperty(
  propertyId: string,
  facts: PropertyFacts | undefined,
  db: UbertasDatabase,
): Promise<PropertyFacts | undefined> {
  const before = await db.properties.get(propertyId);
  // what has a name is a new property; anything else would be left behind without one
  if (!before && !facts?.name) throw new PropertyGone();
  if (!facts) {
    await db.properties.update(propertyId, { changedAt: now() });
    return undefined;
  }
  const pictureBefore = (await db.pictures.get(propertyId))?.picture;
  const { choices, codes, ...own } = Object.fromEntries(
    Object.entries(facts).map(([fact, value]) => [fact, value ?? undefined]),
  ) as Facts;
  if (choices) sure(choicesSchema, choices, 'The choices');
  for (const code of codes ?? []) sure(codeSchema, code, 'The local code');
  const { changedAt: _at, choices: choicesBefore, codes: codesBefore, ...ownBefore } = before ?? { changedAt: '' };
  sure(propertySchema, { ...ownBefore, ...own, id: propertyId }, 'The property');
  const { site, ...rest } = own;
  const { picture, ...onSheet } = site ?? {};
  if ('site' in facts) await (picture ? db.pictures.put({ propertyId, picture }) : db.pictures.delete(propertyId));
  await db.properties.put({
    ...(before as PropertyRecord),
    ...rest,
    ...('site' in facts ? { site: site && onSheet } : {}),
    ...('choices' in facts ? { choices } : {}),
    ...('codes' in facts ? { codes } : {}),
    id: propertyId,
    changedAt: now(),
  });
  const standing: Facts = {
    ...ownBefore,
    site:
      before?.site || pictureBefore
        ? { ...before?.site, ...(pictureBefore ? { picture: pictureBefore } : {}) }
        : undefined,
    choices: choicesBefore,
    codes: codesBefore,
  };
  return Object.fromEntries(Object.keys(facts).map((key) => [key, standing[key as keyof Facts] ?? null]));
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
  return db.transaction('rw', tables, async () => {
    const undo: Required<Pick<Change, 'put' | 'remove'>> & Change = { put: {}, remove: {} };
    const order: Record<string, number> = {};
    for (const kind of kinds) {
      const table = db[kind] as unknown as {
        bulkGet(keys: string[]): Promise<(Record<string, unknown> | undefined)[]>;
        bulkPut(records: object[]): Promise<unknown>;
        bulkDelete(keys: string[]): Promise<void>;
        where(criteria: object): { count(): Promise<number> };
      };
      const put = (change.put?.[kind] ?? []) as readonly { id: string }[];
      const ids = [...put.map((record) => record.id), ...(change.remove?.[kind] ?? [])];
      const before = await table.bulkGet(ids.map((id) => keyOf(propertyId, id)));
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
          key: keyOf(propertyId, record.id),
          propertyId,
          ...(kind === 'zones' ? { order: before[i]?.order ?? change.order?.[record.id] ?? last + fresh++ } : {}),
        })),
      );
      await table.bulkDelete((change.remove?.[kind] ?? []).map((id) => keyOf(propertyId, id)));
    }
    const property = await writeProperty(propertyId, change.property, db);
    return { ...undo, order, ...(property ? { property } : {}) };
  });
}

/** Products of the one shelf, each through its schema. */
export const sureProduct = <T>(product: T): T => sure(productSchema, product, 'The product');
