import { BUILT_IN_PACKS } from '@core/packs/rule-packs';
import type { LocalCode } from '@core/records/case';
import { applyChange, type Change } from './changes';
import { noteChange } from './notes';
import { SETTINGS, tellOthers } from './other-tabs';
import { loadPacks } from './own-packs';
import { loadOwn, OWN_TABLES } from './own-records';
import { readTableBack, type TableChange, writeTable } from './record-table';
import { database, type UbertasDatabase } from './schema';

/** Local codes: own ones, those of packs, and the copies that properties carry. */

type Db = UbertasDatabase;
const CODES = OWN_TABLES.localCodes;

const SHIPPED: readonly LocalCode[] = BUILT_IN_PACKS.codes.map(({ source: _source, ...code }) => code as LocalCode);

/** Every code there is to choose from. */
export interface CodesHere {
  own: LocalCode[];
  /** By the pack's name. */
  packs: (readonly [pack: string, codes: readonly LocalCode[]])[];
  properties: { id: string; name: string; changedAt?: string; codes: readonly LocalCode[] }[];
}

/** The codes of this browser; what came with a property's file is an own code too, until somebody saves it. */
export async function codesHere(db: Db = database()): Promise<CodesHere> {
  const [own, packs, properties] = await Promise.all([loadOwn('localCodes', db), loadPacks(db), listCodes(db)]);
  const inPacks = packs.filter(({ file, off }) => file.kind === 'local-codes' && !off);
  const known = new Set(
    [...own, ...SHIPPED, ...inPacks.flatMap(({ file }) => file.codes as LocalCode[])].map((code) => code.id),
  );
  const brought = new Map(
    properties.flatMap(({ codes }) => codes.filter((code) => !known.has(code.id)).map((code) => [code.id, code])),
  );
  const version = BUILT_IN_PACKS.codes[0]?.source.name.split(' ').at(-1) ?? '';
  return {
    own: [...own, ...brought.values()].sort((a, b) => (a.name ?? a.id).localeCompare(b.name ?? b.id)),
    packs: [
      [`Shipped ${version}`, SHIPPED],
      ...inPacks.map(({ file }) => [`${file.pack} ${file.version}`, file.codes as LocalCode[]] as const),
    ],
    properties,
  };
}

/** Codes by their ids, in that order; ids of nothing are left out. An own code stands before a pack's. */
export async function codesWithIds(ids: readonly string[], db: Db = database()): Promise<LocalCode[]> {
  const { own, packs } = await codesHere(db);
  const all = new Map([...packs.flatMap(([, codes]) => codes), ...own].map((code) => [code.id, code]));
  return ids.flatMap((id) => all.get(id) ?? []);
}

/** What takes a change of an own code back, in the list and on every property that carries it. */
export interface CodeChange {
  codes: TableChange<LocalCode>;
  properties: { id: string; change: Change }[];
}

/** Properties that carry a code, by its id. */
export const propertiesUnder = async (codeId: string, db: Db = database()) =>
  db.properties.filter((property) => (property.codes ?? []).some((code) => code.id === codeId)).toArray();

/** Every property by name with the codes it is under. */
export async function listCodes(
  db: Db = database(),
): Promise<{ id: string; name: string; changedAt?: string; codes: LocalCode[] }[]> {
  const found: { id: string; name: string; changedAt?: string; codes: LocalCode[] }[] = [];
  await db.properties.orderBy('name').each(({ id, name, changedAt, codes = [] }) => {
    found.push({ id, name, changedAt, codes });
  });
  return found;
}

/** A change of the list and of properties, in one transaction. */
async function changeCodes(
  change: TableChange<LocalCode>,
  ofProperties: () => Promise<CodeChange['properties']>,
  db: Db,
): Promise<CodeChange> {
  const undo = await db.transaction('rw', [db.localCodes, db.properties, db.pictures], async () => {
    const codes = await writeTable(CODES, change, db);
    const properties: CodeChange['properties'] = [];
    for (const each of await ofProperties())
      properties.push({ id: each.id, change: await applyChange(each.id, each.change, db) });
    return { codes, properties };
  });
  await readTableBack(CODES, change, undo.codes, db);
  await noteChange(db);
  tellOthers(SETTINGS, ...undo.properties.map(({ id }) => id));
  return undo;
}

/** Properties that carry one of some codes, with their codes as they would be. */
async function carrying(
  ids: readonly string[],
  changed: (code: LocalCode) => LocalCode[],
  db: Db,
): Promise<CodeChange['properties']> {
  const under = await db.properties
    .filter((property) => (property.codes ?? []).some((code) => ids.includes(code.id)))
    .toArray();
  return under.map(({ id, codes = [] }) => ({
    id,
    change: { property: { codes: codes.flatMap(changed) }, propertyWas: { codes } },
  }));
}

/**
 * Writes own codes, and over the copies of them that properties carry. One that is not in the list yet, because it came with a
 * property's file, is written as new, whatever version its copy carries.
 */
export const saveCodes = async (codes: readonly LocalCode[], db: Db = database()): Promise<CodeChange> => {
  const ids = codes.map(({ id }) => id);
  const listed = new Set((await db.localCodes.bulkGet(ids)).flatMap((code) => (code ? [code.id] : [])));
  const put = codes.map((code) => (listed.has(code.id) ? code : { ...code, changedAt: undefined }));
  return changeCodes(
    { put, remove: [] },
    async () => {
      const written = new Map((await db.localCodes.bulkGet(ids)).flatMap((code) => (code ? [[code.id, code]] : [])));
      return carrying(ids, (code) => [written.get(code.id) ?? code], db);
    },
    db,
  );
};
export const saveCode = (code: LocalCode, db: Db = database()): Promise<CodeChange> => saveCodes([code], db);

/** Deletes an own code, and takes it off every property. */
export const deleteCode = (codeId: string, db: Db = database()): Promise<CodeChange> =>
  changeCodes(
    { put: [], remove: [codeId] },
    () => carrying([codeId], (code) => (code.id === codeId ? [] : [code]), db),
    db,
  );

/** Takes back what `saveCode` or `deleteCode` did. */
export const undoCode = ({ codes, properties }: CodeChange, db: Db = database()): Promise<CodeChange> =>
  changeCodes(codes, () => Promise.resolve(properties), db);

/** Puts a list of codes on a property. */
export async function bindCodes(propertyId: string, codes: readonly LocalCode[], db: Db = database()): Promise<Change> {
  const before = (await db.properties.get(propertyId))?.codes;
  return applyChange(propertyId, { property: { codes: [...codes] }, propertyWas: { codes: before ?? null } }, db);
}
