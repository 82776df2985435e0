import { type SoilTest, soilTestFault } from '@core/records/case';
import type { CodeTarget, Match, ZoneTarget } from '@core/files/match-sample';
import type { ReaderAnswers, ReportSample } from '@core/reports/reading';
import { soilTestOf } from '@core/reports/soil-test-of';
import { NotKept, PropertyGone, RecordRefused, sureOfRoom } from './changes';
import { tellOthers } from './other-tabs';
import { stampAfter } from './record-id';
import { database, keyOf, type LabLayoutRecord, type SoilTestRecord, type UbertasDatabase } from './schema';

/** Everything a table of samples may belong to: awaited bags and zones of all properties. */
export async function intakeTargets(
  db: UbertasDatabase = database(),
): Promise<{ codes: CodeTarget[]; zones: ZoneTarget[] }> {
  return db.transaction('r', db.properties, db.zones, db.samples, async () => {
    const [properties, zones, samples] = await Promise.all([
      db.properties.toArray(),
      db.zones.toArray(),
      db.samples.toArray(),
    ]);
    const names = new Map(properties.map((p) => [p.id, p.name]));
    return {
      codes: samples.map(({ code, propertyId, zoneId, id, takenOn }) => ({
        code,
        propertyId,
        zoneId,
        sampleId: id,
        takenOn,
      })),
      zones: zones.map(({ propertyId, id, name }) => ({
        propertyId,
        propertyName: names.get(propertyId) ?? '',
        zoneId: id,
        zoneName: name,
      })),
    };
  });
}

/** What was said of a laboratory's files before: under the first of these keys that is known. */
export async function rememberedLayout(
  fingerprints: readonly string[],
  db: UbertasDatabase = database(),
): Promise<LabLayoutRecord | undefined> {
  return (await db.labLayouts.bulkGet([...fingerprints])).find((record) => record !== undefined);
}

/** Everything that is remembered of laboratories' files, the last used first. */
export const rememberedLayouts = async (db: UbertasDatabase = database()): Promise<LabLayoutRecord[]> =>
  (await db.labLayouts.toArray()).sort((a, b) => b.usedAt.localeCompare(a.usedAt));

/** Remembers, or forgets where nothing is left to remember. */
export async function rememberLayout(
  record: Omit<LabLayoutRecord, 'usedAt'>,
  db: UbertasDatabase = database(),
): Promise<void> {
  if (hasAnswers(record.answers)) await db.labLayouts.put({ ...record, usedAt: stampAfter() });
  else await db.labLayouts.delete(record.fingerprint);
}

const hasAnswers = (answers: ReaderAnswers): boolean => Object.keys(answers).length > 0;

/** A sample with the zone it belongs to and the day it was taken. */
export interface MatchedSample {
  sample: ReportSample;
  match: Match;
  sampledOn: string;
}

const sameResults = (a: SoilTest, b: SoilTest): boolean => {
  const face = (t: SoilTest) =>
    JSON.stringify(t.results.map((r) => [r.analyte, r.value, r.unit ?? '', r.method ?? '']).sort());
  return face(a) === face(b);
};

/** Reports to be stored, and which of the samples are in the database already. */
export async function reportsOf(
  matched: readonly MatchedSample[],
  db: UbertasDatabase = database(),
): Promise<{
  fresh: (MatchedSample & { record: SoilTestRecord })[];
  known: MatchedSample[];
  refused: (MatchedSample & { why: string })[];
}> {
  const properties = [...new Set(matched.map((m) => m.match.propertyId))];
  const there = await db.soilTests.where('propertyId').anyOf(properties).toArray();
  const byDay = new Map<string, SoilTest[]>();
  const keys = new Set<string>();
  for (const test of there) {
    keys.add(test.key);
    const day = `${test.propertyId}/${test.zoneId}/${test.sampledOn}`;
    const same = byDay.get(day);
    if (same) same.push(test);
    else byDay.set(day, [test]);
  }
  const counts = new Map<string, number>();
  const fresh: (MatchedSample & { record: SoilTestRecord })[] = [];
  const known: MatchedSample[] = [];
  const refused: (MatchedSample & { why: string })[] = [];
  for (const each of matched) {
    const { sample, match, sampledOn } = each;
    const stem = `${match.zoneId}-${sampledOn}`;
    const day = `${match.propertyId}/${match.zoneId}/${sampledOn}`;
    const test = soilTestOf(sample, stem, match.zoneId, sampledOn);
    const fault = soilTestFault(test);
    if (fault) {
      refused.push({ ...each, why: fault.refused });
      continue;
    }
    if (byDay.get(day)?.some((t) => sameResults(t, test))) {
      known.push(each);
      continue;
    }
    let n = counts.get(day) ?? 1;
    while (keys.has(keyOf(match.propertyId, n === 1 ? stem : `${stem}-${n}`))) n++;
    counts.set(day, n + 1);
    const id = n === 1 ? stem : `${stem}-${n}`;
    fresh.push({ ...each, record: { ...test, id, key: keyOf(match.propertyId, id), propertyId: match.propertyId } });
  }
  return { fresh, known, refused };
}

/** Reports written at a time: between two lots the person may still cancel. */
const LOT = 2000;

/**
 * Stores reports, all or none: the bags they came from are marked, the laboratory's layout is remembered. `halt` may answer
 * true between lots; then nothing is kept.
 */
export async function storeReports(
  fresh: readonly (MatchedSample & { record: SoilTestRecord })[],
  remembered: Omit<LabLayoutRecord, 'usedAt'>,
  today: string,
  onProgress: (share: number) => void = () => {},
  halt: () => boolean = () => false,
  db: UbertasDatabase = database(),
): Promise<{ stored: number }> {
  const properties = [...new Set(fresh.map((f) => f.match.propertyId))];
  const changedAt = stampAfter();
  await db.transaction('rw', db.soilTests, db.samples, db.properties, db.labLayouts, async (transaction) => {
    for (let at = 0; at < fresh.length; at += LOT) {
      if (halt()) transaction.abort();
      for (const { record } of fresh.slice(at, at + LOT)) {
        const fault = soilTestFault(record);
        if (fault) throw new RecordRefused(fault, 'The soil report');
      }
      // added, not put: a report that another tab stored meanwhile under the same id is not written over
      await db.soilTests.bulkAdd(fresh.slice(at, at + LOT).map((f) => ({ ...f.record, changedAt })));
      onProgress(Math.min(1, (at + LOT) / fresh.length));
    }
    for (const propertyId of properties) sureOfRoom('soilTests', await db.soilTests.where({ propertyId }).count());
    for (const { match, record } of fresh)
      if (match.sampleId)
        await db.samples.update(keyOf(match.propertyId, match.sampleId), {
          reportedOn: today,
          soilTestId: record.id,
          changedAt,
        });
    const gone = (await db.properties.bulkGet(properties)).some((property) => !property);
    if (gone) throw new PropertyGone();
    if (hasAnswers(remembered.answers)) await db.labLayouts.put({ ...remembered, usedAt: changedAt });
  });
  // one transaction is kept whole or not at all, so its last record speaks for it
  const last = fresh.at(-1)?.record.key;
  if (last !== undefined && !(await db.soilTests.get(last))) throw new NotKept();
  tellOthers(...properties);
  return { stored: fresh.length };
}
