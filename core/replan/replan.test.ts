import { describe, expect, it } from 'vitest';
import { addDays } from '../days/day';
import { correction, recordsOf, withdrawal } from '../log/versions';
import { withGiven } from '../log/applied';
import type { PlannedDose } from '../records/case';
import { someProperties } from '../season/any-property.fixture';
import { planSeason } from '../season/draft/plan-season';
import { allAtOnce } from '../season/edit/steps';
import { dose, GOOD, okonedo } from '../season/front-lawn.fixture';
import { doseKey } from '../season/plan/dose-key';
import { plannedDosesOf } from '../season/plan/planned-doses';
import { keptDoses, overDoses, workedDoses } from '../season/plan/worked-doses';
import { withDoses } from '../season/plan/with-doses';
import { planBest } from '../season/planner/plan-best';
import { highs } from '../season/planner/planner.fixture';
import { pairedLines } from './lines';
import { brokenByFacts, leaveOffer, mendOffer, type Offer, type Replanning, searchOffer, wishesFor } from './offers';
import { replanning, spread } from './replan.fixture';

const [spring, fall, late] = GOOD as [PlannedDose, PlannedDose, PlannedDose];
const searched = (at: Replanning, leave: Offer) =>
  allAtOnce(
    searchOffer(at, leave, planBest(highs, at.file, at.draft, wishesFor(at), { gap: 0.05, seconds: 300 }).doses),
  );
const ids = (checks: Offer['judged']['checks']) => checks.map(({ id }) => id);

describe('where a kept plan stands', () => {
  it('as planned: nothing breaks and no line changes', () => {
    const at = replanning(okonedo, GOOD, [spread(okonedo, spring)], '2027-07-01');
    const leave = leaveOffer(at);
    expect(at.standing.facts.map(({ standing, daysOff }) => [standing, daysOff])).toEqual([['within', 0]]);
    expect(at.standing.rest).toEqual([fall, late]);
    expect(brokenByFacts(at, leave)).toEqual([]);
    expect(leave.lines.map(({ word }) => word)).toEqual(['kept', 'kept']);
  });
  it('knows a short dose, one that was missed, one in two parts and one that nobody planned', () => {
    const records = [
      spread(okonedo, spring, { share: 0.6, date: '2027-05-12' }),
      spread(okonedo, dose('2027-06-07', 'sulfate-of-potash-50', 1, 'K2O'), { tied: false }),
      spread(okonedo, late, { share: 0.5, date: '2027-10-19' }),
      spread(okonedo, late, { share: 0.5, date: '2027-10-21' }),
    ];
    const { standing } = replanning(okonedo, GOOD, records, '2027-10-25');
    expect(standing.facts.map(({ date, standing: stands, daysOff }) => [date, stands, daysOff])).toEqual([
      ['2027-10-21', 'within', 3],
      ['2027-10-19', 'within', 1],
      ['2027-09-06', 'not-done', undefined],
      ['2027-06-07', 'extra', undefined],
      ['2027-05-12', 'short', 9],
    ]);
    expect(standing.gone.map(({ because }) => because)).toEqual(['Its week went by with no record.']);
    expect(standing.rest).toEqual([]);
  });
  it('counts what was left out as gone, with its reason, and a started run as not to be touched', () => {
    const key = doseKey(fall);
    const skip = spread(okonedo, spring);
    const left = { ...okonedo, records: [skip] };
    const run = {
      id: 'run-1',
      zoneId: fall.zoneId,
      productId: fall.productId,
      plannedOn: fall.date,
      areaSqFt: 3860,
      for: 'N' as const,
      rateLb: fall.rateLb,
      changedAt: undefined,
      events: [{ kind: 'started' as const, at: '2027-09-07T09:00:00-05:00', weighedLb: 14.9 }],
    };
    const at = replanning({ ...left, runs: [run as never] }, GOOD, [skip], '2027-09-07');
    expect([...at.standing.running]).toEqual([key]);
    expect(wishesFor(at).locked?.map(doseKey)).toEqual([key]);
    for (const offer of [leaveOffer(at), searched(at, leaveOffer(at))]) {
      expect(offer.doses.find((each) => doseKey(each) === key)?.rateLb).toBe(fall.rateLb);
      expect(offer.doses.find((each) => doseKey(each) === key)?.locked).toBeUndefined();
    }
  });
});

