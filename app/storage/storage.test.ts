import { readFileSync } from 'node:fs';
import Dexie from 'dexie';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { readCase } from '@core/files/case-file';
import { type Case } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { isRefusal } from '@core/reckoning/refusal';
import { exportBackup, exportProperty, readImport } from './case-files';
import {
  deleteProperty,
  deleteSample,
  deleteZone,
  idOfFile,
  listProperties,
  loadAllProperties,
  loadProperties,
  loadProperty,
  sampleCodes,
  saveChoices,
  savePlan,
  saveProperty,
  saveSample,
  saveSoilTest,
  saveZone,
} from './property-repository';
import { intakeTargets, type MatchedSample, rememberedLayout, reportsOf, storeReports } from './report-intake';
import { isRandomId } from './record-id';
import { restoreCases } from './restore';
import { openDatabase, type UbertasDatabase } from './schema';
import { storageFault } from './storage-fault';

/** Files that keep their own ids, so that the tests can speak of them. */
const SAME = { idFor: (id: string) => id };

const demo = (name: string): string => readFileSync(`demo/${name}.json`, 'utf8');
const caseOf = (name: string): Case => {
  const read = readCase(demo(name));
  if (isRefusal(read)) throw new Error(read.refused);
  return read;
};

let db: UbertasDatabase;
let count = 0;
beforeEach(() => {
  db = openDatabase(`test-${count++}`);
});
afterEach(async () => {
  await db.delete();
});

const ids = async () => (await loadAllProperties(db)).map((f) => f.property.id);

describe('versions of the database', () => {
  it('gives properties ids without names, moves all that is theirs, and keeps the old id for files', async () => {
    const older = new Dexie(db.name);
    older.version(2).stores({
      properties: 'id, name, changedAt',
      zones: 'key, propertyId',
      soilTests: 'key, propertyId, [propertyId+zoneId]',
      products: 'id',
      plans: 'key, propertyId',
      notes: 'key',
      samples: 'key, propertyId, code',
      pictures: 'propertyId',
      labLayouts: 'fingerprint',
    });
    // ids that once made one key of two: kc/b with c, and kc with b/c
    const [zone] = caseOf('okonedo-residence').zones;
    await older.table('properties').bulkPut([
      { id: 'kc/b', name: 'One', changedAt: '2027-01-01T00:00:00.000Z' },
      { id: 'kc', name: 'Two', changedAt: '' },
    ]);
    await older.table('zones').bulkPut([
      { ...zone, id: 'c', key: 'kc/b/c', propertyId: 'kc/b', order: 0 },
      { ...zone, id: 'b/d', key: 'kc/b/d', propertyId: 'kc', order: 0 },
    ]);
    await older.table('pictures').put({ propertyId: 'kc', picture: { dataUrl: 'data:,' } });
    older.close();
    const [one, two] = await loadAllProperties(db);
    expect([one?.property.name, one?.fileId, one?.zones.map((z) => z.id)]).toEqual(['One', 'kc/b', ['c']]);
    expect([two?.property.name, two?.fileId, two?.zones.map((z) => z.id)]).toEqual(['Two', 'kc', ['b/d']]);
    expect(two?.property.site?.picture).toBeDefined();
    for (const file of [one, two]) expect(isRandomId(file?.property.id ?? '')).toBe(true);
    expect(await idOfFile('kc/b', db)).toBe(one?.property.id);
  });
  it('opens what version 1 wrote, and adds its tables', async () => {
    const name = db.name;
    const older = new Dexie(name);
    older.version(1).stores({ properties: 'id, name, changedAt', zones: 'key, propertyId' });
    await older.table('properties').put({ id: 'p', name: 'Old', changedAt: '' });
    older.close();
    expect((await listProperties(db)).map((p) => p.name)).toEqual(['Old']);
    expect(await db.samples.count()).toBe(0);
  });
  it('refuses a database of a newer version in words', async () => {
    await db.open();
    db.close();
    await new Promise<void>((done) => {
      const opening = indexedDB.open(db.name, 900);
      opening.onsuccess = () => {
        opening.result.close();
        done();
      };
    });
    db = openDatabase(db.name);
    const fault: unknown = await listProperties(db).catch((caught: unknown) => caught);
    expect(storageFault(fault)).toContain('newer Ubertas');
  });
});

