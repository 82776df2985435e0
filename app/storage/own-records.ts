import { codeSchema, type LocalCode } from '@core/records/case';
import { type Operator, operatorSchema } from '@core/records/operator-schema';
import { packRecordSchema, type Setting, SETTING_SCHEMAS, type SettingId } from '@core/records/settings-schema';
import { type Kept, sure } from './changes';
import { SETTINGS } from './other-tabs';
import { changeTable, type RecordTable, type TableChange } from './record-table';
import { database, type PackRecord, type UbertasDatabase } from './schema';
import { changeShelf } from './shelf-repository';
import { type Spreader, spreaderSchema } from '@core/records/spreader-schema';

/** What belongs to the agronomist and to no property: own codes, packs, people, spreaders, what this browser goes by. */

/** A table of such records: what one is called, and how it is checked before it is written. */
const own = <R extends { id: string; changedAt?: string }>(
  kind: Kept,
  what: string,
  check: (record: R) => unknown,
): RecordTable<R> => ({
  kind,
  what,
  sure: (record) => {
    check(record);
    return record;
  },
  told: SETTINGS,
});
const CODES = own<LocalCode>('localCodes', 'The local code', (code) => sure(codeSchema, code, 'The local code'));
/** The file was checked by its own kind's schema when it was read or typed. */
const PACKS = own<PackRecord>('packs', 'The rule pack', ({ file: _file, ...head }) =>
  sure(packRecordSchema.omit(['file']), head, 'The rule pack'),
);
const OPERATORS = own<Operator>('operators', 'The person', (person) => sure(operatorSchema, person, 'The person'));
const SPREADERS = own<Spreader>('spreaders', 'The spreader', (spreader) =>
  sure(spreaderSchema, spreader, 'The spreader'),
);
const SETTING = own<Setting>('settings', 'The setting', (setting) =>
  sure(SETTING_SCHEMAS[setting.id], setting, 'The setting'),
);
export const OWN_TABLES = {
  localCodes: CODES,
  packs: PACKS,
  operators: OPERATORS,
  spreaders: SPREADERS,
  settings: SETTING,
} as const;
export type OwnKind = keyof typeof OWN_TABLES;
export type OwnRecord<K extends OwnKind> = (typeof OWN_TABLES)[K] extends RecordTable<infer R> ? R : never;

type Db = UbertasDatabase;

/** Everything of one kind that is kept here. */
export const loadOwn = <K extends OwnKind>(kind: K, db: Db = database()): Promise<OwnRecord<K>[]> =>
  db.table<OwnRecord<K>, string>(kind).toArray();

/** Writes a change of one kind and gives the change that takes it back. */
export const changeOwn = <K extends OwnKind>(
  kind: K,
  change: TableChange<OwnRecord<K>>,
  db: Db = database(),
): Promise<TableChange<OwnRecord<K>>> =>
  changeTable(OWN_TABLES[kind] as unknown as RecordTable<OwnRecord<K>>, change, db);

/** A setting; undefined where the browser goes by what ships. */
export const loadSetting = async <I extends SettingId>(
  id: I,
  db: Db = database(),
): Promise<Extract<Setting, { id: I }> | undefined> =>
  (await db.settings.get(id)) as Extract<Setting, { id: I }> | undefined;

/** Lets the record that a person chose stand over whatever stands now. */
export async function settleKept(kind: Kept, record: unknown, db: Db = database()): Promise<void> {
  if (kind === 'products') await changeShelf({ put: [record as never], remove: [] }, db);
  else await changeOwn(kind, { put: [record as never], remove: [] }, db);
}
