import { database, type UbertasDatabase } from './schema';

/** A small fact kept in this browser. */
export const readNote = async (key: string, db: UbertasDatabase = database()): Promise<string | undefined> =>
  (await db.notes.get(key))?.value;

export const writeNote = async (key: string, value: string, db: UbertasDatabase = database()): Promise<void> => {
  await db.notes.put({ key, value });
};

const CHANGES = 'changes-since-backup';

/** How many changes no backup holds. */
export const changesNoted = async (db: UbertasDatabase = database()): Promise<number> =>
  Number(await readNote(CHANGES, db)) || 0;

/** Counts a change; a count that cannot be kept is no reason to refuse what was written. */
export const noteChange = (db: UbertasDatabase = database()): Promise<void> =>
  db
    .transaction('rw', db.notes, async () => writeNote(CHANGES, String((await changesNoted(db)) + 1), db))
    .catch(() => undefined);

/** A backup holds all of them. */
export const forgetChanges = (db: UbertasDatabase = database()): Promise<void> => writeNote(CHANGES, '0', db);
