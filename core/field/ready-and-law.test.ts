import { describe, expect, it } from 'vitest';
import { firstVersion } from '../log/versions';
import type { Case, LocalCode, RecordBody, RecordVersion, Zone } from '../records/case';
import type { Operator } from '../records/operator-schema';
import { GOOD, laid, okonedo } from '../season/front-lawn.fixture';
import { goFactsOf } from './day-facts';
import { type GoFacts, goLines, verdictOf } from './go';
import { type Job, jobsOf } from './jobs';
import { lawToday } from './law-today';
import { readyFacts, readyHints, soilOn } from './readiness';

const withZone = (change: Partial<Zone>, of: Case = okonedo): Case => ({
  ...of,
  zones: of.zones.map((zone) => ({ ...zone, ...change })),
});
const jobOn = (plannedOn: string, file: Case = okonedo): Job => {
  const job = jobsOf(file, laid(GOOD, file), true, plannedOn).find(({ dose }) => dose.date === plannedOn);
  if (!job) throw new Error('no such job');
  return { ...job, zone: file.zones[0]! };
};
const SPRING = '2027-05-03';

describe('whether soil and stand are ready', () => {
  const organic = (job: Job): Job => ({
    ...job,
    product: { ...job.product, nitrogen: { 'natural-organic': 8 }, guaranteed: { N: 8 } },
  });
  it('asks for 55 deg F only of what microbes work, by the thermometer of two days before the season’s curve', () => {
    const job = jobOn(SPRING);
    expect(readyFacts(job, okonedo, SPRING).soilF).toBeUndefined();
    const curve = readyFacts(organic(job), okonedo, SPRING);
    expect(curve).toMatchObject({ leastSoilF: 55, soilF: job.soilF[122] });
    const probe = (on: string, more = {}) =>
      soilOn(
        jobOn(SPRING, withZone({ readings: [{ on, instrument: 'soil-thermometer', value: 48, ...more }] })),
        SPRING,
      );
    expect(probe('2027-05-01')).toBe(48);
    expect(probe('2027-04-30')).not.toBe(48);
    expect(probe('2027-05-04')).not.toBe(48);
    expect(probe('2027-05-02', { simulated: true })).not.toBe(48);
  });
  it('waits on cold soil and on a young stand, and passes at the limit', () => {
    const facts: GoFacts = {
      material: 'granular',
      season: 'cool',
      carries: 'phosphate',
      textureGroup: 'loam',
      ground: 'firm',
      turf: 'growing',
      leaf: 'dry',
      windMph: 3,
      rainNext24In: 0,
    };
    const verdict = (more: Partial<GoFacts>) => verdictOf(goLines({ ...facts, ...more }));
    expect(verdict({ leastSoilF: 55, soilF: 54.9 })).toBe('wait');
    expect(verdict({ leastSoilF: 55, soilF: 55 })).toBe('go');
    expect(verdict({ leastDaysSown: 28, daysSinceSown: 27 })).toBe('wait');
    expect(verdict({ leastDaysSown: 28, daysSinceSown: 28 })).toBe('go');
  });
  it('takes a stand as young by its day, but not for its own starter', () => {
    const young = (seededOn: string, state: Zone['state'] = 'new-seeding') =>
      readyFacts(jobOn(SPRING, withZone({ state, seededOn })), okonedo, SPRING);
    expect(young('2027-04-12')).toMatchObject({ daysSinceSown: 21, leastDaysSown: 28 });
    expect(young('2027-05-01').leastDaysSown).toBeUndefined();
    expect(young('2026-09-01').leastDaysSown).toBeUndefined();
    expect(young('2027-04-12', 'established').leastDaysSown).toBeUndefined();
  });
  it('asks of a disease that was seen these two weeks, until somebody saw it over, and of mowing only before a spray on the leaf', () => {
    const seen = (date: string, body: Partial<RecordBody>) =>
      firstVersion(
        `r ${date} ${body.kind}`,
        { kind: 'observation', date, zoneIds: [okonedo.zones[0]!.id], ...body },
        { at: `${date}T09:00:00-04:00`, by: 'R. Amadi' },
      );
    const facts = (records: RecordVersion[], of = jobOn(SPRING)) => readyFacts(of, { records }, SPRING);
    const sick = seen('2027-04-25', { facts: { words: ['disease active'] } });
    expect(facts([sick]).disease).toBe('not-known');
    expect(facts([seen('2027-04-19', { facts: { words: ['disease active'] } })]).disease).toBeUndefined();
    expect(facts([sick, seen('2027-05-01', { facts: { words: ['disease over'] } })]).disease).toBeUndefined();
    const mown = seen(SPRING, { kind: 'mowing', facts: { heightIn: 3 } });
    expect(facts([mown]).daysSinceMown).toBeUndefined();
    const spray: Job = { ...jobOn(SPRING), dose: { ...jobOn(SPRING).dose, for: 'iron' } };
    expect(facts([mown], spray)).toMatchObject({ daysSinceMown: 0, leastDaysSinceMown: 1 });
    const verdict = (disease: 'over' | 'spreading' | 'not-known') =>
      goLines({ material: 'granular', season: 'cool', carries: 'nitrogen', textureGroup: 'loam', disease }).find(
        ({ id }) => id === 'sick',
      )?.standing;
    expect([verdict('over'), verdict('spreading'), verdict('not-known')]).toEqual(['go', 'wait', 'ask']);
  });
  it('hints at what a usual year has, and leaves the answer to whoever stands there', () => {
    const job = jobOn(SPRING);
    expect(readyHints(job, '2027-02-01').turf).toMatch(/wakes/);
    expect(readyHints(job, '2027-02-01').ground).toBeDefined();
    expect(readyHints(job, '2027-06-01').ground).toBeUndefined();
    expect(readyHints({ ...job, zoneSeason: { ...job.zoneSeason, season: undefined } }, SPRING)).toEqual({});
  });
});

