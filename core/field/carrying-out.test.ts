import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../days/day';
import { firstVersion, recordsOf, withdrawal } from '../log/versions';
import type { Case, Product, RecordVersion, Run, RunEvent } from '../records/case';
import { isRefusal } from '../reckoning/refusal';
import { checkZonePlan } from '../season/checks/check-plan';
import { dose, GOOD, laid, okonedo } from '../season/front-lawn.fixture';
import { jobsOf, lastDayOf } from './jobs';
import { carriedBy, materialOf, protectionFor, wateringIn } from './material';
import { isOpen, runState, wasInterrupted } from '../runs/run-state';
import { sharesOf, walkOf } from './walk';

const event = (kind: RunEvent['kind'], at: string, more: Partial<RunEvent> = {}): RunEvent => ({ kind, at, ...more });
const started = event('started', '2027-05-03T09:00:00-04:00', {
  weighedLb: 6.2,
  runsFt: [40, 30, 20],
  operator: 'R. Amadi',
});
const runOf = (events: RunEvent[], more: Partial<Run> = {}): Run => ({
  id: 'front-lawn-2027-05-03',
  zoneId: 'front-lawn',
  productId: 'coated-urea-42',
  plannedOn: '2027-05-03',
  for: 'N',
  rateLb: 1.6,
  plannedLb: 6.176,
  areaSqFt: 3860,
  label: { name: 'Coated urea', face: '42-0-0', percent: 42 },
  events,
  ...more,
});
const jobsOn = (today: string, given: Case = okonedo) => jobsOf(given, laid(GOOD, given), true, today);
const statesOn = (today: string, given: Case = okonedo) =>
  jobsOn(today, given).map((job) => [job.dose.date, job.state]);

describe('a job that is left out', () => {
  it('is no longer due, until that is withdrawn, and done once something was given for it', () => {
    const key = 'front-lawn/2027-05-03/coated-urea-42';
    const pen = { at: '2027-05-04T08:00:00-04:00', by: 'R. Amadi' };
    const skip = firstVersion(
      's',
      {
        kind: 'skip',
        date: '2027-05-04',
        zoneIds: ['front-lawn'],
        facts: { jobKey: key, reason: 'the client is away' },
      },
      pen,
    );
    const state = (records: RecordVersion[]) =>
      jobsOn('2027-05-04', { ...okonedo, records }).find((job) => job.key === key);
    expect(state([skip])).toMatchObject({ state: 'skipped', skippedFor: 'the client is away' });
    const back = withdrawal(recordsOf([skip])[0]!, 'they are back', pen);
    expect(state([skip, back])?.state).toBe('due');
  });
});

describe('a run that was left', () => {
  const later = (time: string) => `2027-05-03T${time}:00-04:00`;
  it('is looked at again after two hours, paused or not, whatever was noted meanwhile', () => {
    const running = runOf([started, event('run-done', later('09:20'), { runsDone: 1 })]);
    expect(wasInterrupted(running, later('11:20'))).toBe(false);
    expect(wasInterrupted(running, later('11:21'))).toBe(true);
    const noted = runOf([...running.events, event('note', later('11:30'), { note: 'rain' })]);
    expect(wasInterrupted(noted, later('11:31'))).toBe(true);
    expect(
      wasInterrupted(runOf([...running.events, event('paused', later('09:30'))]), '2027-05-04T08:00:00-04:00'),
    ).toBe(true);
    expect(wasInterrupted(runOf([...running.events, event('finished', later('09:40'))]), later('23:00'))).toBe(false);
  });
  it('goes on without the gap counting as work, also where nobody paused', () => {
    const over = (events: RunEvent[]) => runState(runOf([started, ...events])).minutes;
    const [done, resumed, end] = [
      event('run-done', later('09:20'), { runsDone: 1 }),
      event('resumed', '2027-05-04T08:00:00-04:00'),
      event('finished', '2027-05-04T08:10:00-04:00'),
    ];
    expect(over([done, resumed, end])).toBe(30);
    expect(over([done, event('paused', later('09:25')), resumed, end])).toBe(35);
  });
});