describe('a dose that was over', () => {
  const double = [spread(okonedo, fall), spread(okonedo, fall, { date: '2027-09-08' })];
  const at = replanning(okonedo, GOOD, [spread(okonedo, spring), ...double], '2027-09-10');
  it('holds the next feeding back, all its parts taken together', () => {
    const zone = at.file.zones[0] as (typeof at.file.zones)[number];
    expect(overDoses(at.file, zone)).toMatchObject([{ date: '2027-09-08', laterDays: 28 }]);
    const leave = leaveOffer(at);
    expect(ids(brokenByFacts(at, leave))).toContain('after-over');
    expect(leave.judged.checks.find(({ id }) => id === 'after-over')?.found).toBe('40 d, needs 56');
  });
  it('is mended or planned around, and the reason of the changed line is that it waits', () => {
    const leave = leaveOffer(at);
    const found = searched(at, leave);
    expect(ids(found.judged.checks.filter(({ standing }) => standing === 'fail'))).not.toContain('after-over');
    const line = found.lines.find(({ old }) => old?.date === late.date);
    expect(line?.word).not.toBe('kept');
    expect(line?.because).toMatch(/needs 56/);
    const mended = allAtOnce(mendOffer(at, leave));
    if (mended) expect(mended.edits.length).toBeLessThanOrEqual(2);
  });
  it('waits no longer once the second record is withdrawn', () => {
    const [first, second] = double as [(typeof double)[0], (typeof double)[0]];
    const [, record] = recordsOf([first, second]);
    const pen = { at: '2027-09-09T08:00:00-05:00', by: 'L. Okonedo' };
    const file = withGiven({ ...okonedo, records: [first, second, withdrawal(record!, 'written twice', pen)] });
    expect(overDoses(file, file.zones[0]!)).toEqual([]);
    const lighter = correction(record!, { ...record!.body, spreadLb: 0.2 }, 'read the scale wrong', pen);
    const corrected = withGiven({ ...okonedo, records: [first, second, lighter] });
    expect(overDoses(corrected, corrected.zones[0]!)).toEqual([]);
  });
});

describe('a plan as it is worked with', () => {
  it('has what was given at its real day and weight, and keeps what was planned of it', () => {
    const file = withGiven({ ...okonedo, records: [spread(okonedo, spring, { share: 0.9, date: '2027-05-06' })] });
    const worked = workedDoses(GOOD, file, 2027);
    expect(worked.map(({ date }) => date)).toEqual(['2027-05-06', '2027-09-06', '2027-10-18']);
    expect(worked[0]?.rateLb).toBeCloseTo(0.9 * spring.rateLb, 9);
    expect(keptDoses(worked, GOOD, file)).toEqual(GOOD);
    const moved = worked.map((each) => (each.date === '2027-09-06' ? { ...each, date: '2027-09-13' } : each));
    expect(keptDoses(moved, GOOD, file).map(({ date }) => date)).toEqual(['2027-05-03', '2027-09-13', '2027-10-18']);
  });
  it('does not ask again for a dose whose week is not over, nor for one that was given', () => {
    const stands = (records: Parameters<typeof replanning>[2], today: string) =>
      leaveOffer(replanning(okonedo, GOOD, records, today)).judged.checks.some(({ id }) => id === 'past');
    expect(stands([spread(okonedo, spring)], '2027-09-12')).toBe(false);
    expect(stands([spread(okonedo, spring)], '2027-09-14')).toBe(true);
    expect(stands([spread(okonedo, spring), spread(okonedo, fall, { date: '2027-09-11' })], '2027-09-14')).toBe(false);
  });
});

