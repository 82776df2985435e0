import type { PromiseExtended } from 'dexie';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readCase } from '@core/files/case-file';
import type { Case, SoilTest, Zone } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { exportBackup, exportProperty, readImport } from './case-files';
import {
  applyChange,
  type Change,
  ChangedMeanwhile,
  NotKept,
  PropertyGone,
  RecordRefused,
  sureOfRoom,
  TooMany,
} from './changes';
import { saveProducts } from './shelf-repository';
import { MOST } from '@core/records/most';
import { deleteSoilTest, deleteZone, loadProperty, saveChoices, saveZone } from './property-repository';
import { storeReports } from './report-intake';
import { restoreCases } from './restore';
import { keyOf, openDatabase, type ZoneRecord, type UbertasDatabase } from './schema';

/** Files that keep their own ids, so that the tests can speak of them. */
const SAME = { idFor: (id: string) => id };

const ID = 'quarry-lane-school';
const demo = (): Case => {
  const read = readCase(readFileSync(`demo/${ID}.json`, 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  return read;
};

let db: UbertasDatabase;
let count = 0;
beforeEach(async () => {
  db = openDatabase(`changes-${count++}`);
  await restoreCases([demo()], SAME, db);
});
afterEach(async () => db.delete());

/** The property as it stands, without the moments of its changes, which every write moves on. */
const stored = async (): Promise<Case> =>
  JSON.parse(JSON.stringify(await loadProperty(ID, db)), (key, value: unknown) =>
    key === 'changedAt' ? undefined : value,
  ) as Case;
const withStamps = async (): Promise<Case> => (await loadProperty(ID, db)) as Case;

describe('a write', () => {
  const zone = (change: Partial<Zone>): Zone => ({ ...demo().zones[0]!, ...change });
  it.each([
    ['a zone', { put: { zones: [zone({ areaSqFt: -4 })] } }],
    [
      'a report of 5,000,000 ppm',
      {
        put: {
          soilTests: [
            {
              id: 't',
              zoneId: 'south-lawn',
              sampledOn: '2027-03-02',
              results: [{ analyte: 'K', value: 5_000_000, unit: 'ppm' }],
            },
          ] as SoilTest[],
        },
      },
    ],
    ['a sample', { put: { samples: [{ id: 's', zoneId: 'south-lawn', code: 'no code' }] } }],
    ['a plan of 2027-13-01', { put: { plans: [{ id: 'p', year: 2027, keptOn: '2027-13-01' }] } }],
    ['a property', { property: { name: '' } }],
  ] as const)('refuses %s that its schema refuses, and leaves everything as it was', async (_what, change) => {
    const before = await stored();
    await expect(applyChange(ID, change as never, db)).rejects.toBeInstanceOf(RecordRefused);
    expect(await stored()).toEqual(before);
  });
  it('of a strip of water and the zones it cuts is one: where a zone is refused the water is not kept either', async () => {
    const before = await stored();
    const site = {
      water: [
        {
          id: 'w',
          cornersFt: [
            [0, 0],
            [9, 0],
            [9, 9],
          ] as [number, number][],
          keptClearFt: 10,
        },
      ],
    };
    await expect(
      applyChange(ID, { property: { site }, put: { zones: [zone({ name: '' })] } }, db),
    ).rejects.toBeInstanceOf(RecordRefused);
    expect(await stored()).toEqual(before);
  });
});

describe('what takes a change back', () => {
  it('puts a removed zone back in its place with its reports, and leaves what was changed meanwhile', async () => {
    const before = await stored();
    const undo = await deleteZone(ID, 'playing-strip', db);
    expect((await stored()).zones.map((z) => z.id)).toEqual(['south-lawn', 'lime-walk']);
    const other = before.zones[0]!;
    await saveZone(ID, { ...other, name: 'Front lawn' }, db);
    await applyChange(ID, undo, db);
    const after = await stored();
    expect(after.zones.map((z) => z.id)).toEqual(before.zones.map((z) => z.id));
    expect(after.zones[0]?.name).toBe('Front lawn');
    expect(after.soilTests).toEqual(before.soilTests);
  });
  it('takes new records away again, and gives changed ones their old face', async () => {
    const before = await stored();
    const zone = before.zones[0]!;
    const undo = await applyChange(
      ID,
      {
        property: { name: 'Other' },
        put: {
          zones: [
            { ...zone, id: 'new' },
            { ...zone, care: 'high' },
          ],
        },
      },
      db,
    );
    expect((await stored()).zones).toHaveLength(before.zones.length + 1);
    await applyChange(ID, undo, db);
    expect(await stored()).toEqual(before);
  });
});

describe('two tabs on one record', () => {
  const lawn = async () => (await withStamps()).zones[0]!;
  it('refuse the later save of the older version, and tell both', async () => {
    const read = await lawn();
    await saveZone(ID, { ...read, name: 'Theirs' }, db);
    const fault: unknown = await saveZone(ID, { ...read, name: 'Mine' }, db).catch((caught: unknown) => caught);
    expect(fault).toBeInstanceOf(ChangedMeanwhile);
    const { conflict } = fault as ChangedMeanwhile;
    expect([conflict.kind, conflict.mine, conflict.theirs]).toMatchObject([
      'zones',
      { name: 'Mine' },
      { name: 'Theirs' },
    ]);
    expect((await lawn()).name).toBe('Theirs');
  });
  it('refuse to store anew what was deleted meanwhile, and what was made twice under one id', async () => {
    const read = await lawn();
    const { changedAt: _at, ...unstamped } = await saveZone(ID, { ...read, care: 'high' }, db).then(lawn);
    await expect(saveZone(ID, unstamped, db)).rejects.toBeInstanceOf(ChangedMeanwhile);
    const stands = await lawn();
    await deleteZone(ID, stands.id, db);
    await expect(saveZone(ID, stands, db)).rejects.toMatchObject({ conflict: { theirs: undefined } });
  });
  it('write different facts of a property beside each other, and the same one only over what they read', async () => {
    const { property } = await withStamps();
    await applyChange(ID, { property: { latitudeDeg: 41 }, propertyWas: { latitudeDeg: property.latitudeDeg } }, db);
    await applyChange(ID, { property: { site: { origin: [0, 1] } }, propertyWas: { site: property.site } }, db);
    await expect(
      applyChange(ID, { property: { latitudeDeg: 42 }, propertyWas: { latitudeDeg: property.latitudeDeg } }, db),
    ).rejects.toBeInstanceOf(ChangedMeanwhile);
    expect((await stored()).property).toMatchObject({ latitudeDeg: 41, site: { origin: [0, 1] } });
  });
  it('take no change back that was written over since', async () => {
    const undo = await saveZone(ID, { ...(await lawn()), name: 'First' }, db);
    await saveZone(ID, { ...(await lawn()), name: 'Second' }, db);
    await expect(applyChange(ID, undo, db)).rejects.toBeInstanceOf(ChangedMeanwhile);
    expect((await lawn()).name).toBe('Second');
  });
  it('hear of each other’s writes', async () => {
    const heard = vi.fn();
    const tab = new BroadcastChannel('ubertas-changes');
    tab.onmessage = ({ data }) => heard(data);
    await saveZone(ID, { ...(await lawn()), name: 'Told' }, db);
    await vi.waitFor(() => expect(heard).toHaveBeenCalledWith([ID]));
    tab.close();
  });
  it('give every write a later version, though the clock stands', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2027-04-05T09:00:00Z') });
    const seen: string[] = [];
    for (const name of ['a', 'b', 'c']) {
      await saveZone(ID, { ...(await lawn()), name }, db);
      seen.push((await lawn()).changedAt!);
    }
    vi.useRealTimers();
    expect(seen).toEqual([...seen].sort());
    expect(new Set(seen).size).toBe(3);
  });
});

describe('a browser that takes a write and does not keep it', () => {
  it('is told of, and nothing is said to be saved', async () => {
    const lawn = (await withStamps()).zones[0]!;
    const real = db.zones.bulkGet.bind(db.zones) as (keys: string[]) => PromiseExtended<(ZoneRecord | undefined)[]>;
    let asked = 0;
    // within the transaction all is well; what is read back after it is not there
    vi.spyOn(db.zones, 'bulkGet').mockImplementation(((keys: string[]) =>
      asked++ === 0 ? real(keys) : Promise.resolve(keys.map(() => undefined))) as never);
    await expect(
      applyChange(ID, { put: { zones: [{ ...lawn, id: 'fresh', changedAt: undefined }] } }, db),
    ).rejects.toBeInstanceOf(NotKept);
  });
});

describe('a property that another tab deleted', () => {
  it.each<[string, () => Promise<unknown>]>([
    ['a zone', () => saveZone('gone', demo().zones[0]!, db)],
    ['a wish', () => saveChoices('gone', { effort: 'best' }, db)],
    ['its climate', () => applyChange('gone', { property: { latitudeDeg: 40 } }, db)],
    ['a deletion', () => deleteSoilTest('gone', 'x', db)],
  ])('takes no %s, says so and leaves nothing behind', async (_what, write) => {
    await expect(write()).rejects.toBeInstanceOf(PropertyGone);
    expect(await db.zones.where({ propertyId: 'gone' }).count()).toBe(0);
    expect(await db.properties.get('gone')).toBeUndefined();
  });
});

describe('an undo that went through JSON, as every undo of a page does', () => {
  it('takes away what was not there before', async () => {
    await applyChange(ID, { property: { climate: null, latitudeDeg: null, site: null } }, db);
    const before = await stored();
    expect([before.property.climate, before.property.site]).toEqual([undefined, undefined]);
    const undo = await applyChange(ID, { property: { latitudeDeg: 41, site: { context: [] } } }, db);
    expect((await stored()).property).toMatchObject({ latitudeDeg: 41, site: { context: [] } });
    await applyChange(ID, JSON.parse(JSON.stringify(undo)) as Change, db);
    expect(JSON.stringify(await stored())).toBe(JSON.stringify(before));
  });
});

describe('store, export, import', () => {
  it('is the identity for whatever reports and zones the database took', async () => {
    const value = fc.double({ min: 0, max: 1_000_000, noNaN: true });
    const report = fc.record({
      id: fc.stringMatching(/^[a-z]{1,12}$/),
      zoneId: fc.constantFrom('south-lawn', 'lime-walk'),
      sampledOn: fc
        .date({ min: new Date('1990-01-01'), max: new Date('2099-12-31'), noInvalidDate: true })
        .map((d) => d.toISOString().slice(0, 10)),
      depthIn: fc.double({ min: 0.1, max: 12, noNaN: true }),
      lab: fc.string({ maxLength: 120 }),
      results: fc.array(
        fc.record({ analyte: fc.constantFrom('P' as const, 'K' as const), value, unit: fc.constant('ppm' as const) }),
        { minLength: 1, maxLength: 5 },
      ),
    });
    await fc.assert(
      fc.asyncProperty(
        fc.array(report, { maxLength: 4 }),
        fc.string({ minLength: 1, maxLength: 80 }),
        async (tests, name) => {
          const soilTests = tests.map((test, i) => ({ ...test, id: `${test.id}-${i}` })) as SoilTest[];
          const lawn = (await withStamps()).zones[0]!;
          const stands = new Map((await withStamps()).soilTests!.map((test) => [test.id, test.changedAt]));
          const put = soilTests.map((test) => ({ ...test, changedAt: stands.get(test.id) }));
          await applyChange(ID, { put: { soilTests: put, zones: [{ ...lawn, name }] } }, db);
          const before = await withStamps();
          const read = readImport((await exportProperty(ID, db)) ?? '');
          if (isRefusal(read)) throw new Error(read.refused);
          const empty = openDatabase('changes-identity');
          await restoreCases(read.cases, { ...SAME, backup: true }, empty);
          expect(await loadProperty(ID, empty)).toEqual(before);
          await empty.delete();
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('a backup of more than anybody keeps', () => {
  it('opens in an empty browser and holds the same', async () => {
    const given = demo();
    const [lawn, ...others] = given.zones as [Zone, ...Zone[]];
    const report = given.soilTests![0]!;
    const label = given.products![0]!;
    const bed = { id: 'b', kind: 'bed' as const, rectangle: { lengthFt: 1, widthFt: 1 } };
    const reading = { on: '2027-04-05', instrument: 'ph-pen' as const, value: 6.1 };
    await applyChange(
      ID,
      {
        put: {
          zones: [
            {
              ...lawn,
              cutOuts: Array.from({ length: 150 }, (_, i) => ({ ...bed, id: `b${i}` })),
              readings: Array.from({ length: 2_001 }, () => reading),
            },
            ...Array.from({ length: 501 }, (_, i) => ({ ...others[0]!, id: `z${i}` })),
          ],
        },
      },
      db,
    );
    // reports by the thousand come from a laboratory's table
    const fresh = Array.from({ length: 5_001 }, (_, i) => {
      const record = { ...report, id: `t${i}`, key: keyOf(ID, `t${i}`), propertyId: ID };
      return { record, match: { propertyId: ID }, sampledOn: report.sampledOn };
    });
    const layout = { fingerprint: 'a|b', name: 'A', answers: { unit: 'ppm' as const } };
    await storeReports(
      fresh as unknown as Parameters<typeof storeReports>[0],
      layout,
      '2027-04-05',
      undefined,
      undefined,
      db,
    );
    await saveProducts(
      Array.from({ length: 2_001 }, (_, i) => ({ ...label, id: `p${i}` })),
      db,
    );
    const before = await withStamps();
    const read = readImport(await exportBackup('2027-04-05', db));
    if (isRefusal(read)) throw new Error(read.refused);
    const empty = openDatabase('changes-empty');
    await restoreCases(read.cases, { ...SAME, backup: read.backup }, empty);
    expect(await loadProperty(ID, empty)).toEqual(before);
    await empty.delete();
  });
  it('takes no more than it could bring back, and leaves what stands', async () => {
    expect(() => sureOfRoom('soilTests', MOST.soilTests)).not.toThrow();
    expect(() => sureOfRoom('soilTests', MOST.soilTests + 1)).toThrow(
      'A property holds at most 100,000 soil reports, which a backup can bring back; these would be 100,001.',
    );
    const label = demo().products![0]!;
    const count = await db.products.count();
    await expect(
      saveProducts(
        Array.from({ length: MOST.products + 1 }, (_, i) => ({ ...label, id: `p${i}` })),
        db,
      ),
    ).rejects.toBeInstanceOf(TooMany);
    expect(await db.products.count()).toBe(count);
  });
});