describe('a long list of properties', () => {
  it('is read by names and zones alone, and rows only when they are shown', async () => {
    await restoreCases([caseOf('quarry-lane-school'), caseOf('okonedo-residence')], SAME, db);
    expect(await listProperties(db)).toEqual([
      {
        id: 'okonedo-residence',
        name: 'Okonedo residence',
        zones: [expect.objectContaining({ grass: 'tall-fescue', areaSqFt: 3860 })],
      },
      {
        id: 'quarry-lane-school',
        name: 'Quarry Lane School',
        zones: [{}, {}, {}].map(() => expect.objectContaining({})),
      },
    ]);
    const [first, ...more] = await loadProperties(['quarry-lane-school', 'gone'], db);
    expect(more).toEqual([]);
    expect(first?.zones.map((z) => z.id)).toEqual(['south-lawn', 'playing-strip', 'lime-walk']);
    expect(first?.soilTests).toHaveLength(6);
  });
  it('keeps plan pictures apart, and brings them along in files', async () => {
    const picture = {
      dataUrl: 'data:image/png;base64,AAAA',
      widthPx: 10,
      heightPx: 10,
      ftPerPx: 0.5,
      atFt: [0, 0] as [number, number],
    };
    await restoreCases([caseOf('okonedo-residence')], SAME, db);
    const { property } = (await loadProperty('okonedo-residence', db)) as Case;
    await saveProperty({ ...property, site: { picture } }, db);
    expect((await loadProperties(['okonedo-residence'], db))[0]?.property.site?.picture).toBeUndefined();
    expect((await loadProperty('okonedo-residence', db))?.property.site?.picture).toEqual(picture);
    const backup = readImport(await exportBackup('2027-04-05', db));
    if (isRefusal(backup)) throw new Error(backup.refused);
    await deleteProperty('okonedo-residence', db);
    expect(await db.pictures.count()).toBe(0);
    await restoreCases(backup.cases, { ...SAME, backup: backup.backup }, db);
    expect((await loadProperty('okonedo-residence', db))?.property.site?.picture).toEqual(picture);
    await saveProperty({ ...property, site: {} }, db);
    expect((await loadProperty('okonedo-residence', db))?.property.site?.picture).toBeUndefined();
  });
  it('carries the shelf once in a backup, and with each property what it names', async () => {
    await restoreCases([caseOf('mill-race-cottages'), caseOf('quarry-lane-school')], SAME, db);
    const { cases } = JSON.parse(await exportBackup('2027-04-05', db)) as { cases: Case[] };
    expect(cases[0]?.products).toHaveLength(await db.products.count());
    const named = new Set((cases[1]?.zones ?? []).flatMap((z) => (z.applied ?? []).map((a) => a.productId)));
    expect(new Set(cases[1]?.products?.map((p) => p.id))).toEqual(named);
  });
  it('loses a zone with its samples, and keeps the others', async () => {
    await restoreCases([caseOf('quarry-lane-school')], SAME, db);
    await saveSample('quarry-lane-school', { id: 'a', zoneId: 'south-lawn', code: 'QLS-27-01' }, db);
    await saveSample('quarry-lane-school', { id: 'b', zoneId: 'lime-walk', code: 'QLS-27-02' }, db);
    await deleteZone('quarry-lane-school', 'south-lawn', db);
    expect(await sampleCodes(db)).toEqual(['QLS-27-02']);
    await deleteSample('quarry-lane-school', 'b', db);
    expect(await sampleCodes(db)).toEqual([]);
  });
});