describe('a pesticide', () => {
  const job = jobOn(SPRING);
  const weedAndFeed: Job = { ...job, product: { ...job.product, pesticide: true } };
  const linesOf = (of: Job, label?: 'with-me') =>
    goLines(
      goFactsOf(
        of,
        okonedo,
        undefined,
        { ground: 'firm', turf: 'growing', leaf: 'wet', ...(label ? { label } : {}) },
        {},
        undefined,
        SPRING,
      ),
    );
  it('asks for its label, and says nothing of a wet leaf, which some labels ask for', () => {
    expect(linesOf(weedAndFeed).find(({ id }) => id === 'label')).toMatchObject({ standing: 'ask' });
    expect(linesOf(weedAndFeed, 'with-me').find(({ id }) => id === 'label')).toMatchObject({ standing: 'go' });
    expect(linesOf(weedAndFeed).some(({ id }) => id === 'leaf')).toBe(false);
    expect(linesOf(job).find(({ id }) => id === 'leaf')).toMatchObject({ standing: 'wait' });
    expect(linesOf(job).some(({ id }) => id === 'label')).toBe(false);
  });
});

describe('the law today', () => {
  const code: LocalCode = {
    id: 'county',
    name: 'County code',
    closed: [{ from: '11-15', to: '03-01', nutrients: ['N'] }],
    maxTotalNPerDose: 0.7,
    maxNPerYear: 2,
    licenseNeeded: true,
    setbackFt: 15,
    checkedOn: '2027-01-10',
  };
  const under = (codes: LocalCode[], change: Partial<Zone> = {}): Case => ({ ...withZone(change), codes });
  const law = (file: Case, on: string, operator?: Operator) => {
    const lines = lawToday(jobOn(SPRING, file), file, on, operator);
    return Object.fromEntries(lines.map((line) => [line.title, line]));
  };
  const [zone] = okonedo.zones;
  it('says nothing where no code holds', () => {
    expect(lawToday(jobOn(SPRING), { ...okonedo, codes: [] }, SPRING, undefined)).toEqual([]);
  });
  it('has the next closed day, and the day it opens again', () => {
    expect(law(under([code]), SPRING)['Closed dates']).toMatchObject({
      standing: 'pass',
      found: 'open; closed from 15 Nov',
    });
    expect(law(under([code]), '2027-12-01')['Closed dates']).toMatchObject({
      standing: 'fail',
      found: 'closed to N today, open again from 2 Mar',
    });
  });
  it('opens a closed day to licensed work with a little nitrogen, and to no more', () => {
    const allowing = (maxTotalNPerDose: number): LocalCode => ({
      ...code,
      who: 'licensed',
      allowances: [{ from: '11-15', to: '12-31', who: 'licensed', maxTotalNPerDose }],
    });
    expect(law(under([allowing(0.7)]), '2027-12-01')['Closed dates']?.standing).toBe('pass');
    expect(law(under([allowing(0.5)]), '2027-12-01')['Closed dates']?.standing).toBe('fail');
    // another code of the same property closes it all the same
    expect(law(under([allowing(0.7), { ...code, id: 'town' }]), '2027-12-01')['Closed dates']?.standing).toBe('fail');
    const facts = goFactsOf(
      jobOn(SPRING, under([allowing(0.7)])),
      under([allowing(0.7)]),
      undefined,
      {},
      {},
      undefined,
      '2027-12-01',
    );
    expect(facts.code).toBe('open');
  });
  it('counts the year with what was given and this dose: 1.6 lb of 42 % is 0.67 lb N', () => {
    const sqFt = zone!.areaSqFt;
    // 4 lb product per 1000 of 42 %: 1.68 lb N
    const given = { applied: [{ date: '2027-03-20', productId: 'coated-urea-42', zoneLb: (4 * sqFt) / 1000 }] };
    expect(law(under([code]), SPRING)['N a dose']).toMatchObject({
      standing: 'pass',
      found: '0.67 lb N of at most 0.70 lb N',
    });
    expect(law(under([code], given), SPRING)['N a year']).toMatchObject({
      standing: 'fail',
      found: '1.68 lb N given, 2.35 lb N with this dose, of at most 2.00 lb N',
    });
    const lastYear = { applied: [{ ...given.applied[0]!, date: '2026-10-20' }] };
    expect(law(under([code], lastYear), SPRING)['N a year']?.standing).toBe('pass');
  });
  it('knows a license by its number and its day', () => {
    const operator: Operator = { id: 'o', name: 'R. Amadi' };
    expect(law(under([code]), SPRING).License).toMatchObject({
      standing: 'fail',
      found: 'needed; no operator is chosen',
    });
    expect(law(under([code]), SPRING, operator).License?.found).toBe('needed; R. Amadi has none');
    const licensed = { ...operator, licenseNumber: 'TX-4', expiresOn: SPRING };
    expect(law(under([code]), SPRING, licensed).License?.standing).toBe('pass');
    expect(law(under([code]), '2027-05-04', licensed).License).toMatchObject({
      standing: 'fail',
      found: 'TX-4, R. Amadi, ran out 3 May 2027',
    });
  });
  it('warns of a code that nobody checked', () => {
    expect(law(under([{ ...code, checkedOn: undefined }]), SPRING)['County code']?.standing).toBe('warn');
  });
});
