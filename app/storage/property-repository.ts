import { withGiven } from '@core/log/applied';
import { recordsOf } from '@core/log/versions';
import type { Case, Choices, Plan, Product, RecordVersion, Run, Sample, SoilTest, Zone } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { isOpen } from '@core/runs/run-state';
import { groupBy } from '@core/tables/group-by';
import { refuse } from '@core/reckoning/refusal';
import { applyChange, type Change, idOf, NotKept, PropertyGone, RecordRefused, written } from './changes';
import { noteChange } from './notes';
import { tellOthers } from './other-tabs';
import { database, type PictureRecord, type PropertyRecord, type UbertasDatabase } from './schema';

/** Everything of one property, in the shape the core reckons with, and the id that files know it by. */
export type PropertyFile = Case & { fileId: string };

const strip = <T extends { key: string; propertyId: string; order?: number }>(
  record: T,
): Omit<T, 'key' | 'propertyId' | 'order'> => {
  const { key: _key, propertyId: _property, order: _order, ...rest } = record;
  return rest;
};

interface Parts {
  zones: Zone[];
  soilTests: SoilTest[];
  samples: Sample[];
  plans: Plan[];
  runs: Run[];
  records: RecordVersion[];
  products: Product[];
  picture?: PictureRecord;
}

const assemble = (record: PropertyRecord, { picture, runs, records, ...parts }: Parts): PropertyFile => {
  const { codes, choices, fileId, ...property } = record;
  return {
    format: 'ubertas-case',
    version: 1,
    property: picture ? { ...property, site: { ...property.site, picture: picture.picture } } : property,
    ...parts,
    ...(runs.length > 0 ? { runs } : {}),
    ...(records.length > 0 ? { records } : {}),
    codes: codes ?? [],
    choices,
    fileId: fileId ?? record.id,
  };
};

/** Puts the starter shelf into an empty shelf. */
export async function ensureShelf(db: UbertasDatabase = database()): Promise<void> {
  if ((await db.products.count()) === 0) await db.products.bulkPut([...STARTER_SHELF]);
}

/** One property as it is worked with: its zones know what went down by the log. Undefined where it is not in this browser. */
export async function loadProperty(id: string, db: UbertasDatabase = database()): Promise<PropertyFile | undefined> {
  const stored = await loadStored(id, db);
  return stored && withGiven(stored);
}

/** One property as it is stored, with zones, reports, samples, plans, runs, log and the shelf. */
export async function loadStored(id: string, db: UbertasDatabase = database()): Promise<PropertyFile | undefined> {
  const tables = [db.properties, ...ownTables(db), db.products, db.pictures];
  return db.transaction('r', tables, async () => {
    const record = await db.properties.get(id);
    if (!record) return undefined;
    const [zones, tests, samples, plans, runs, records, products, picture] = await Promise.all([
      db.zones.where({ propertyId: id }).sortBy('order'),
      db.soilTests.where({ propertyId: id }).sortBy('sampledOn'),
      db.samples.where({ propertyId: id }).sortBy('code'),
      db.plans.where({ propertyId: id }).toArray(),
      db.runs.where({ propertyId: id }).toArray(),
      db.records.where({ propertyId: id }).toArray(),
      db.products.toArray(),
      db.pictures.get(id),
    ]);
    return assemble(record, {
      zones: zones.map(strip),
      soilTests: tests.map(strip),
      samples: samples.map(strip),
      plans: plans.map(strip),
      runs: runs.map(strip),
      records: records.map(strip),
      products,
      picture,
    });
  });
}

/** One property that must be there; throws `PropertyGone` where another tab deleted it. */
export async function existingProperty(id: string, db: UbertasDatabase = database()): Promise<PropertyFile> {
  const file = await loadProperty(id, db);
  if (!file) throw new PropertyGone();
  return file;
}

/** The id under which this browser keeps a property that files, or addresses of an older Ubertas, know by another. */
export async function idOfFile(fileId: string, db: UbertasDatabase = database()): Promise<string | undefined> {
  const here = (await db.properties.get(fileId)) ?? (await db.properties.where({ fileId }).first());
  return here?.id;
}

/** Several properties as they are worked with, in the order asked for; those that are gone are left out. Pictures stay behind. */
export const loadProperties = async (
  ids: readonly string[],
  db: UbertasDatabase = database(),
): Promise<PropertyFile[]> => (await storedProperties(ids, db)).map(withGiven);

