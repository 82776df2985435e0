import type { Table } from 'dexie';
import { ChangedMeanwhile, type Kept, NotKept } from './changes';
import { noteChange } from './notes';
import { tellOthers } from './other-tabs';
import { stampAfter } from './record-id';
import type { UbertasDatabase } from './schema';

/** Records that belong to no property, known by their ids: the shelf, own codes, packs, people, settings. */
interface Standalone {
  id: string;
  changedAt?: string;
}

/** A change of such a table: records to write, ids to take away, and the versions that must stand, null for none. */
export interface TableChange<R> {
  put: readonly R[];
  remove: readonly string[];
  over?: Readonly<Record<string, string | null>>;
}

/** What a table is. */
export interface RecordTable<R extends Standalone> {
  /** The table's own name. */
  kind: Kept;
  /** One of them in words: 'The product'. */
  what: string;
  /** The record once its schema has passed it; throws `RecordRefused`. */
  sure: (record: R) => R;
  /** Throws where so many are too many. */
  sureOfRoom?: (count: number) => void;
  /** What other tabs are told was written. */
  told: string;
}

const tableOf = <R extends Standalone>({ kind }: RecordTable<R>, db: UbertasDatabase): Table<R, string> =>
  db.table<R, string>(kind);

type Stamp = (before?: string, given?: string) => string | undefined;

/**
 * Writes a change within a transaction, all or nothing, and gives the change that takes it back. A record is written over the version
 * it carries in `changedAt`: where another stands, somebody else wrote it since it was read.
 */
export async function writeTable<R extends Standalone>(
  of: RecordTable<R>,
  { put, remove, over: expected = {} }: TableChange<R>,
  db: UbertasDatabase,
  stamp: Stamp = (before) => stampAfter(before),
): Promise<TableChange<R>> {
  const table = tableOf(of, db);
  of.sureOfRoom?.(put.length);
  const ids = [...put.map((record) => record.id), ...remove];
  const before = await table.bulkGet(ids);
  const over: Record<string, string | null> = {};
  for (const [i, id] of ids.entries()) {
    const mine = put[i];
    const stands = before[i];
    const given = expected[id];
    if (!mine && given === undefined) continue;
    if ((given === undefined ? (mine?.changedAt ?? null) : given) !== (stands?.changedAt ?? null))
      throw new ChangedMeanwhile({ propertyId: '', kind: of.kind, what: of.what, id, mine, theirs: stands });
  }
  await table.bulkPut(
    put.map((record, i) => {
      const changedAt = stamp(before[i]?.changedAt, record.changedAt);
      over[record.id] = changedAt ?? null;
      return of.sure({ ...record, changedAt });
    }),
  );
  await table.bulkDelete([...remove]);
  for (const id of remove) over[id] = null;
  // counted after the write: what is replaced counts once, and the transaction takes all of it back
  of.sureOfRoom?.(await table.count());
  return {
    put: before.flatMap((record) => (record ? [record] : [])),
    remove: ids.filter((_, i) => i < put.length && !before[i]),
    over,
  };
}

/** Throws `NotKept` where what was written is not there: a full disk has taken writes that were gone after the next start. */
export async function readTableBack<R extends Standalone>(
  of: RecordTable<R>,
  change: TableChange<R>,
  undo: TableChange<R>,
  db: UbertasDatabase,
): Promise<void> {
  const ids = change.put.map((record) => record.id);
  const stand = await tableOf(of, db).bulkGet(ids);
  if (ids.some((id, i) => (stand[i]?.changedAt ?? null) !== undo.over?.[id])) throw new NotKept();
}

/**
 * Writes a change in a transaction of its own, reads it back and tells the other tabs.
 *
 * @throws ChangedMeanwhile, RecordRefused, TooMany, NotKept; the browser's own faults as they come
 */
export async function changeTable<R extends Standalone>(
  of: RecordTable<R>,
  change: TableChange<R>,
  db: UbertasDatabase,
): Promise<TableChange<R>> {
  const undo = await db.transaction('rw', tableOf(of, db), () => writeTable(of, change, db));
  await readTableBack(of, change, undo, db);
  await noteChange(db);
  tellOthers(of.told);
  return undo;
}