describe('jobs of a plan', () => {
  it('are none before it was saved', () => expect(jobsOf(okonedo, laid(GOOD), false, '2027-05-03')).toEqual([]));

  it('are due for the week from their day, listed two weeks ahead, then late, then missed', () => {
    const spring = (today: string) => statesOn(today).find(([date]) => date === '2027-05-03')?.[1];
    expect(spring('2027-04-18')).toBe('later');
    expect(spring('2027-04-19')).toBe('upcoming');
    expect(spring('2027-05-02')).toBe('upcoming');
    expect(spring('2027-05-03')).toBe('due');
    expect(spring('2027-05-09')).toBe('due');
    expect(spring('2027-05-10')).toBe('late');
    expect(jobsOn('2027-05-12').find((job) => job.dose.date === '2027-05-03')?.daysLate).toBe(3);
    const last = jobsOn('2027-05-12').find((job) => job.dose.date === '2027-05-03')?.lastDay ?? '';
    expect(spring(last)).toBe('late');
    expect(spring(addDays(last, 1))).toBe('missed');
  });

  it('may be a week late, and no more than three weeks, and keep off the next nitrogen', () => {
    const season = laid([
      dose('2027-09-06', 'ammonium-sulfate-21', 3.86),
      dose('2027-10-11', 'ammonium-sulfate-21', 3.64),
    ]);
    const zoneSeason = season.zones.find(({ zone }) => zone.id === 'front-lawn');
    if (!zoneSeason) throw new Error('no zone');
    const product = okonedo.products?.find(({ id }) => id === 'ammonium-sulfate-21') as Product;
    const [first] = zoneSeason.doses;
    if (!first) throw new Error('no dose');
    // 28 days before 11 October are 13 September: a week after the dose's own is always left
    expect(lastDayOf(first, zoneSeason, product)).toBe('2027-09-19');
    const alone = { ...zoneSeason, doses: [first] };
    expect(lastDayOf(first, alone, product)).toBe('2027-09-27');
  });

  it('follow their run: under way, to be weighed, done; what was given up is to be done again', () => {
    const withRun = (...events: RunEvent[]): string | undefined =>
      jobsOn('2027-05-04', { ...okonedo, runs: [runOf(events)] }).find((job) => job.dose.date === '2027-05-03')?.state;
    const finished = event('finished', '2027-05-03T09:20:00-04:00');
    const weighed = event('weighed-back', '2027-05-03T09:25:00-04:00', { backLb: 0.2 });
    expect(withRun(started)).toBe('running');
    expect(withRun(started, event('paused', '2027-05-03T09:05:00-04:00'))).toBe('running');
    expect(withRun(started, finished)).toBe('weigh-back');
    expect(withRun(started, finished, weighed)).toBe('weigh-back');
    expect(withRun(started, finished, weighed, event('signed', '2027-05-03T09:26:00-04:00'))).toBe('done');
    expect(withRun(started, event('given-up', '2027-05-03T09:05:00-04:00', { reason: 'rain' }))).toBe('due');
    // begun anew after it was given up, in whatever order the runs are read
    const again = runOf([started], { id: 'again' });
    const up = runOf([started, event('given-up', '2027-05-03T09:05:00-04:00', { reason: 'rain' })]);
    for (const runs of [
      [again, up],
      [up, again],
    ])
      expect(jobsOn('2027-05-04', { ...okonedo, runs })[0]?.run?.id).toBe('again');
  });

  it('a dose that was given on another day of its week is done', () => {
    const zones = okonedo.zones.map((zone) => ({
      ...zone,
      applied: [{ date: '2027-05-03', productId: 'coated-urea-42', zoneLb: 6.1 }],
    }));
    expect(statesOn('2027-05-04', { ...okonedo, zones }).at(-1)).toEqual(['2027-05-03', 'done']);
  });
});

describe('checks of a plan that is being carried out', () => {
  it('a lime dose that was given was asked for: it is not said to be too much by the ledger that now counts it', () => {
    // nothing asks for lime on this soil: a plan with some fails, until what stands in it went down
    const planned = laid([dose('2027-04-12', 'calcitic-lime', 20, 'lime')]);
    const zoneSeason = planned.zones[0];
    if (!zoneSeason) throw new Error('no zone');
    const failing = (given: Case) =>
      checkZonePlan(zoneSeason, given, planned).filter(
        ({ id, standing }) => id === 'ph-unasked' && standing === 'fail',
      );
    const givenLime: Case = {
      ...okonedo,
      zones: okonedo.zones.map((zone) => ({
        ...zone,
        applied: [{ date: '2027-04-12', productId: 'calcitic-lime', zoneLb: 70 }],
      })),
    };
    expect(failing(okonedo)).toHaveLength(1);
    expect(failing(givenLime)).toHaveLength(0);
  });
});

