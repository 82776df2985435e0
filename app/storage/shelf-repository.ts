import type { Product } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { ChangedMeanwhile, NotKept, sureOfRoom, sureProduct } from './changes';
import { SHELF, tellOthers } from './other-tabs';
import { ensureShelf } from './property-repository';
import { stampAfter } from './record-id';
import { database, type UbertasDatabase } from './schema';

/** Every product of the one shelf; an empty browser gets the starter shelf first. */
export async function loadShelf(db: UbertasDatabase = database()): Promise<Product[]> {
  await ensureShelf(db);
  return db.products.toArray();
}

/** A change of the shelf: products to write, ids to take off, and the versions that must stand, null for none. */
export interface ShelfChange {
  put: readonly Product[];
  remove: readonly string[];
  over?: Readonly<Record<string, string | null>>;
}

/**
 * Writes a change of the shelf, all or nothing, and gives the change that takes it back. A product is written over the version
 * it carries in `changedAt`: where another stands, somebody else wrote it since it was read.
 *
 * @throws ChangedMeanwhile, RecordRefused, TooMany, NotKept; the browser's own faults as they come
 */
export async function changeShelf(change: ShelfChange, db: UbertasDatabase = database()): Promise<ShelfChange> {
  const undo = await db.transaction('rw', db.products, () => writeShelf(change, db));
  const put = change.put.map((product) => product.id);
  const stand = await db.products.bulkGet(put);
  if (put.some((id, i) => (stand[i]?.changedAt ?? null) !== undo.over?.[id])) throw new NotKept();
  tellOthers(SHELF);
  return undo;
}

/** The write itself, within a transaction. */
export async function writeShelf(
  { put, remove, over: expected = {} }: ShelfChange,
  db: UbertasDatabase,
  stamp: (before?: string, given?: string) => string | undefined = (before) => stampAfter(before),
): Promise<ShelfChange> {
  sureOfRoom('products', put.length);
  const ids = [...put.map((product) => product.id), ...remove];
  const before = await db.products.bulkGet(ids);
  const over: Record<string, string | null> = {};
  for (const [i, id] of ids.entries()) {
    const mine = put[i];
    const stands = before[i];
    const given = expected[id];
    if (!mine && given === undefined) continue;
    if ((given === undefined ? (mine?.changedAt ?? null) : given) !== (stands?.changedAt ?? null))
      throw new ChangedMeanwhile({ propertyId: '', kind: 'products', what: 'The product', id, mine, theirs: stands });
  }
  await db.products.bulkPut(
    put.map((product, i) => {
      const changedAt = stamp(before[i]?.changedAt, product.changedAt);
      over[product.id] = changedAt ?? null;
      return sureProduct({ ...product, changedAt });
    }),
  );
  await db.products.bulkDelete([...remove]);
  for (const id of remove) over[id] = null;
  // counted after the write: what is replaced counts once, and the transaction takes all of it back
  sureOfRoom('products', await db.products.count());
  return {
    put: before.flatMap((product) => (product ? [product] : [])),
    remove: ids.filter((_, i) => i < put.length && !before[i]),
    over,
  };
}

/** Writes products, new or changed, all or none. */
export const saveProducts = (products: readonly Product[], db: UbertasDatabase = database()): Promise<ShelfChange> =>
  changeShelf({ put: products, remove: [] }, db);

/** Takes a product off the shelf. What plans say of it stays. */
export const deleteProduct = (id: string, db: UbertasDatabase = database()): Promise<ShelfChange> =>
  changeShelf({ put: [], remove: [id] }, db);

/** Starter materials that are not on the shelf. */
export async function missingStarters(db: UbertasDatabase = database()): Promise<Product[]> {
  const here = new Set(await db.products.toCollection().primaryKeys());
  return STARTER_SHELF.filter((product) => !here.has(product.id));
}

/** Names of the properties whose plans or records speak of a product. */
export async function propertiesNaming(productId: string, db: UbertasDatabase = database()): Promise<string[]> {
  const inPlans = await db.plans
    .filter(
      (plan) =>
        (plan.doses ?? []).some((dose) => dose.productId === productId) ||
        Object.values(plan.products ?? {}).includes(productId),
    )
    .toArray();
  const inZones = await db.zones
    .filter((zone) => (zone.applied ?? []).some((applied) => applied.productId === productId))
    .toArray();
  const ids = [...new Set([...inPlans, ...inZones].map((record) => record.propertyId))];
  return (await db.properties.bulkGet(ids)).flatMap((property) => (property ? [property.name] : []));
}
