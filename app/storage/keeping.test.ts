import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { isRefusal } from '@core/reckoning/refusal';
import { exportBackup, exportProperty, readImport } from './case-files';
import { askNow, deleteEverything, isBackupDue, noteBackup, sinceBackup, storedBytes } from './keeping';
import { restoreOwn, surveyOwn, undoOwn } from './own-backup';
import { saveCode } from './own-codes';
import { changeOwn, loadOwn, loadSetting } from './own-records';
import { listProperties, saveProperty } from './property-repository';
import { openDatabase, type UbertasDatabase } from './schema';

let db: UbertasDatabase;
let other: UbertasDatabase;
let count = 0;
beforeEach(() => {
  db = openDatabase(`keeping-${count++}`);
  other = openDatabase(`keeping-${count++}`);
});
afterEach(async () => {
  vi.unstubAllGlobals();
  await db.delete();
  await other.delete();
});

describe('what no backup holds', () => {
  it('is counted change by change, and nothing after a backup', async () => {
    await saveProperty({ id: 'mill', name: 'Mill green' }, db);
    await saveCode({ id: 'alder', name: 'Alder borough' }, db);
    await changeOwn('settings', { put: [{ id: 'keeping', backupEveryDays: 7 }], remove: [] }, db);
    expect(await sinceBackup(db)).toEqual({ changes: 3 });
    await noteBackup('2027-04-01', db);
    expect(await sinceBackup(db)).toEqual({ changes: 0, backupOn: '2027-04-01' });
  });
  it('asks after the days that were set, at once after fifty changes, and never where that was chosen', () => {
    const of = (changes: number, backupOn?: string) => ({ changes, ...(backupOn ? { backupOn } : {}) });
    expect(isBackupDue(of(3, '2027-03-01'), 30, '2027-03-30')).toBe(false);
    expect(isBackupDue(of(3, '2027-03-01'), 30, '2027-03-31')).toBe(true);
    expect(isBackupDue(of(0, '2026-03-01'), 30, '2027-03-31')).toBe(false);
    expect(isBackupDue(of(49), 7, '2027-03-31')).toBe(false);
    expect(isBackupDue(of(50), 7, '2027-03-31')).toBe(true);
    expect(isBackupDue(of(500, '2026-01-01'), 0, '2027-03-31')).toBe(false);
  });
});

describe('asking the browser to keep what is stored', () => {
  const storage = (persist?: () => Promise<boolean>) => vi.stubGlobal('navigator', { storage: { persist } });
  it.each([
    ['kept', () => Promise.resolve(true)],
    ['refused', () => Promise.resolve(false)],
    ['not offered', () => Promise.reject(new Error('no'))],
    ['not offered', undefined],
  ] as const)('%s', async (answer, persist) => {
    storage(persist as never);
    expect(await askNow()).toBe(answer);
  });
  it('waits five seconds for one that never answers', async () => {
    vi.useFakeTimers();
    storage(() => new Promise(() => undefined));
    const asked = askNow();
    await vi.advanceTimersByTimeAsync(5_000);
    expect(await asked).toBe('no answer');
    vi.useRealTimers();
  });
});

describe('own codes, packs, people and settings in a backup', () => {
  const filled = async () => {
    await saveProperty({ id: 'mill', name: 'Mill green' }, db);
    await saveCode({ id: 'alder', name: 'Alder borough', maxNPerYear: 3 }, db);
    await changeOwn('operators', { put: [{ id: 'ra', name: 'R. Amadi', licenseNumber: 'T-4411' }], remove: [] }, db);
    await changeOwn('settings', { put: [{ id: 'keeping', backupEveryDays: 7 }], remove: [] }, db);
  };
  const read = (text: string) => {
    const found = readImport(text);
    if (isRefusal(found)) throw new Error(found.refused);
    return found;
  };
  it('come back in another browser, without license numbers unless they were asked for, and go with the undo', async () => {
    await filled();
    const { own } = read(await exportBackup('2027-04-01', db));
    expect(JSON.stringify(own)).not.toContain('T-4411');
    expect(await surveyOwn(own!, other)).toEqual({ same: 0, fresh: 3, newer: 0, older: 0 });
    const { written, undo } = await restoreOwn(own!, other);
    expect(written).toBe(3);
    expect((await loadSetting('keeping', other))?.backupEveryDays).toBe(7);
    expect(await surveyOwn(own!, other)).toEqual({ same: 3, fresh: 0, newer: 0, older: 0 });
    expect((await restoreOwn(own!, other)).written).toBe(0);
    await undoOwn(undo, other);
    expect(await loadOwn('localCodes', other)).toEqual([]);
    expect(JSON.stringify(read(await exportBackup('2027-04-01', db, { licenses: true })).own)).toContain('T-4411');
  });
  it('give way to what is newer, and keep a license number that the backup left out', async () => {
    await filled();
    const { own } = read(await exportBackup('2027-04-01', db));
    await restoreOwn(own!, other);
    const [person] = await loadOwn('operators', other);
    await changeOwn('operators', { put: [{ ...person!, name: 'Rae Amadi' }], remove: [] }, other);
    expect(await surveyOwn(own!, other)).toMatchObject({ older: 1, same: 2 });
    await restoreOwn(own!, other);
    expect((await loadOwn('operators', other))[0]?.name).toBe('Rae Amadi');
    // the other way round the newer name comes here, and the number stays
    const back = read(await exportBackup('2027-04-02', other)).own!;
    await restoreOwn(back, db);
    expect((await loadOwn('operators', db))[0]).toMatchObject({ name: 'Rae Amadi', licenseNumber: 'T-4411' });
  });
  it('may come with a case file: people and spreaders go to the browser’s own, not to the property', async () => {
    await filled();
    const json = JSON.parse((await exportProperty('mill', db)) ?? '') as object;
    const text = JSON.stringify({
      ...json,
      operators: [{ id: 'jo', name: 'J. Orr' }],
      spreaders: [{ id: 'wheel', name: 'Wheel', dialStep: 0.25 }],
    });
    const { cases, own, backup } = read(text);
    expect(backup).toBe(false);
    expect(cases[0]).not.toHaveProperty('operators');
    expect((await restoreOwn(own!, other)).written).toBe(2);
    expect((await loadOwn('spreaders', other)).map(({ name }) => name)).toEqual(['Wheel']);
    expect(read(JSON.stringify(json)).own).toBeUndefined();
  });
  it('are refused whole where one is broken, with its place', async () => {
    await filled();
    const json = JSON.parse(await exportBackup('2027-04-01', db)) as { own: Record<string, object[]> };
    json.own.localCodes![0] = { ...json.own.localCodes![0], maxNPerYear: 'three' };
    expect(readImport(JSON.stringify(json))).toMatchObject({ field: 'own.localCodes[0].maxNPerYear' });
    expect(readImport(JSON.stringify({ ...json, own: { secrets: [] } }))).toMatchObject({ field: 'own.secrets' });
  });
  it('are counted by kind, and gone with everything else when all is deleted', async () => {
    vi.stubGlobal('localStorage', { removeItem: () => undefined });
    await filled();
    const stored = await storedBytes(db);
    expect(stored.find(({ table }) => table === 'operators')).toMatchObject({ records: 1 });
    expect(stored.reduce((sum, { bytes }) => sum + bytes, 0)).toBeGreaterThan(200);
    await deleteEverything(db);
    expect(await listProperties(db)).toEqual([]);
    expect((await storedBytes(db)).filter(({ records }) => records > 0).map(({ table }) => table)).toEqual(['notes']);
  });
});