describe('what a run has come to', () => {
  const at = (minute: number) => `2027-05-03T09:${String(minute).padStart(2, '0')}:00-04:00`;

  it('counts minutes without the pauses, and what was spread is what went out less what came back', () => {
    const state = runState(
      runOf([
        started,
        event('run-done', at(4), { runsDone: 1 }),
        event('paused', at(5)),
        event('resumed', at(15)),
        event('run-done', at(18), { runsDone: 2 }),
        event('finished', at(20), { coveredSqFt: 3000 }),
        event('weighed-back', at(25), { backLb: 0.5, how: 'typed' }),
        event('signed', at(26), { operator: 'L. Ost' }),
      ]),
    );
    expect(state).toMatchObject({
      standing: 'signed',
      minutes: 10,
      runsDone: 2,
      coveredSqFt: 3000,
      operator: 'L. Ost',
    });
    expect(state.spreadLb).toBeCloseTo(5.7, 12);
  });

  it('every beginning of its steps is a state, and nothing after the end changes it', () => {
    const kinds = ['run-done', 'paused', 'resumed', 'note', 'finished', 'weighed-back', 'signed', 'given-up'] as const;
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...kinds), { maxLength: 20 }), (steps) => {
        const events = [started, ...steps.map((kind, i) => event(kind, at(i + 1), { backLb: 0.1 }))];
        const states = events.map((_, i) => runState(runOf(events.slice(0, i + 1))));
        const closed = states.findIndex(({ standing }) => standing === 'signed' || standing === 'given-up');
        if (closed >= 0)
          for (const later of states.slice(closed)) {
            expect(later.standing).toBe(states[closed]?.standing);
            expect(later.minutes).toBe(states[closed]?.minutes);
          }
        for (const { minutes, runsDone } of states) {
          expect(minutes).toBeGreaterThanOrEqual(0);
          expect(minutes).toBeLessThanOrEqual(steps.length);
          expect(runsDone).toBeLessThanOrEqual(3);
        }
        expect(isOpen(runOf(events))).toBe(closed < 0);
      }),
    );
  });
});

describe('what a product is on the day (common practice)', () => {
  const product = (more: Partial<Product>): Product =>
    ({ id: 'p', name: 'P', form: 'granular', guaranteed: {}, ...more }) as Product;
  const hydrated = product({ liming: { cce: 130, fineness: [], kind: 'hydrated' } } as Partial<Product>);

  it('a liquid is sprayed, dust drifts, prills do not', () => {
    expect(materialOf(product({ form: 'liquid' }))).toBe('spray');
    expect(materialOf(product({ sizeGuideNumber: 90 }))).toBe('fine-granular');
    expect(materialOf(product({ sizeGuideNumber: 210 }))).toBe('granular');
    expect(materialOf(product({}))).toBe('granular');
  });

  it('what burns most decides, and is watered in soonest', () => {
    expect(carriedBy(product({ guaranteed: { N: 10, K2O: 10, Fe: 2 } }))).toBe('nitrogen');
    expect(carriedBy(product({ guaranteed: { K2O: 50 } }))).toBe('potash');
    expect(wateringIn(product({ guaranteed: { N: 46 }, nitrogen: { urea: 46 } } as Partial<Product>))).toEqual({
      depthIn: 0.25,
      withinHours: 24,
    });
    expect(wateringIn(product({ form: 'liquid', guaranteed: { N: 10 } }))).toBeUndefined();
    expect(wateringIn(product({ guaranteed: { Fe: 5 } }))).toBeUndefined();
    if (carriedBy(hydrated) === 'hydrated-lime') expect(wateringIn(hydrated)?.withinHours).toBe(1);
  });

  it('names what to wear, and what each can do to a person', () => {
    const said = (more: Partial<Product>) => protectionFor(product(more)).join(' ');
    expect(said({ guaranteed: { 'S-free': 90 } })).toMatch(/sparks/);
    expect(said({ guaranteed: { Fe: 5 } })).toMatch(/stains/);
    expect(said({ form: 'liquid', guaranteed: { N: 10 } })).not.toMatch(/Sweep/);
    for (const each of [product({}), hydrated, product({ form: 'liquid' })])
      expect(protectionFor(each)[0]).toMatch(/^Gloves/);
  });
});

describe('how a zone is walked', () => {
  it('shares are whole steps of the scale that add up to what is weighed out', () => {
    expect(sharesOf(11.5, 2)).toEqual([5.8, 5.7]);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20_000 }), fc.constantFrom(1, 2, 4), (tenths, parts) => {
        const shares = sharesOf(tenths / 10, parts);
        expect(shares.reduce((sum, share) => sum + Math.round(share * 10), 0)).toBe(tenths);
        expect(Math.max(...shares) - Math.min(...shares)).toBeLessThan(0.11);
      }),
    );
  });

  it('a zone of which only the area is known is walked as a square, both ways, and each way lays its share', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 400, max: 40_000, noNaN: true }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        fc.integer({ min: 20, max: 900 }),
        (areaSqFt, swathFt, tenths) => {
          const walk = walkOf([], areaSqFt, tenths / 10, {
            swathFt,
            school: 'two-directions',
            speedMph: 3,
            headerLaps: 1,
            hopperLb: 50,
          });
          if (isRefusal(walk)) throw new Error(walk.refused);
          expect(walk.asSquare).toBe(true);
          expect(walk.rounds).toHaveLength(2);
          for (const { stretchesFt, settingLb, shareLb, loads } of walk.rounds) {
            const feet = stretchesFt.reduce((a, b) => a + b, 0);
            // what the gate is set by, over what is walked with it open, is the share
            if (feet > 0) expect((settingLb * feet * swathFt) / 1000).toBeCloseTo(shareLb, 6);
            if (loads) expect(loads.loadLb.reduce((a, b) => a + b, 0)).toBeCloseTo(shareLb, 6);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});
