import { photosOf } from '@core/runs/run-state';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { database, type UbertasDatabase } from './schema';

/** Photos of the work. They lie apart by what they are, so that the same picture is stored once, and lists never read them. */

/** A photo that neither a run nor a record names is kept so long: its step may be on the way yet, h. */
const LOOSE_HOURS = 24;

/** Throws away what neither a run nor a record names any more. */
async function sweepPhotos(db: UbertasDatabase): Promise<void> {
  const before = new Date(Date.now() - LOOSE_HOURS * 3_600_000).toISOString();
  const old = (await db.photos.toArray()).filter(({ madeAt }) => madeAt < before);
  if (old.length === 0) return;
  const named = new Set([
    ...(await db.runs.toArray()).flatMap(photosOf),
    ...(await db.records.toArray()).flatMap(({ body }) => body.photos ?? []),
  ]);
  await db.photos.bulkDelete(old.flatMap(({ hash }) => (named.has(hash) ? [] : [hash])));
}

/** Keeps a photo and gives its name: the SHA-256 of its bytes. */
export async function keepPhoto(jpeg: Blob, db: UbertasDatabase = database()): Promise<string> {
  const hash = bytesToHex(sha256(new Uint8Array(await jpeg.arrayBuffer())));
  await db.transaction('rw', [db.photos, db.runs, db.records], async () => {
    await sweepPhotos(db);
    await db.photos.put({ hash, jpeg, madeAt: new Date().toISOString() });
  });
  return hash;
}

/** A photo by its name; undefined where this browser does not have it. */
export const readPhoto = async (hash: string, db: UbertasDatabase = database()): Promise<Blob | undefined> =>
  (await db.photos.get(hash))?.jpeg;
