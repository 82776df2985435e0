import type { Product } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { sureOfRoom, sureProduct } from './changes';
import { SHELF } from './other-tabs';
import { ensureShelf } from './property-repository';
import { changeTable, type RecordTable, type TableChange, writeTable } from './record-table';
import { database, type UbertasDatabase } from './schema';

/** Every product of the one shelf; an empty browser gets the starter shelf first. */
export async function loadShelf(db: UbertasDatabase = database()): Promise<Product[]> {
  await ensureShelf(db);
  return db.products.toArray();
}

/** A change of the shelf: products to write, ids to take off, and the versions that must stand, null for none. */
export type ShelfChange = TableChange<Product>;

const SHELF_TABLE: RecordTable<Product> = {
  kind: 'products',
  what: 'The product',
  sure: sureProduct,
  sureOfRoom: (count) => sureOfRoom('products', count),
  told: SHELF,
};

/** Writes a change of the shelf, all or nothing, and gives the change that takes it back. */
export const changeShelf = (change: ShelfChange, db: UbertasDatabase = database()): Promise<ShelfChange> =>
  changeTable(SHELF_TABLE, change, db);

/** The write itself, within a transaction. */
export const writeShelf = (
  change: ShelfChange,
  db: UbertasDatabase,
  stamp?: (before?: string, given?: string) => string | undefined,
): Promise<ShelfChange> => writeTable(SHELF_TABLE, change, db, stamp);

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
  const inRuns = await db.runs.filter((run) => run.productId === productId).toArray();
  const ids = [...new Set([...inPlans, ...inZones, ...inRuns].map((record) => record.propertyId))];
  return (await db.properties.bulkGet(ids)).flatMap((property) => (property ? [property.name] : []));
}
