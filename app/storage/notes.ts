import { database, type UbertasDatabase } from './schema';

/** A small fact kept in this browser. */
export const readNote = async (key: string, db: UbertasDatabase = database()): Promise<string | undefined> =>
  (await db.notes.get(key))?.value;

export const writeNote = async (key: string, value: string, db: UbertasDatabase = database()): Promise<void> => {
  await db.notes.put({ key, value });
};
