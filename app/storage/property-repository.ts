import type { Case, Choices, Plan, Product, Property, SoilTest, Zone } from '@core/formats/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { database, keyOf, type PropertyRecord, type UbertasDatabase } from './schema';

/** Everything of one property, in the shape the core reckons with. */
export type PropertyFile = Case;

const strip = <T extends { key: string; propertyId: string; order?: number }>(
  record: T,
): Omit<T, 'key' | 'propertyId' | 'order'> => {
  const { key: _key, propertyId: _property, order: _order, ...rest } = record;
  return rest;
};

const assemble = (
  record: PropertyRecord,
  zones: Zone[],
  soilTests: SoilTest[],
  plans: Plan[],
  products: Product[],
): PropertyFile => {
  const { codes, choices, changedAt: _changed, ...property } = record;
  return {
    format: 'ubertas-case',
    version: 1,
    property,
    zones,
    soilTests,
    products,
    codes: codes ?? [],
    choices,
    plans,
  };
};

/** Puts the starter shelf into an empty shelf. */
export async function ensureShelf(db: UbertasDatabase = database()): Promise<void> {
  if ((await db.products.count()) === 0) await db.products.bulkPut([...STARTER_SHELF]);
}

/** One property with zones, reports, plans and the shelf; undefined where it is not in this browser. */
export async function loadProperty(id: string, db: UbertasDatabase = database()): Promise<PropertyFile | undefined> {
  return db.transaction('r', db.properties, db.zones, db.soilTests, db.plans, db.products, async () => {
    const record = await db.properties.get(id);
    if (!record) return undefined;
    const zones = await db.zones.where({ propertyId: id }).sortBy('order');
    const tests = await db.soilTests.where({ propertyId: id }).sortBy('sampledOn');
    const plans = await db.plans.where({ propertyId: id }).toArray();
    return assemble(record, zones.map(strip), tests.map(strip), plans.map(strip), await db.products.toArray());
  });
}

/** All properties by name. Reads each table once, however many properties there are. */
export async function loadAllProperties(db: UbertasDatabase = database()): Promise<PropertyFile[]> {
  return db.transaction('r', db.properties, db.zones, db.soilTests, db.plans, db.products, async () => {
    const [records, zones, tests, plans, products] = await Promise.all([
      db.properties.orderBy('name').toArray(),
      db.zones.toArray(),
      db.soilTests.toArray(),
      db.plans.toArray(),
      db.products.toArray(),
    ]);
    const of = <T extends { propertyId: string }>(all: T[]) => {
      const groups = new Map<string, T[]>();
      for (const each of all) groups.set(each.propertyId, [...(groups.get(each.propertyId) ?? []), each]);
      return (id: string) => groups.get(id) ?? [];
    };
    const [zonesOf, testsOf, plansOf] = [of(zones), of(tests), of(plans)];
    return records.map((record) =>
      assemble(
        record,
        zonesOf(record.id)
          .sort((a, b) => a.order - b.order)
          .map(strip),
        testsOf(record.id).map(strip),
        plansOf(record.id).map(strip),
        products,
      ),
    );
  });
}

const touched = (): string => new Date().toISOString();

const touch = (db: UbertasDatabase, propertyId: string) => db.properties.update(propertyId, { changedAt: touched() });

/** Writes a property's own facts, new or changed. */
export async function saveProperty(
  property: Property & { choices?: Choices },
  db: UbertasDatabase = database(),
): Promise<void> {
  await db.transaction('rw', db.properties, db.products, async () => {
    await ensureShelf(db);
    const before = await db.properties.get(property.id);
    await db.properties.put({ ...before, ...property, changedAt: touched() });
  });
}

/** Changes some of a property's choices. */
export async function saveChoices(
  propertyId: string,
  change: Partial<Choices>,
  db: UbertasDatabase = database(),
): Promise<void> {
  await db.transaction('rw', db.properties, async () => {
    const before = await db.properties.get(propertyId);
    if (before) await db.properties.put({ ...before, choices: { ...before.choices, ...change }, changedAt: touched() });
  });
}

/** Writes a zone, new or changed; a new one goes last. */
export async function saveZone(propertyId: string, zone: Zone, db: UbertasDatabase = database()): Promise<void> {
  await db.transaction('rw', db.zones, db.properties, async () => {
    const key = keyOf(propertyId, zone.id);
    const before = await db.zones.get(key);
    const order = before?.order ?? (await db.zones.where({ propertyId }).count());
    await db.zones.put({ ...zone, key, propertyId, order });
    await touch(db, propertyId);
  });
}

/** Writes a soil report, new or changed. */
export async function saveSoilTest(
  propertyId: string,
  test: SoilTest,
  db: UbertasDatabase = database(),
): Promise<void> {
  await db.transaction('rw', db.soilTests, db.properties, async () => {
    await db.soilTests.put({ ...test, key: keyOf(propertyId, test.id), propertyId });
    await touch(db, propertyId);
  });
}

/** Writes a plan, new or changed. */
export async function savePlan(propertyId: string, plan: Plan, db: UbertasDatabase = database()): Promise<void> {
  await db.transaction('rw', db.plans, db.properties, async () => {
    await db.plans.put({ ...plan, key: keyOf(propertyId, plan.id), propertyId });
    await touch(db, propertyId);
  });
}

/** Removes a plan. */
export async function deletePlan(propertyId: string, planId: string, db: UbertasDatabase = database()): Promise<void> {
  await db.plans.delete(keyOf(propertyId, planId));
}

/** Removes a soil report and returns it, so that it can be put back. */
export async function deleteSoilTest(
  propertyId: string,
  testId: string,
  db: UbertasDatabase = database(),
): Promise<void> {
  await db.soilTests.delete(keyOf(propertyId, testId));
}

/** Removes a zone with its reports. */
export async function deleteZone(propertyId: string, zoneId: string, db: UbertasDatabase = database()): Promise<void> {
  await db.transaction('rw', db.zones, db.soilTests, async () => {
    await db.zones.delete(keyOf(propertyId, zoneId));
    await db.soilTests.where({ propertyId, zoneId }).delete();
  });
}

/** Removes a property with everything of its own. The shelf stays. */
export async function deleteProperty(id: string, db: UbertasDatabase = database()): Promise<void> {
  await db.transaction('rw', db.properties, db.zones, db.soilTests, db.plans, async () => {
    await db.properties.delete(id);
    await Promise.all([db.zones, db.soilTests, db.plans].map((table) => table.where('propertyId').equals(id).delete()));
  });
}