describe('lines', () => {
  it('pair by zone and purpose, the nearest first, and say what changed', () => {
    const next = [
      { ...fall, date: '2027-09-13', rateLb: 3.5 },
      { ...late, productId: 'urea-46' },
      dose('2027-10-18', 'sulfate-of-potash-50', 1, 'K2O'),
    ];
    const lines = pairedLines([fall, late], next, [spring]);
    expect(lines.map(({ word, changed }) => [word, changed])).toEqual([
      ['dropped', []],
      ['moved', ['date', 'rateLb']],
      ['other product', ['productId']],
      ['new', []],
    ]);
  });
});

/** Histories by a small counter, so that every run sees the same: as planned, short, missed, over, twice, late. */
const HAPPENED = [1, 0.6, undefined, 1.3, 2, 1, 0.95, undefined] as const;

describe.each(someProperties({ min: 1, max: 2 }, 'whole', 20, 5).map((file, i) => [i, file] as const))(
  'any property, %i',
  (i, file) => {
    const doses = plannedDosesOf(planSeason(file, 2027), new Set()).map((each, n) =>
      n % 4 === 3 ? { ...each, locked: true } : each,
    );
    const today = ['2027-06-16', '2027-07-01', '2027-08-27', '2027-09-10', '2027-10-01'][i] as string;
    const past = doses.filter(({ date }) => date < addDays(today, -7));
    const records = past.flatMap((each, n) => {
      const share = HAPPENED[(n + i) % HAPPENED.length];
      return share === undefined ? [] : [spread(file, each, { share, date: addDays(each.date, n % 3) })];
    });
    const at = replanning(file, doses, records, today);
    const leave = leaveOffer(at);

    it('keeps facts and locked doses in every offer, and gives every changed line its reason', () => {
      const mended = allAtOnce(mendOffer(at, leave));
      const offers = [leave, ...(mended ? [mended] : []), searched(at, leave)];
      for (const offer of offers) {
        for (const given of at.standing.given) expect(offer.doses).toContainEqual(given);
        for (const held of at.standing.rest.filter(({ locked }) => locked)) expect(offer.doses).toContainEqual(held);
        for (const line of offer.lines) if (line.word !== 'kept') expect(line.because).toMatch(/\w+.*\.$/);
        expect(Number.isFinite(offer.judged.cost)).toBe(true);
      }
      expect(leave.lines.filter(({ word }) => word !== 'kept').map(({ old }) => old)).toEqual(
        leave.lines.filter(({ because }) => because !== undefined).map(({ old }) => old),
      );
    }, 120_000);
    it('breaks no rule with the doses it places anew', () => {
      const found = searched(at, leave);
      const stands = new Set([...at.standing.given, ...at.standing.rest.filter(({ locked }) => locked)].map(doseKey));
      const programme = new Set(at.draft.zones.flatMap((zone) => (zone.programme ?? []).map(doseKey)));
      for (const { standing, doses: atFault, says } of found.judged.checks)
        if (standing === 'fail' && atFault)
          expect(
            atFault.some((key) => stands.has(key) || programme.has(key)),
            says,
          ).toBe(true);
    }, 120_000);
    it('is written as doses that can be laid again', () => {
      const kept = keptDoses(leave.doses, doses, at.file);
      expect(new Set(kept.map(doseKey)).size).toBe(kept.length);
      expect(withDoses(at.draft, at.file, kept).zones.flatMap((zone) => zone.doses).length).toBe(kept.length);
    });
  },
);

it('a year that went as planned is found again as it was', () => {
  const { doses } = planBest(highs, okonedo, planSeason(okonedo, 2027), {}, { gap: 0.02, seconds: 300 });
  const records = doses.filter(({ date }) => date < '2027-07').map((each) => spread(okonedo, each));
  const at = replanning(okonedo, doses, records, '2027-07-01');
  const found = searched(at, leaveOffer(at));
  expect(found.lines.length).toBeGreaterThan(0);
  expect(found.lines.map(({ word }) => word)).toEqual(found.lines.map(() => 'kept'));
}, 120_000);
