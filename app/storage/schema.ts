import Dexie, { type EntityTable, type Transaction } from 'dexie';
import type {
  Choices,
  LocalCode,
  Plan,
  Product,
  Property,
  Run,
  Sample,
  Site,
  SoilTest,
  Zone,
  RecordVersion,
} from '@core/records/case';
import type { PackFile } from '@core/packs/rule-packs';
import type { Operator } from '@core/records/operator-schema';
import type { Setting } from '@core/records/settings-schema';
import type { ReaderAnswers } from '@core/reports/reading';
import { answersOfOldLayout } from './layout-upgrade';
import { isRandomId, randomId } from './record-id';
import type { Spreader } from '@core/records/spreader-schema';

/** A property with what belongs to it alone. Its id is made of chance, because addresses carry it; files know it by `fileId`. */
export interface PropertyRecord extends Property {
  fileId?: string;
  codes?: LocalCode[];
  choices?: Choices;
}
export interface ZoneRecord extends Zone {
  key: string;
  propertyId: string;
  order: number;
}
export interface SoilTestRecord extends SoilTest {
  key: string;
  propertyId: string;
}
export interface PlanRecord extends Plan {
  key: string;
  propertyId: string;
}
export interface SampleRecord extends Sample {
  key: string;
  propertyId: string;
}
export interface RunRecord extends Run {
  key: string;
  propertyId: string;
}
/** A plan picture lies apart, so that lists of properties never read it. */
export interface PictureRecord {
  propertyId: string;
  picture: NonNullable<Site['picture']>;
}
export interface LogRow extends RecordVersion {
  key: string;
  propertyId: string;
}
/** A photo of the work, named by what it is. */
export interface PhotoRecord {
  /** SHA-256 of the bytes. */
  hash: string;
  jpeg: Blob;
  madeAt: string;
}
/** What a person said of a laboratory's files, found again by its name or the heading of its table. */
export interface LabLayoutRecord {
  fingerprint: string;
  /** What a person knows it by. */
  name: string;
  answers: ReaderAnswers;
  usedAt: string;
}
/** A user's own rule pack, in its place among the others. */
export interface PackRecord {
  id: string;
  order: number;
  off?: boolean;
  /** Properties it holds for; for all where there is no such list. */
  properties?: string[];
  file: PackFile;
  changedAt?: string;
}
/** Small facts of this browser, such as whether the demo was already loaded. */
export interface NoteRecord {
  key: string;
  value: string;
}

export type UbertasDatabase = Dexie & {
  properties: EntityTable<PropertyRecord, 'id'>;
  zones: EntityTable<ZoneRecord, 'key'>;
  soilTests: EntityTable<SoilTestRecord, 'key'>;
  products: EntityTable<Product, 'id'>;
  plans: EntityTable<PlanRecord, 'key'>;
  notes: EntityTable<NoteRecord, 'key'>;
  samples: EntityTable<SampleRecord, 'key'>;
  runs: EntityTable<RunRecord, 'key'>;
  records: EntityTable<LogRow, 'key'>;
  pictures: EntityTable<PictureRecord, 'propertyId'>;
  labLayouts: EntityTable<LabLayoutRecord, 'fingerprint'>;
  localCodes: EntityTable<LocalCode, 'id'>;
  packs: EntityTable<PackRecord, 'id'>;
  operators: EntityTable<Operator, 'id'>;
  spreaders: EntityTable<Spreader, 'id'>;
  photos: EntityTable<PhotoRecord, 'hash'>;
  settings: EntityTable<Setting, 'id'>;
};

/** Key of a record inside a property: ids need only be unique within their case. The property's own id holds no slash, so no two keys meet. */
export const keyOf = (propertyId: string, id: string): string => `${propertyId}/${id}`;

/** Version of the last `.version()` below. */
const SCHEMA_VERSION = 9;
/** Dexie counts versions in tenths. */
const DEXIE_FACTOR = 10;

