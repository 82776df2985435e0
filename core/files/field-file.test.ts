import { describe, expect, it } from 'vitest';
import { jobsOf } from '../field/jobs';
import { withGiven } from '../log/applied';
import { unsoundVersion } from '../log/versions';
import { isRefusal } from '../reckoning/refusal';
import type { Case, Plan } from '../records/case';
import { spread } from '../replan/replan.fixture';
import { planSeason } from '../season/draft/plan-season';
import { demoCase } from '../season/front-lawn.fixture';
import { plannedDosesOf } from '../season/plan/planned-doses';
import { withDoses } from '../season/plan/with-doses';
import { caseOfPack, checkFieldFile, type FieldFile, packOf } from './field-file';
import { mergedLogs } from './log-file';

const plain = demoCase('quarry-lane-school');
const doses = plannedDosesOf(planSeason(plain, 2027), new Set());
const plan: Plan = { id: 'plan-2027', year: 2027, keptOn: '2027-02-01', products: undefined, solved: undefined, doses };
const school = (records = plain.records): Case =>
  withGiven({ ...plain, plans: [plan], ...(records ? { records } : {}) });
const asked = { from: '2027-08-30', days: 21, madeAt: '2027-08-29T18:00:00-04:00' };
const packed = (file: Case, more = {}): FieldFile => {
  const pack = packOf(file, { ...asked, ...more });
  if (isRefusal(pack)) throw new Error(pack.refused);
  return pack;
};
const jobKeys = (file: Case, today: string) =>
  jobsOf(file, withDoses(planSeason(file, 2027), file, file.plans?.[0]?.doses ?? []), true, today)
    .filter(({ state }) => state !== 'done')
    .map(({ key, dose }) => [key, dose.zoneLb]);

describe('a pack for a browser that has none of it', () => {
  it('holds the jobs of its days, with the same pounds there as here, and no more zones and products than they need', () => {
    const pack = packed(school());
    const there = caseOfPack(pack);
    expect(pack.jobs.length).toBeGreaterThan(0);
    const here = new Map(jobKeys(school(), '2027-09-01') as [string, number][]);
    for (const [key, lb] of jobKeys(there, '2027-09-01') as [string, number][])
      expect(here.get(key)).toBeCloseTo(lb, 9);
    expect(pack.zones.every(({ id }) => pack.jobs.some(({ zoneId }) => zoneId === id))).toBe(true);
    expect(pack.products.every(({ id }) => pack.jobs.some(({ productId }) => productId === id))).toBe(true);
  });
  it('leaves out what is done, and brings what went down lately, for the wait between two feedings', () => {
    const [first] = packed(school()).jobs;
    const before = doses.find(
      ({ date, zoneId }) => date >= '2027-07-10' && date < '2027-08-30' && zoneId === 'playing-strip',
    );
    const records = [spread(plain, first!), ...(before ? [spread(plain, before)] : [])];
    const pack = packOf(school(records), asked);
    if (isRefusal(pack)) throw new Error(pack.refused);
    expect(pack.jobs).not.toContainEqual(first);
    expect(unsoundVersion(pack.versions ?? [])).toBeUndefined();
  });
  it('is read as it was printed, and what is done there comes back without a double', () => {
    const pack = packed(school());
    const read = checkFieldFile(JSON.parse(JSON.stringify(pack)));
    expect(read).toEqual(pack);
    const done = spread(plain, pack.jobs[0]!);
    const log = {
      format: 'ubertas-log' as const,
      version: 1,
      madeAt: asked.madeAt,
      properties: [{ id: caseOfPack(pack).property.id, name: undefined, code: undefined, versions: [done] }],
    };
    const merged = mergedLogs(school(), [log, log] as never);
    expect(merged.new).toEqual([done.versionId]);
    expect(mergedLogs(merged.case as Case, [log] as never).new).toEqual([]);
  });
  it('carries no name where that stays at the desk', () => {
    const pack = packed(school(), { withoutNames: true });
    expect(JSON.stringify(pack)).not.toContain('Quarry Lane');
    expect(pack.property.site?.origin).toBeUndefined();
    expect(caseOfPack(pack).property.name).toBe(pack.property.code);
    expect(pack.property.code).toMatch(/^[A-Z2-7]{6}$/);
  });
  it.each([
    ['an unknown key', (pack: FieldFile) => ({ ...pack, extra: 1 }), /extra/],
    ['another format', (pack: FieldFile) => ({ ...pack, format: 'ubertas-log' }), /not a ubertas-field file/],
    ['a newer one', (pack: FieldFile) => ({ ...pack, version: 2 }), /newer Ubertas/],
    ['a job on no zone', (pack: FieldFile) => ({ ...pack, zones: [] }), /zone/],
    ['nothing', () => null, /not a ubertas-field file/],
  ])('%s is refused in words', (_what, change, says) => {
    expect(checkFieldFile(change(packed(school())))).toMatchObject({ refused: expect.stringMatching(says) as string });
  });
  it.each([
    [{ ...asked, days: 0 }, /1 to 366 days/],
    [{ ...asked, from: '2027-12-20', days: 3 }, /Nothing is due/],
    [{ ...asked, from: '2026-08-30' }, /was not saved/],
  ])('is not made where there is nothing in it: %o', (odd, says) => {
    expect(packOf(school(), odd)).toMatchObject({ refused: expect.stringMatching(says) as string });
  });
});