describe('reports taken in', () => {
  const sample = (line: number, name: string, value: number): MatchedSample['sample'] => ({
    line,
    page: 0,
    label: name,
    names: { sample: name },
    ground: {},
    values: [
      {
        analyte: 'pH',
        value,
        method: 'water-1:1',
        text: String(value),
        printed: value,
        term: 0,
        line,
        from: 1,
        page: 0,
      },
    ],
    notGiven: [],
    recommendations: [],
  });
  const remembered = { fingerprint: 'a|b', name: 'A', answers: { unit: 'ppm' as const } };
  it('are stored once, mark their bag, and are known the second time', async () => {
    await restoreCases([caseOf('quarry-lane-school')], SAME, db);
    await saveSample('quarry-lane-school', { id: 's', zoneId: 'south-lawn', code: 'QLS-27-01' }, db);
    const matched: MatchedSample[] = [
      {
        sample: sample(2, 'QLS-27-01', 5.8),
        match: { propertyId: 'quarry-lane-school', zoneId: 'south-lawn', sampleId: 's' },
        sampledOn: '2027-03-02',
      },
      {
        sample: sample(3, 'again', 5.9),
        match: { propertyId: 'quarry-lane-school', zoneId: 'south-lawn' },
        sampledOn: '2027-03-02',
      },
    ];
    const first = await reportsOf(matched, db);
    expect(first.fresh.map((f) => f.record.id)).toEqual(['south-lawn-2027-03-02', 'south-lawn-2027-03-02-2']);
    await storeReports(first.fresh, remembered, '2027-03-10', undefined, undefined, db);
    expect(await db.samples.get('quarry-lane-school/s')).toMatchObject({
      reportedOn: '2027-03-10',
      soilTestId: 'south-lawn-2027-03-02',
    });
    expect((await reportsOf(matched, db)).known).toHaveLength(2);
    expect(await rememberedLayout(['laboratory:b', 'a|b'], db)).toBeDefined();
  });
  it('are all or none where the person cancels between lots', async () => {
    await restoreCases([caseOf('okonedo-residence')], SAME, db);
    const matched = Array.from({ length: 5000 }, (_, i): MatchedSample => ({
      sample: sample(i, 'x', 5 + (i % 100) / 100),
      match: { propertyId: 'okonedo-residence', zoneId: 'front-lawn' },
      sampledOn: '2026-03-02',
    }));
    const { fresh } = await reportsOf(matched, db);
    let lots = 0;
    await expect(storeReports(fresh, remembered, '2027-03-10', undefined, () => lots++ > 0, db)).rejects.toThrow();
    expect(await db.soilTests.where({ propertyId: 'okonedo-residence' }).count()).toBe(0);
  });
  it('know every bag and zone there is', async () => {
    await restoreCases([caseOf('quarry-lane-school')], SAME, db);
    const { zones, codes } = await intakeTargets(db);
    expect(zones.map((z) => `${z.propertyName}/${z.zoneName}`)).toContain('Quarry Lane School/Lime walk');
    expect(codes).toEqual([]);
  });
});

describe('properties in the database', () => {
  it('come back as they were stored, zones in their order, with the starter shelf', async () => {
    const { property, zones, soilTests = [], choices } = caseOf('quarry-lane-school');
    await saveProperty({ ...property, choices }, db);
    for (const zone of zones) await saveZone(property.id, zone, db);
    for (const test of soilTests) await saveSoilTest(property.id, test, db);
    const file = await loadProperty(property.id, db);
    expect(file).toMatchObject({ property, zones, soilTests, choices });
    expect(file?.products).toHaveLength(STARTER_SHELF.length);
  });

  it('keep their place when a zone changes, and lose its reports with the zone', async () => {
    await restoreCases([caseOf('quarry-lane-school')], SAME, db);
    const file = (await loadProperty('quarry-lane-school', db)) as Case;
    await saveZone('quarry-lane-school', { ...file.zones[0]!, name: 'Changed' }, db);
    expect((await loadProperty('quarry-lane-school', db))?.zones[0]?.name).toBe('Changed');
    await deleteZone('quarry-lane-school', 'south-lawn', db);
    const after = await loadProperty('quarry-lane-school', db);
    expect(after?.zones.map((z) => z.id)).toEqual(['playing-strip', 'lime-walk']);
    expect(after?.soilTests?.some((t) => t.zoneId === 'south-lawn')).toBe(false);
  });

  it('go with everything of their own, and nothing of another', async () => {
    await restoreCases([caseOf('quarry-lane-school'), caseOf('mill-race-cottages')], SAME, db);
    await deleteProperty('quarry-lane-school', db);
    expect(await ids()).toEqual(['mill-race-cottages']);
    expect(await db.zones.count()).toBe(2);
    expect(await db.soilTests.count()).toBe(2);
  });

  it('keep plans and choices', async () => {
    await restoreCases([caseOf('okonedo-residence')], SAME, db);
    await saveChoices('okonedo-residence', { year: 2028 }, db);
    await savePlan('okonedo-residence', { id: 'plan-2028', year: 2028, products: { 'front-lawn/N': 'urea-46' } }, db);
    expect(await loadProperty('okonedo-residence', db)).toMatchObject({
      choices: { year: 2028, school: 'sufficiency' },
      plans: [{ products: { 'front-lawn/N': 'urea-46' } }],
    });
  });
});

