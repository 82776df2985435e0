import Dexie, { type EntityTable } from 'dexie';
import type { Choices, LocalCode, Plan, Product, Property, Sample, Site, SoilTest, Zone } from '@core/records/case';
import type { TableReading } from '@core/files/report-table';

/** A property with what belongs to it alone. */
export interface PropertyRecord extends Property {
  codes?: LocalCode[];
  choices?: Choices;
  changedAt: string;
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
/** A plan picture lies apart, so that lists of properties never read it. */
export interface PictureRecord {
  propertyId: string;
  picture: NonNullable<Site['picture']>;
}
/** How a laboratory's table was read the last time, found again by its header. */
export interface LabLayoutRecord {
  fingerprint: string;
  reading: TableReading;
  usedAt: string;
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
  pictures: EntityTable<PictureRecord, 'propertyId'>;
  labLayouts: EntityTable<LabLayoutRecord, 'fingerprint'>;
};

/** Key of a record inside a property: ids need only be unique within their case. */
export const keyOf = (propertyId: string, id: string): string => `${propertyId}/${id}`;

/** Version of the last `.version()` below. */
const SCHEMA_VERSION = 2;
/** Dexie counts versions in tenths. */
const DEXIE_FACTOR = 10;

/** Opens the database. Each version adds to the one before it and leaves it as it stands. */
export function openDatabase(name = 'ubertas'): UbertasDatabase {
  const database = new Dexie(name) as UbertasDatabase;
  database.version(1).stores({
    properties: 'id, name, changedAt',
    zones: 'key, propertyId',
    soilTests: 'key, propertyId, [propertyId+zoneId]',
    products: 'id',
    plans: 'key, propertyId',
    notes: 'key',
  });
  // samples on their way, plan pictures and remembered laboratory layouts; nothing of version 1 changes
  database.version(SCHEMA_VERSION).stores({
    samples: 'key, propertyId, code',
    pictures: 'propertyId',
    labLayouts: 'fingerprint',
  });
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
