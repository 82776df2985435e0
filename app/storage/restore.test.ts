import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { readCase } from '@core/files/case-file';
import type { Case, Product } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { isRefusal } from '@core/reckoning/refusal';
import { exportBackup, exportProperty, readImport } from './case-files';
import { applyChange, ChangedMeanwhile } from './changes';
import { deleteProperty, idOfFile, listProperties, loadAllProperties, loadProperty } from './property-repository';
import { isRandomId } from './record-id';
import { decisionKey, restoreCases, surveyCases, undoRestore } from './restore';
import { openDatabase, type UbertasDatabase } from './schema';
import { loadShelf, saveProducts } from './shelf-repository';

const demo = (name: string): Case => {
  const read = readCase(readFileSync(`demo/${name}.json`, 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  return read;
};
const opened = (source: string) => {
  const read = readImport(source);
  if (isRefusal(read)) throw new Error(read.refused);
  return read;
};

let db: UbertasDatabase;
let count = 0;
beforeEach(() => {
  db = openDatabase(`restore-${count++}`);
});
afterEach(async () => db.delete());
const backup = async () => opened(await exportBackup('2027-04-05', db));
const idHere = async (fileId: string): Promise<string> => (await idOfFile(fileId, db)) as string;

describe('a file opened twice', () => {
  it('changes nothing the second time, whether a case or a backup, and doubles no property', async () => {
    await restoreCases([demo('quarry-lane-school'), demo('okonedo-residence')], {}, db);
    const before = await loadAllProperties(db);
    const again = await restoreCases([demo('quarry-lane-school')], {}, db);
    expect(again.written).toBe(0);
    const whole = await backup();
    expect((await restoreCases(whole.cases, { backup: true }, db)).written).toBe(0);
    expect(await loadAllProperties(db)).toEqual(before);
  });
  it('gives a property an id of chance, and files go on knowing it by theirs', async () => {
    await restoreCases([demo('quarry-lane-school')], {}, db);
    const [entry] = await listProperties(db);
    expect(isRandomId(entry?.id ?? '')).toBe(true);
    const written = opened((await exportProperty(entry?.id ?? '', db)) ?? '');
    expect(written.cases[0]?.property.id).toBe('quarry-lane-school');
  });
});

describe('a backup in an empty browser', () => {
  it('brings back prices, lots and labels of the starter materials as they were saved, whatever they are', async () => {
    const shelf = await loadShelf(db);
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...shelf.map((product) => product.id)),
        fc.record({
          name: fc.string({ minLength: 1, maxLength: 40 }),
          lot: fc.string({ maxLength: 20 }),
          onHandLb: fc.double({ min: 0, max: 900, noNaN: true }),
          package: fc.record({
            lb: fc.double({ min: 1, max: 80, noNaN: true }),
            price: fc.double({ min: 0, max: 90, noNaN: true }),
          }),
        }),
        async (id, over) => {
          const stands = (await db.products.get(id)) as Product;
          await restoreCases([demo('okonedo-residence')], {}, db);
          await saveProducts([{ ...stands, ...over }], db);
          const saved = await loadShelf(db);
          const { cases } = await backup();
          const empty = openDatabase('restore-empty');
          // the application puts the starter shelf there first
          await loadShelf(empty);
          await restoreCases(cases, { backup: true }, empty);
          const back = await loadShelf(empty);
          await empty.delete();
          expect(JSON.parse(JSON.stringify(back))).toEqual(JSON.parse(JSON.stringify(saved)));
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('a backup over what was worked on since', () => {
  beforeEach(async () => {
    await restoreCases([demo('quarry-lane-school')], {}, db);
  });
  const rename = async (name: string) => {
    const id = await idHere('quarry-lane-school');
    const lawn = (await loadProperty(id, db))!.zones[0]!;
    await applyChange(id, { put: { zones: [{ ...lawn, name }] } }, db);
  };
  const firstZone = async () => (await loadProperty(await idHere('quarry-lane-school'), db))!.zones[0]!;

  it('leaves what is newer here, and takes what is newer there', async () => {
    await rename('Older name');
    const older = await backup();
    await rename('Newer name');
    const newer = await backup();
    expect((await restoreCases(older.cases, { backup: true }, db)).written).toBe(0);
    expect((await firstZone()).name).toBe('Newer name');
    await restoreCases(older.cases, { backup: true, decisions: await takeAll(older.cases) }, db);
    expect((await firstZone()).name).toBe('Older name');
    await restoreCases(newer.cases, { backup: true }, db);
    expect((await firstZone()).name).toBe('Newer name');
  });
  const takeAll = async (cases: Case[]) =>
    Object.fromEntries(
      (await surveyCases(cases, db)).flatMap(({ fileId, brought }) =>
        brought.map((each) => [decisionKey(fileId, each), 'take' as const]),
      ),
    );

  it('tells every record in its standing', async () => {
    const { cases } = await backup();
    await rename('Changed here');
    const id = await idHere('quarry-lane-school');
    const test = (await loadProperty(id, db))!.soilTests![0]!;
    await applyChange(id, { remove: { soilTests: [test.id] } }, db);
    const [survey] = await surveyCases(cases, db);
    const of = (kind: string, which: string) =>
      survey?.brought.find((b) => b.kind === kind && b.id === which)?.standing;
    expect(of('property', 'quarry-lane-school')).toBe('same');
    // the demo's zone carries no day of its own, so which is newer cannot be told
    expect(of('zones', 'south-lawn')).toBe('differs');
    expect(of('zones', 'lime-walk')).toBe('same');
    expect(of('soilTests', test.id)).toBe('new');
  });
  it('is taken back whole: what it wrote and nothing else', async () => {
    const old = await backup();
    await rename('Worked on');
    const before = await loadAllProperties(db);
    const taken = await restoreCases(
      [...old.cases, demo('okonedo-residence')],
      { backup: true, decisions: await takeAll(old.cases) },
      db,
    );
    expect(await listProperties(db)).toHaveLength(2);
    await undoRestore(taken.undo, db);
    expect(await loadAllProperties(db)).toEqual(before);
  });
  it('is not taken back over what was changed since', async () => {
    const old = await backup();
    await rename('Worked on');
    const taken = await restoreCases(old.cases, { backup: true, decisions: await takeAll(old.cases) }, db);
    await rename('And again');
    await expect(undoRestore(taken.undo, db)).rejects.toBeInstanceOf(ChangedMeanwhile);
    expect((await firstZone()).name).toBe('And again');
  });
  it('is asked again where something changed after it was looked at', async () => {
    const old = await backup();
    const surveyed = await surveyCases(old.cases, db);
    await rename('Meanwhile');
    await expect(restoreCases(old.cases, { backup: true, surveyed }, db)).rejects.toBeInstanceOf(ChangedMeanwhile);
  });
  it('brings a deleted property back under its own address', async () => {
    const { cases } = await backup();
    const id = await idHere('quarry-lane-school');
    const undo = await deleteProperty(id, db);
    const [back] = (await restoreCases(cases, { backup: true }, db)).properties;
    expect(await exportProperty(back?.id ?? '', db)).toContain('"quarry-lane-school"');
    await deleteProperty(back?.id ?? '', db);
    await applyChange(id, JSON.parse(JSON.stringify(undo)) as typeof undo, db);
    expect((await loadProperty(id, db))?.zones.map((z) => z.id)).toEqual(['south-lawn', 'playing-strip', 'lime-walk']);
  });
});

describe('a stranger’s case', () => {
  it('keeps its own label beside ours where both carry one id, and leaves our price', async () => {
    const urea = STARTER_SHELF.find((p) => p.id === 'urea-46')!;
    await loadShelf(db);
    await saveProducts([{ ...urea, package: { lb: 50, price: 31 } }], db);
    await restoreCases(
      [{ ...demo('mill-race-cottages'), products: [{ ...urea, package: { lb: 50, price: 99 } }] }],
      {},
      db,
    );
    expect((await db.products.get('urea-46'))?.package?.price).toBe(31);
    const other = { ...demo('okonedo-residence'), products: [{ ...urea, guaranteed: { N: 44 }, nitrogen: undefined }] };
    await restoreCases([other], {}, db);
    expect((await db.products.get('urea-46-2'))?.guaranteed.N).toBe(44);
    expect((await db.products.get('urea-46'))?.guaranteed.N).toBe(46);
  });
});
