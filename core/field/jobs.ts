import { addDays, dayOfYear, daysBetween, type IsoDay } from '../days/day';
import type { Case, Product, Run, Zone } from '../records/case';
import type { Dose } from '../season/plan/dose';
import { doseKey } from '../season/plan/dose-key';
import { keysOfGivenDoses } from '../season/plan/doses-given';
import type { SeasonPlan, ZoneSeason } from '../season/plan/season-plan';
import { STILL_DOABLE_DAYS } from '../season/plan/zone-year';
import { leastDaysBetweenN } from '../season/rules/dose-ceilings';
import { closedTo } from '../season/rules/local-codes';
import { groundOf } from '../ground/zone-ground';
import { isRefusal } from '../reckoning/refusal';
import { materialOf, wateringIn } from './material';
import { walkingOrder } from './walking-order';
import { recordsOf } from '../log/versions';
import { voidRuns } from '../runs/void-runs';
import { runState, type RunState } from '../runs/run-state';

/**
 * Doses of the kept plan, seen from the day: what is due, what is late, what was missed. A job is never stored; it follows from the plan,
 * the runs and the day.
 */

export const JOB_STATES = [
  'running',
  'weigh-back',
  'late',
  'due',
  'upcoming',
  'later',
  'missed',
  'skipped',
  'done',
] as const;
export type JobState = (typeof JOB_STATES)[number];

export interface Job {
  /** zone/day/product, as doses are named. */
  key: string;
  zone: Zone;
  zoneSeason: ZoneSeason;
  dose: Dose;
  product: Product;
  state: JobState;
  /** The last day it may still be done. */
  lastDay: IsoDay;
  daysLate: number;
  /** Why somebody said that it is not done. */
  skippedFor?: string;
  /** Soil of every day of the year, deg F; empty without a climate. */
  soilF: readonly number[];
  run?: Run;
  runState?: RunState;
}

/** Listed so long before its week, days. */
const LISTED_BEFORE_DAYS = 14;
/** A week's days after its Monday, and the last day a dose is ever given, days after it. Common practice. */
const WEEK_LASTS_DAYS = 6;
const MOST_LAST_DAYS = 21;

/** The last day a dose may be given: before the next nitrogen comes too near, and while grass, ground and law allow it. */
export function lastDayOf(dose: Dose, zoneSeason: ZoneSeason, product: Product, codes: Case['codes'] = []): IsoDay {
  const least = addDays(dose.date, STILL_DOABLE_DAYS);
  let last = addDays(dose.date, MOST_LAST_DAYS);
  const { season, zone, doses } = zoneSeason;
  const feeds = (product.guaranteed.N ?? 0) > 0;
  if (feeds) {
    const next = doses.filter((each) => each.date > dose.date && (each.delivers.N ?? 0) > 0).map(({ date }) => date);
    const first = next.sort()[0];
    if (first) last = [last, addDays(first, -leastDaysBetweenN(zone))].sort()[0] as IsoDay;
  }
  const shut = (day: IsoDay) => {
    const place = dayOfYear(day);
    if (closedTo(codes, dose.delivers, day)) return true;
    return season !== undefined && (season.frozen[place] === true || (feeds && season.feeding[place] === false));
  };
  for (let day = dose.date; day <= last; day = addDays(day, 1)) if (day > least && shut(day)) last = addDays(day, -1);
  return last < least ? least : last;
}

const stateOf = (today: IsoDay, dose: Dose, lastDay: IsoDay): JobState => {
  if (today < addDays(dose.date, -LISTED_BEFORE_DAYS)) return 'later';
  if (today < dose.date) return 'upcoming';
  if (today <= addDays(dose.date, WEEK_LASTS_DAYS)) return 'due';
  return today <= lastDay ? 'late' : 'missed';
};

/** Jobs that somebody said are not done, by their key, with the reason. */
const skippedJobs = ({ records = [] }: Case): ReadonlyMap<string, string> =>
  new Map(
    recordsOf(records).flatMap(({ withdrawn, body: { kind, facts } }) =>
      kind === 'skip' && !withdrawn && facts?.jobKey !== undefined ? [[facts.jobKey, facts.reason ?? '']] : [],
    ),
  );

/**
 * The jobs of a property on a day, in the order of the work: what runs, what is late, what is due, what comes. A plan that was never
 * kept gives none.
 *
 * @param season the plan's doses with their figures
 */
export function jobsOf(file: Case, season: SeasonPlan, isKept: boolean, today: IsoDay): Job[] {
  if (!isKept) return [];
  const products = new Map((file.products ?? []).map((product) => [product.id, product]));
  const given = keysOfGivenDoses(file);
  // one that carried nothing out stands only until another is begun
  const isVoid = voidRuns(file);
  const byStanding = [...(file.runs ?? [])].sort((a, b) => Number(isVoid.has(b.id)) - Number(isVoid.has(a.id)));
  const runs = new Map(byStanding.map((run) => [runKey(run), run]));
  const skipped = skippedJobs(file);
  const jobs = season.zones.flatMap((zoneSeason) =>
    zoneSeason.doses.flatMap((dose): Job[] => {
      const product = products.get(dose.productId);
      if (!product) return [];
      const key = doseKey(dose);
      const run = runs.get(key);
      const came = run && runState(run);
      const skippedFor = skipped.get(key);
      const lastDay = lastDayOf(dose, zoneSeason, product, file.codes);
      const state: JobState =
        (came === undefined || came.standing === 'signed') && given.has(key)
          ? 'done'
          : came?.standing === 'running' || came?.standing === 'paused'
            ? 'running'
            : came?.standing === 'finished' || came?.standing === 'weighed'
              ? 'weigh-back'
              : skippedFor !== undefined
                ? 'skipped'
                : stateOf(today, dose, lastDay);
      return [
        {
          key,
          zone: zoneSeason.zone,
          zoneSeason,
          dose,
          product,
          state,
          lastDay,
          ...(skippedFor === undefined ? {} : { skippedFor }),
          soilF: season.soilF,
          daysLate: state === 'late' ? daysBetween(addDays(dose.date, WEEK_LASTS_DAYS), today) : 0,
          ...(run ? { run, runState: came } : {}),
        },
      ];
    }),
  );
  const places = new Map(
    walkingOrder(file.zones.map((zone) => ({ id: zone.id, corners: cornersOn(zone, file) }))).map((id, at) => [id, at]),
  );
  const order = (job: Job) => JOB_STATES.indexOf(job.state);
  const place = ({ zone }: Job) => places.get(zone.id) ?? 0;
  return jobs.sort(
    (a, b) =>
      order(a) - order(b) ||
      a.dose.date.localeCompare(b.dose.date) ||
      place(a) - place(b) ||
      turnOf(a) - turnOf(b) ||
      a.key.localeCompare(b.key),
  );
}

const cornersOn = (zone: Zone, { property }: Case) => {
  const ground = groundOf(zone, property.site);
  return isRefusal(ground) ? [] : ground.corners;
};

/** On one zone granules go down first, what is watered in before what is not, sprays last. Common practice. */
const turnOf = ({ product, dose }: Job): number =>
  materialOf(product, dose.for) === 'spray' ? 2 : wateringIn(product) ? 0 : 1;

/** The name of the dose that a run carries out. */
export const runKey = ({ zoneId, plannedOn, productId }: Run): string =>
  doseKey({ zoneId, date: plannedOn, productId });
