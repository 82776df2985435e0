import { readNote, writeNote } from './notes';
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
export const noteBackup = (day: string, db: UbertasDatabase = database()): Promise<void> =>
  writeNote(BACKUP_AT, day, db);

/** The day of the last backup from this browser. */
export const lastBackup = (db: UbertasDatabase = database()): Promise<string | undefined> => readNote(BACKUP_AT, db);