/** Gives every property an id of chance, with all that is its own; files go on knowing it by the old one. */
async function withoutNamesInIds(transaction: Transaction): Promise<void> {
  const properties = transaction.table<PropertyRecord>('properties');
  const ids = new Map<string, string>();
  for (const { changedAt, ...property } of await properties.toArray()) {
    if (isRandomId(property.id)) continue;
    ids.set(property.id, randomId());
    await properties.delete(property.id);
    await properties.add({
      ...property,
      id: ids.get(property.id) as string,
      fileId: property.id,
      // the first version wrote an empty one
      ...(changedAt ? { changedAt } : {}),
    });
  }
  for (const kind of ['zones', 'soilTests', 'samples', 'plans']) {
    const table = transaction.table<{ key: string; propertyId: string; id: string }>(kind);
    const moved = (await table.toArray()).filter((record) => ids.has(record.propertyId));
    await table.bulkDelete(moved.map((record) => record.key));
    await table.bulkAdd(
      moved.map((record) => {
        const propertyId = ids.get(record.propertyId) as string;
        return { ...record, propertyId, key: keyOf(propertyId, record.id) };
      }),
    );
  }
  const pictures = transaction.table<PictureRecord>('pictures');
  for (const picture of await pictures.toArray()) {
    const propertyId = ids.get(picture.propertyId);
    if (!propertyId) continue;
    await pictures.delete(picture.propertyId);
    await pictures.add({ ...picture, propertyId });
  }
}

/** Opens the database. Each version adds to the one before it and leaves it as it stands. */
export function openDatabase(name = 'ubertas'): UbertasDatabase {
  // a record that is said to be kept has reached the disk
  const database = new Dexie(name, { chromeTransactionDurability: 'strict' }) as UbertasDatabase;
  database.version(1).stores({
    properties: 'id, name, changedAt',
    zones: 'key, propertyId',
    soilTests: 'key, propertyId, [propertyId+zoneId]',
    products: 'id',
    plans: 'key, propertyId',
    notes: 'key',
  });
  // samples on their way, plan pictures and remembered laboratory layouts; nothing of version 1 changes
  database.version(2).stores({
    samples: 'key, propertyId, code',
    pictures: 'propertyId',
    labLayouts: 'fingerprint',
  });
  // ids of properties were made of their names, which addresses then told the server
  database
    .version(3)
    .stores({ properties: 'id, fileId, name' })
    .upgrade((transaction) => withoutNamesInIds(transaction));
  // layouts were kept column by column; answers by label hold for any file of the laboratory
  database
    .version(4)
    .stores({})
    .upgrade((transaction) =>
      transaction
        .table<LabLayoutRecord>('labLayouts')
        .toCollection()
        .modify((record) => {
          const old = record as unknown as Parameters<typeof answersOfOldLayout>[0];
          record.answers = answersOfOldLayout(old);
          record.name = old.reading?.lab || record.fingerprint.slice(0, 60);
          delete (record as { reading?: unknown }).reading;
        }),
    );
  // the agronomist's own place: codes, packs, people, what the browser goes by
  database.version(5).stores({ localCodes: 'id', packs: 'id', operators: 'id', settings: 'id' });
  // jobs as they are carried out
  database.version(6).stores({ runs: 'key, propertyId' });
  // spreaders and what they gave
  database.version(7).stores({ spreaders: 'id' });
  // photos of the work
  database.version(8).stores({ photos: 'hash' });
  // the log: versions of records, which are only added to
  database.version(SCHEMA_VERSION).stores({ records: 'key, propertyId' });
  // a newer Ubertas in another tab takes the database over: this one stops, and says so at its next step
  database.on('versionchange', () => {
    database.close({ disableAutoOpen: true });
    return false;
  });
  // Dexie would work on with a database of a newer version; its records may mean more than is known here
  database.on('ready', () => {
    if ((database.backendDB()?.version ?? 0) > SCHEMA_VERSION * DEXIE_FACTOR)
      throw new Dexie.VersionError('written by a newer Ubertas');
  });
  return database;
}

let opened: UbertasDatabase | undefined;

/** The browser's database, opened once. */
export const database = (): UbertasDatabase => (opened ??= openDatabase());
