import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import grasses from '@core/packs/grasses.json';
import { BUILT_IN_PACKS, grassIn, type PackFile } from '@core/packs/rule-packs';
import type { LocalCode } from '@core/records/case';
import { ChangedMeanwhile, RecordRefused } from './changes';
import { bindCodes, codesHere, codesWithIds, deleteCode, saveCode, undoCode } from './own-codes';
import { packsHere } from './own-packs';
import { changeOwn, loadOwn } from './own-records';
import { loadProperty, saveProperty } from './property-repository';
import { openDatabase, type UbertasDatabase } from './schema';

let db: UbertasDatabase;
let count = 0;
beforeEach(async () => {
  db = openDatabase(`own-${count++}`);
  await saveProperty({ id: 'mill', name: 'Mill green' }, db);
  await saveProperty({ id: 'yard', name: 'Yard' }, db);
});
afterEach(async () => db.delete());

const alder: LocalCode = { id: 'alder', name: 'Alder borough', maxNPerYear: 3 };
const codesOf = async (id: string) => (await loadProperty(id, db))?.codes ?? [];

describe('own codes', () => {
  it('are saved over the copies that properties carry, and undone with them', async () => {
    await saveCode(alder, db);
    await bindCodes('mill', await codesWithIds(['alder'], db), db);
    await bindCodes('yard', [{ id: 'other', setbackFt: 20 }], db);
    const [stored] = await loadOwn('localCodes', db);
    const undo = await saveCode({ ...stored!, maxNPerYear: 2 }, db);
    expect(undo.properties.map(({ id }) => id)).toEqual(['mill']);
    expect((await codesOf('mill'))[0]).toMatchObject({ id: 'alder', maxNPerYear: 2 });
    expect(await codesOf('yard')).toEqual([{ id: 'other', setbackFt: 20 }]);
    await undoCode(undo, db);
    expect((await codesOf('mill'))[0]).toMatchObject({ maxNPerYear: 3 });
    expect((await loadOwn('localCodes', db))[0]).toMatchObject({ maxNPerYear: 3 });
  });
  it('are taken off every property with their deletion, and come back with its undo', async () => {
    await saveCode(alder, db);
    await bindCodes('mill', [{ id: 'other' }, ...(await codesWithIds(['alder'], db))], db);
    const undo = await deleteCode('alder', db);
    expect((await codesOf('mill')).map(({ id }) => id)).toEqual(['other']);
    await undoCode(undo, db);
    expect((await codesOf('mill')).map(({ id }) => id)).toEqual(['other', 'alder']);
    expect((await codesHere(db)).own.map(({ id }) => id)).toEqual(['alder', 'other']);
  });
  it('refuse a write over another tab’s, whole: no property is changed', async () => {
    await saveCode(alder, db);
    const [stored] = await loadOwn('localCodes', db);
    await bindCodes('mill', [stored!], db);
    await saveCode({ ...stored!, maxNPerYear: 2.5 }, db);
    await expect(saveCode({ ...stored!, maxNPerYear: 1 }, db)).rejects.toBeInstanceOf(ChangedMeanwhile);
    expect((await codesOf('mill'))[0]).toMatchObject({ maxNPerYear: 2.5 });
  });
  it('that came with a property’s file are saved as new, whatever version the copy carries', async () => {
    const brought: LocalCode = {
      id: 'brook',
      name: 'Brook county',
      setbackFt: 20,
      changedAt: '2026-05-01T10:00:00.000Z',
    };
    await bindCodes('mill', [brought], db);
    expect((await codesHere(db)).own.map(({ id }) => id)).toEqual(['brook']);
    await saveCode({ ...brought, setbackFt: 25 }, db);
    expect((await loadOwn('localCodes', db))[0]).toMatchObject({ setbackFt: 25 });
    expect((await codesOf('mill'))[0]).toMatchObject({ setbackFt: 25 });
  });
  it('are refused by their schema', async () => {
    await expect(saveCode({ ...alder, maxNPerYear: -1 }, db)).rejects.toBeInstanceOf(RecordRefused);
    expect(await loadOwn('localCodes', db)).toEqual([]);
  });
});

describe('own packs', () => {
  const row = grasses.grasses.find((grass) => grass.id === 'tall-fescue')!;
  const pack = (ceilingLb: number): PackFile => ({
    kind: 'grasses',
    pack: 'ours',
    version: '1',
    source: { cite: 'Our trials', standing: 'common practice' },
    grasses: [{ ...row, ceilingLb }],
  });
  const ceiling = async (propertyId?: string) => grassIn(await packsHere(propertyId, db), 'tall-fescue').ceilingLb;

  it('lie over what ships, the later over the earlier, and not where they are switched off', async () => {
    expect(await packsHere(undefined, db)).toBe(BUILT_IN_PACKS);
    await changeOwn(
      'packs',
      {
        put: [
          { id: 'a', order: 2, file: pack(8) },
          { id: 'b', order: 1, file: pack(9) },
        ],
        remove: [],
      },
      db,
    );
    expect(await ceiling()).toBe(8);
    // who asks twice gets the same packs: what was reckoned by them is found again
    expect(await packsHere(undefined, db)).toBe(await packsHere(undefined, db));
    const [a] = await loadOwn('packs', db);
    await changeOwn('packs', { put: [{ ...a!, off: true }], remove: [] }, db);
    expect(await ceiling()).toBe(9);
    expect(grassIn(await packsHere(undefined, db), 'tall-fescue').source.name).toBe('ours 1');
    expect(grassIn(await packsHere(undefined, db), 'zoysiagrass').source).toEqual(
      grassIn(BUILT_IN_PACKS, 'zoysiagrass').source,
    );
  });
  it('hold for the properties they are said to hold for', async () => {
    await changeOwn('packs', { put: [{ id: 'a', order: 1, file: pack(8), properties: ['mill'] }], remove: [] }, db);
    expect(await ceiling('mill')).toBe(8);
    expect(await ceiling('yard')).toBe(row.ceilingLb);
    expect(await ceiling()).toBe(row.ceilingLb);
  });
});
