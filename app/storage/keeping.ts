import { daysBetween } from '@core/days/day';
import { changesNoted, forgetChanges, readNote, writeNote } from './notes';
import { SETTINGS, tellOthers } from './other-tabs';
import { database, type UbertasDatabase } from './schema';

/** How sure it is that what is stored stays: the browser's promise, the room left, the last backup. */

/** Under so much room a person is told, bytes: years of reports fit in it, but a plan picture and a backup beside may not. */
const LITTLE_ROOM_BYTES = 50_000_000;
/** How often the room is looked at, ms. */
const LOOKED_AT_MS = 60_000;

let asked = false;

/** Asks the browser, once, not to clear what is stored when its disk runs low; it may ask the person, or say no. */
export async function askToKeep(): Promise<void> {
  if (asked) return;
  asked = true;
  try {
    if (!(await navigator.storage.persisted())) await navigator.storage.persist();
  } catch {
    // a browser without such a promise keeps as it always did
  }
}

/** Bytes that may still be stored, where the browser tells. */
export async function roomLeft(): Promise<number | undefined> {
  try {
    const { quota, usage } = await navigator.storage.estimate();
    return quota === undefined || usage === undefined ? undefined : Math.max(0, quota - usage);
  } catch {
    return undefined;
  }
}

let lookedAt = 0;
const listeners = new Set<(bytes: number | undefined) => void>();

/** Looks how much room is left, at most once a minute, and tells who listens when it is little; undefined when it is enough. */
export async function watchRoom(now: number = Date.now()): Promise<void> {
  if (now - lookedAt < LOOKED_AT_MS) return;
  lookedAt = now;
  const left = await roomLeft();
  const little = left !== undefined && left < LITTLE_ROOM_BYTES ? left : undefined;
  listeners.forEach((listener) => listener(little));
}

export function onLittleRoom(listener: (bytes: number | undefined) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

const BACKUP_AT = 'backup-at';

/** Notes that a backup was saved to a file. */
export const noteBackup = async (day: string, db: UbertasDatabase = database()): Promise<void> => {
  await writeNote(BACKUP_AT, day, db);
  await forgetChanges(db);
};

/** Changes after which a backup is asked for whatever the day. Decision: an afternoon's work. */
const MANY_CHANGES = 50;
/** Days with changes after which it is asked for, where nothing else is set. Decision. */
export const USUAL_BACKUP_DAYS = 30;

/** What no backup holds: how many changes, since when. */
export interface Unsaved {
  changes: number;
  /** Day of the last backup; undefined where there was none. */
  backupOn?: string;
}
export const sinceBackup = async (db: UbertasDatabase = database()): Promise<Unsaved> => {
  const [changes, backupOn] = await Promise.all([changesNoted(db), lastBackup(db)]);
  return { changes, ...(backupOn ? { backupOn } : {}) };
};

/**
 * Whether a backup should be asked for: never where that is set, at once after fifty changes, else after so many days with a change.
 *
 * @param everyDays 0 for never
 * @example isBackupDue({ changes: 3, backupOn: '2027-03-01' }, 30, '2027-04-05') // true
 */
export const isBackupDue = ({ changes, backupOn }: Unsaved, everyDays: number, today: string): boolean =>
  everyDays > 0 &&
  changes > 0 &&
  (changes >= MANY_CHANGES || (backupOn !== undefined && daysBetween(backupOn, today) >= everyDays));

/** What the browser promises and how much room there is; what it does not tell is left out. */
export interface StorageStanding {
  persisted?: boolean;
  usage?: number;
  quota?: number;
}
export async function storageStanding(): Promise<StorageStanding> {
  const standing: StorageStanding = {};
  try {
    standing.persisted = await navigator.storage.persisted();
    const { usage, quota } = await navigator.storage.estimate();
    if (usage !== undefined) standing.usage = usage;
    if (quota !== undefined) standing.quota = quota;
  } catch {
    // not every browser tells
  }
  return standing;
}

/** Longest that a browser may take to answer whether it keeps what is stored, ms: some wait for a person. */
const LONGEST_ANSWER_MS = 5_000;

/** Asks the browser to keep what is stored when its disk runs low; must be called within a click. */
export async function askNow(): Promise<'kept' | 'refused' | 'not offered' | 'no answer'> {
  const storage = (navigator as { storage?: Partial<StorageManager> }).storage;
  if (typeof storage?.persist !== 'function') return 'not offered';
  try {
    const late = new Promise<'no answer'>((tell) => setTimeout(() => tell('no answer'), LONGEST_ANSWER_MS));
    const answer = await Promise.race([storage.persist(), late]);
    return answer === 'no answer' ? answer : answer ? 'kept' : 'refused';
  } catch {
    return 'not offered';
  }
}

/** What is stored, by what it is, in bytes of its text: what a person can make smaller. */
export async function storedBytes(
  db: UbertasDatabase = database(),
): Promise<{ table: string; records: number; bytes: number }[]> {
  const found: { table: string; records: number; bytes: number }[] = [];
  for (const table of db.tables) {
    let bytes = 0;
    let records = 0;
    await table.each((record) => {
      bytes += JSON.stringify(record).length;
      records++;
    });
    found.push({ table: table.name, records, bytes });
  }
  return found.sort((a, b) => b.bytes - a.bytes);
}

/** Deletes everything this browser keeps for Ubertas: the database and what was typed and not saved. */
export async function deleteEverything(db: UbertasDatabase = database()): Promise<void> {
  await db.transaction('rw', db.tables, async () => {
    for (const table of db.tables) await table.clear();
    // an emptied browser stays empty
    await writeNote('demo-offered', 'yes', db);
  });
  for (const key of Object.keys(localStorage)) if (key.startsWith('ubertas-')) localStorage.removeItem(key);
  tellOthers(SETTINGS);
}

/** The day of the last backup from this browser. */
export const lastBackup = (db: UbertasDatabase = database()): Promise<string | undefined> => readNote(BACKUP_AT, db);