/** Several properties as they are stored. */
async function storedProperties(ids: readonly string[], db: UbertasDatabase = database()): Promise<PropertyFile[]> {
  return db.transaction('r', [db.properties, ...ownTables(db), db.products], async () => {
    const wanted = [...ids];
    const [properties, zones, tests, samples, plans, runs, records, products] = await Promise.all([
      db.properties.bulkGet(wanted),
      db.zones.where('propertyId').anyOf(wanted).toArray(),
      db.soilTests.where('propertyId').anyOf(wanted).toArray(),
      db.samples.where('propertyId').anyOf(wanted).toArray(),
      db.plans.where('propertyId').anyOf(wanted).toArray(),
      db.runs.where('propertyId').anyOf(wanted).toArray(),
      db.records.where('propertyId').anyOf(wanted).toArray(),
      db.products.toArray(),
    ]);
    const [zonesOf, testsOf, samplesOf, plansOf, runsOf, logOf] = [
      byProperty(zones),
      byProperty(tests),
      byProperty(samples),
      byProperty(plans),
      byProperty(runs),
      byProperty(records),
    ];
    return properties
      .filter((record) => record !== undefined)
      .map((record) =>
        assemble(record, {
          zones: zonesOf(record.id)
            .sort((a, b) => a.order - b.order)
            .map(strip),
          soilTests: testsOf(record.id).map(strip),
          samples: samplesOf(record.id).map(strip),
          plans: plansOf(record.id).map(strip),
          runs: runsOf(record.id).map(strip),
          records: logOf(record.id).map(strip),
          products,
        }),
      );
  });
}

function byProperty<T extends { propertyId: string }>(all: readonly T[]): (id: string) => T[] {
  const groups = groupBy(all, (each) => each.propertyId);
  return (id) => groups.get(id) ?? [];
}

/** What the list of properties needs to be searched: names, zone names and grasses; no reports, no plans. */
export interface PropertyEntry {
  id: string;
  name: string;
  zones: { name: string; grass: Zone['grass']; areaSqFt: number }[];
}

/** Every property by name, as the list shows it before a row is looked at. */
export async function listProperties(db: UbertasDatabase = database()): Promise<PropertyEntry[]> {
  return db.transaction('r', db.properties, db.zones, async () => {
    const [records, zones] = await Promise.all([db.properties.orderBy('name').toArray(), db.zones.toArray()]);
    const zonesOf = byProperty(zones);
    return records.map(({ id, name }) => ({
      id,
      name,
      zones: zonesOf(id).map(({ name, grass, areaSqFt }) => ({ name, grass, areaSqFt })),
    }));
  });
}

/** Whether a run of any property is under way in this browser. */
export const anyRunOpen = async (db: UbertasDatabase = database()): Promise<boolean> =>
  (await db.runs.toArray()).some((row) => isOpen(strip(row)));

/** All properties by name, for a backup. */
export async function loadAllProperties(db: UbertasDatabase = database()): Promise<PropertyFile[]> {
  const files = await storedProperties(
    (await listProperties(db)).map((entry) => entry.id),
    db,
  );
  const pictures = new Map((await db.pictures.toArray()).map((p) => [p.propertyId, p.picture]));
  return files.map((file) => {
    const picture = pictures.get(file.property.id);
    return picture ? { ...file, property: { ...file.property, site: { ...file.property.site, picture } } } : file;
  });
}

/** Tables whose records belong to one property. */
export const ownTables = (db: UbertasDatabase) => [db.zones, db.soilTests, db.samples, db.plans, db.runs, db.records];

type Db = UbertasDatabase;

/** Writes a property's own facts, new or changed. */
export async function saveProperty(
  { id, changedAt: _at, ...facts }: Case['property'] & { choices?: Choices },
  db: Db = database(),
): Promise<Change> {
  await ensureShelf(db);
  return applyChange(id, { property: facts }, db);
}

/** Changes some of a property's choices. */
export async function saveChoices(propertyId: string, change: Partial<Choices>, db: Db = database()): Promise<Change> {
  const before = (await db.properties.get(propertyId))?.choices;
  const property = { choices: { ...before, ...change } };
  return applyChange(propertyId, { property, propertyWas: { choices: before } }, db);
}

/** Every property by name, with what it goes by. */
export async function listChoices(db: Db = database()): Promise<{ id: string; name: string; choices?: Choices }[]> {
  const found: { id: string; name: string; choices?: Choices }[] = [];
  await db.properties.orderBy('name').each(({ id, name, choices }) => {
    found.push({ id, name, choices });
  });
  return found;
}

/** Changes of several properties, all or none, with those that take them back. */
export async function applyChanges(
  changes: readonly { id: string; change: Change }[],
  db: Db = database(),
): Promise<{ id: string; change: Change }[]> {
  const tables = [db.properties, db.pictures, ...ownTables(db)];
  const undo = await db.transaction('rw', tables, async () => {
    const undone: { id: string; change: Change }[] = [];
    for (const { id, change } of changes) undone.push({ id, change: await applyChange(id, change, db) });
    return undone;
  });
  await noteChange(db);
  tellOthers(...undo.map(({ id }) => id));
  return undo;
}

