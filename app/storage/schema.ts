import Dexie, { type EntityTable } from 'dexie';
import type { Choices, LocalCode, Plan, Product, Property, SoilTest, Zone } from '@core/formats/case';

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
};

/** Key of a record inside a property: ids need only be unique within their case. */
export const keyOf = (propertyId: string, id: string): string => `${propertyId}/${id}`;

/** Opens the database, schema version 1. A later version adds a `.version(2)` with its migration; this one stays. */
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
  return database;
}

let opened: UbertasDatabase | undefined;

/** The browser's database, opened once. */
export const database = (): UbertasDatabase => (opened ??= openDatabase());