describe('case files and backups', () => {
  it('carry a property out and in again unchanged', async () => {
    await restoreCases([caseOf('quarry-lane-school')], SAME, db);
    await savePlan(
      'quarry-lane-school',
      {
        id: 'plan-2027',
        year: 2027,
        keptOn: '2027-04-05',
        products: undefined,
        doses: [{ zoneId: 'south-lawn', date: '2027-04-26', productId: 'urea-46', for: 'N', rateLb: 1.5 }],
      },
      db,
    );
    const before = await loadProperty('quarry-lane-school', db);
    const read = readImport((await exportProperty('quarry-lane-school', db)) ?? '');
    if (isRefusal(read)) throw new Error(read.refused);
    await deleteProperty('quarry-lane-school', db);
    await restoreCases(read.cases, { ...SAME, backup: read.backup }, db);
    expect(await loadProperty('quarry-lane-school', db)).toEqual(before);
  });

  it('carry everything in a backup', async () => {
    await restoreCases(['quarry-lane-school', 'fenwick-allotment-paths', 'okonedo-residence'].map(caseOf), SAME, db);
    const backup = readImport(await exportBackup('2027-04-05', db));
    if (isRefusal(backup)) throw new Error(backup.refused);
    const other = openDatabase('test-restore');
    await restoreCases(backup.cases, { ...SAME, backup: backup.backup }, other);
    expect(await loadAllProperties(other)).toEqual(await loadAllProperties(db));
    await other.delete();
  });

  it('give a product of another label its own id, everywhere the case names it', async () => {
    await restoreCases([caseOf('okonedo-residence')], SAME, db);
    const other = caseOf('mill-race-cottages');
    other.products = [{ ...other.products![0]!, guaranteed: { N: 44 }, nitrogen: { urea: 44 } as never }];
    other.plans = [
      {
        id: 'p',
        year: 2027,
        products: { 'court/N': 'urea-46' },
        doses: [{ zoneId: 'court', date: '2027-05-03', productId: 'urea-46', for: 'N', rateLb: 2 }],
      },
    ];
    await restoreCases([other], SAME, db);
    const file = await loadProperty('mill-race-cottages', db);
    expect(file?.plans?.[0]).toMatchObject({
      products: { 'court/N': 'urea-46-2' },
      doses: [{ productId: 'urea-46-2' }],
    });
    expect(file?.products?.find((p) => p.id === 'urea-46-2')?.guaranteed.N).toBe(44);
    expect(file?.products?.find((p) => p.id === 'urea-46')?.guaranteed.N).toBe(46);
  });

  it('change nothing when one property of a backup is broken', async () => {
    const broken = {
      format: 'ubertas-backup',
      version: 1,
      cases: [caseOf('okonedo-residence'), { ...caseOf('mill-race-cottages'), zones: 'gone' }],
    };
    expect(readImport(JSON.stringify(broken))).toMatchObject({
      field: expect.stringContaining('cases[1]'),
      refused: expect.stringContaining('Property 2'),
    });
    expect(await ids()).toEqual([]);
  });

  it('change nothing when the database fails part-way', async () => {
    await restoreCases([caseOf('okonedo-residence')], SAME, db);
    const before = await loadAllProperties(db);
    const unstorable = {
      ...caseOf('mill-race-cottages'),
      soilTests: [{ ...caseOf('mill-race-cottages').soilTests![0]!, results: (() => 1) as never }],
    };
    await expect(restoreCases([caseOf('quarry-lane-school'), unstorable], SAME, db)).rejects.toThrow();
    expect(await loadAllProperties(db)).toEqual(before);
    expect(await db.zones.count()).toBe(1);
  });
});

describe('a fault of the browser’s database', () => {
  it.each([
    ['QuotaExceededError', 'full'],
    ['VersionError', 'newer'],
    ['OpenFailedError', 'does not let'],
    ['DatabaseClosedError', 'closed'],
  ])('%s is said in a sentence', (name, says) => {
    expect(storageFault(Object.assign(new Error('x'), { name }))).toContain(says);
  });
  it('of many records at once is known by its first, which Dexie wraps without a name', () => {
    const many = new Dexie.ModifyError('Error modifying one or more objects', [
      new DOMException('gone', 'AbortError'),
    ] as never);
    expect(storageFault(many)).toContain('broke the write off (AbortError)');
  });
  it('other faults are not taken for one', () => {
    expect(storageFault(new TypeError('x'))).toBeUndefined();
  });
});