/** Changes some choices of several properties, all or none. */
export async function saveChoicesOf(
  propertyIds: readonly string[],
  over: Partial<Choices>,
  db: Db = database(),
): Promise<{ id: string; change: Change }[]> {
  const before = await db.properties.bulkGet([...propertyIds]);
  return applyChanges(
    propertyIds.map((id, i) => ({
      id,
      change: {
        property: { choices: { ...before[i]?.choices, ...over } },
        propertyWas: { choices: before[i]?.choices },
      },
    })),
    db,
  );
}

/** Writes a zone, new or changed; a new one goes last. */
export const saveZone = (propertyId: string, zone: Zone, db: Db = database()): Promise<Change> =>
  applyChange(propertyId, { put: { zones: [zone] } }, db);

/** Writes a soil report, new or changed. */
export const saveSoilTest = (propertyId: string, test: SoilTest, db: Db = database()): Promise<Change> =>
  applyChange(propertyId, { put: { soilTests: [test] } }, db);

/** Removes a soil report. */
export const deleteSoilTest = (propertyId: string, testId: string, db: Db = database()): Promise<Change> =>
  applyChange(propertyId, { remove: { soilTests: [testId] } }, db);

/** Writes a sample, new or changed. */
export const saveSample = (propertyId: string, sample: Sample, db: Db = database()): Promise<Change> =>
  applyChange(propertyId, { put: { samples: [sample] } }, db);

/** Removes a sample. */
export const deleteSample = (propertyId: string, sampleId: string, db: Db = database()): Promise<Change> =>
  applyChange(propertyId, { remove: { samples: [sampleId] } }, db);

/** Codes of all samples in this browser: a new one must not repeat any. */
export const sampleCodes = async (db: Db = database()): Promise<string[]> =>
  (await db.samples.orderBy('code').keys()) as string[];

/** Writes a plan, new or changed. */
export const savePlan = (propertyId: string, plan: Plan, db: Db = database()): Promise<Change> =>
  applyChange(propertyId, { put: { plans: [plan] } }, db);

/** Removes a plan. */
export const deletePlan = (propertyId: string, planId: string, db: Db = database()): Promise<Change> =>
  applyChange(propertyId, { remove: { plans: [planId] } }, db);

/**
 * Removes a zone with its reports, samples and runs; what comes back puts those records back and nothing else. A zone that the log names
 * stays: what went down on it is kept.
 */
export async function deleteZone(propertyId: string, zoneId: string, db: Db = database()): Promise<Change> {
  return written(propertyId, [db.properties, db.pictures, ...ownTables(db)], db, async () => {
    const ofZone = (record: { zoneId: string }) => record.zoneId === zoneId;
    const log = recordsOf((await db.records.where({ propertyId }).toArray()).map(strip));
    const named = log.filter(({ body }) => body.zoneIds.includes(zoneId)).length;
    if (named > 0)
      throw new RecordRefused(
        refuse(
          'zone',
          `${named} ${named === 1 ? 'record of the log names' : 'records of the log name'} it, and the log is kept.`,
        ),
        'The zone',
      );
    const [tests, samples, runs] = await Promise.all([
      db.soilTests.where({ propertyId, zoneId }).toArray(),
      db.samples.where({ propertyId }).filter(ofZone).toArray(),
      db.runs.where({ propertyId }).filter(ofZone).toArray(),
    ]);
    return applyChange(
      propertyId,
      {
        remove: {
          zones: [zoneId],
          soilTests: tests.map((t) => t.id),
          samples: samples.map((s) => s.id),
          runs: runs.map((r) => r.id),
        },
      },
      db,
    );
  });
}

/** Removes a property with everything of its own, and gives what puts it back. The shelf stays. */
export async function deleteProperty(id: string, db: UbertasDatabase = database()): Promise<Change> {
  const undo = await db.transaction('rw', [db.properties, db.products, db.pictures, ...ownTables(db)], async () => {
    const file = await loadStored(id, db);
    if (!file) throw new PropertyGone();
    await db.properties.delete(id);
    await db.pictures.delete(id);
    await Promise.all(ownTables(db).map((table) => table.where('propertyId').equals(id).delete()));
    return wholeOf(file);
  });
  if (await db.properties.get(id)) throw new NotKept();
  tellOthers(id);
  return undo;
}

/** A whole property as the change that writes it where it is not. */
export function wholeOf({
  property,
  zones,
  soilTests = [],
  samples = [],
  plans = [],
  runs = [],
  records = [],
  codes,
  choices,
  fileId,
}: PropertyFile): Change {
  const { id: _id, changedAt: _at, ...facts } = property;
  const put = { zones, soilTests, samples, plans, runs, records };
  return {
    property: { ...facts, codes, choices, fileId },
    put,
    over: Object.fromEntries(
      Object.entries(put).flatMap(([kind, all]) => all.map((record) => [`${kind}/${idOf(record)}`, null])),
    ),
  };
}
