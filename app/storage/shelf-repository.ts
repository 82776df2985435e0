import type { Product } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { sureOfRoom, sureProduct } from './changes';
import { ensureShelf } from './property-repository';
import { database, type UbertasDatabase } from './schema';

/** Every product of the one shelf; an empty browser gets the starter shelf first. */
export async function loadShelf(db: UbertasDatabase = database()): Promise<Product[]> {
  await ensureShelf(db);
  return db.products.toArray();
}

/** Writes products, new or changed, all or none. */
export async function saveProducts(products: readonly Product[], db: UbertasDatabase = database()): Promise<void> {
  sureOfRoom('products', products.length);
  await db.transaction('rw', db.products, async () => {
    await db.products.bulkPut(products.map(sureProduct));
    // counted after the write: what is replaced counts once, and the transaction takes all of it back
    sureOfRoom('products', await db.products.count());
  });
}

/** Takes a product off the shelf. What plans say of it stays. */
export async function deleteProduct(id: string, db: UbertasDatabase = database()): Promise<void> {
  await db.products.delete(id);
}

/** Puts the shelf back to exactly these products: the undo of an import. */
export async function replaceShelf(products: readonly Product[], db: UbertasDatabase = database()): Promise<void> {
  await db.transaction('rw', db.products, async () => {
    sureOfRoom('products', products.length);
    await db.products.clear();
    await db.products.bulkPut(products.map(sureProduct));
  });
}

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
