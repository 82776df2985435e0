import { addDays, type IsoDay } from '../days/day';
import { isFoliarPurpose } from '../foliar/foliar-feeds';
import { groundOf, type ZoneGround } from '../ground/zone-ground';
import { BUILT_IN_PACKS, type RulePacks } from '../packs/rule-packs';
import { asTaken, densityOf, flOzOf } from '../products/as-weighed';
import type { Case, Product } from '../records/case';
import { evaluate } from '../reckoning/define';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import { planSeason } from '../season/draft/plan-season';
import { currentPlan } from '../season/plan/current-plan';
import { withDoses } from '../season/plan/with-doses';
import { cautionsUnder, PURPOSE_CAUTIONS } from '../season/rules/cautions';
import { goFactsOf } from './day-facts';
import { type Forecast, forecastNow } from './forecast-now';
import { gateFor } from './gate';
import { type GoLine, goLines, type Verdict, verdictOf } from './go';
import { weatherAt } from './hours';
import { jobHours, type JobHours, waterFactsAt } from './job-hours';
import { type Job, jobsOf } from './jobs';
import { type LawLine, lawToday } from './law-today';
import { type ReadyHints, readyHints } from './readiness';
import { layingSays } from './laying-says';
import { materialOf, protectionFor, wateringIn } from './material';
import { sprayRefused } from './spray-refused';
import { type Gear, gearOf, USUAL_GEAR, type Walk, walkOf } from './walk';
import { type Watering, wateringOf } from './water-task';
import { weighError } from './weigh-back';

/** A property's day as whoever goes out needs it, put together without a screen. */

export interface FieldDayAsked {
  date: IsoDay;
  /** This hour, '2027-09-06T06'; the first of the forecast on that day where it is not said. */
  hour?: string;
  forecast?: Forecast;
  zoneId?: string;
  /** Jobs of so many days to come are listed. */
  days?: number;
  operatorId?: string;
  packs?: RulePacks;
  /** What is walked with; as is usual, with the first spreader of the file, where it is not said. */
  gear?: Gear;
  /** Passes that somebody turned, by the job's key, degrees. */
  bearings?: Readonly<Record<string, number>>;
}

export interface DayJob {
  job: Job;
  ground: ZoneGround | undefined;
  /** lb product; a liquid is measured out by the jug. */
  weighOutLb: number;
  measureOutFlOz?: number;
  /** lb product; undefined where nobody knows how sure the area is. */
  likelyErrorLb?: number;
  walk?: Walk;
  /** Why it cannot be walked with what there is. */
  walkRefused?: string;
  /** Where the gate stands in each direction, on the dial. */
  openings: (number | undefined)[];
  lines: GoLine[];
  verdict: Verdict;
  hours: JobHours;
  water?: Watering & { withinHours: number };
  cautions: string[];
  /** What the local codes ask of it today. */
  law: LawLine[];
  hints: ReadyHints;
  /** What is worth knowing before it is weighed out. */
  says: string[];
}
export interface FieldDay {
  date: IsoDay;
  jobs: DayJob[];
  /** Why there are none, where there is no plan to follow. */
  says?: string;
}

const DAYS_LISTED = 14;

/** Jobs that are done or were due before the day, and those of the days to come that are listed. */
const isListed = ({ dose, state }: Job, date: IsoDay, days: number): boolean =>
  state !== 'later' && state !== 'upcoming' ? true : dose.date <= addDays(date, days);

/**
 * The jobs of a property on a day: what is weighed out, how it is walked, whether it is an hour, what comes after. Ground and turf are
 * seen by whoever stands there; nobody has looked, so they are asked for and no verdict is go before. Refused where the zone, the operator
 * or the hour is none of the file's.
 *
 * @example fieldDay(file, { date: '2027-09-06' }).jobs[0].verdict // 'ask'
 */
export function fieldDay(
  file: Case,
  {
    date,
    hour,
    forecast,
    zoneId,
    days = DAYS_LISTED,
    operatorId,
    packs = BUILT_IN_PACKS,
    gear: walkedWith,
    bearings = {},
  }: FieldDayAsked,
): FieldDay | Refusal {
  if (zoneId !== undefined && !file.zones.some(({ id }) => id === zoneId))
    return refuse('zone', `There is no zone "${zoneId}": the file has ${file.zones.map(({ id }) => id).join(', ')}.`);
  const operator = file.operators?.find(({ id }) => id === operatorId);
  if (operatorId !== undefined && !operator)
    return refuse(
      'operator',
      `There is no operator "${operatorId}" in the file${file.operators?.length ? `: it has ${file.operators.map(({ id }) => id).join(', ')}` : ', which names none'}.`,
    );
  const plan = currentPlan(file, Number(date.slice(0, 4)));
  if (plan?.keptOn === undefined || !plan.doses)
    return { date, jobs: [], says: `The plan of ${date.slice(0, 4)} was not saved: jobs come of a saved plan.` };
  const draft = planSeason(file, plan.year, plan.products ?? {}, date, packs, date);
  const jobs = jobsOf(file, withDoses(draft, file, plan.doses), true, date).filter(
    (job) => isListed(job, date, days) && (zoneId === undefined || job.zone.id === zoneId),
  );
  const at = hour ?? forecast?.forecast.hourly.at.find((each) => each.startsWith(date));
  const now = forecast && at !== undefined ? forecastNow(forecast, at) : undefined;
  const latitudeDeg = file.property.latitudeDeg ?? forecast?.forecast.station.latitudeDeg ?? 0;
  const weatherFor = (product: Product) =>
    now?.now === undefined ? {} : weatherAt(now.hours, now.now, latitudeDeg, product.rainfastHours);
  const spreader = file.spreaders?.[0];
  const gear = walkedWith ?? { ...USUAL_GEAR, ...(spreader ? gearOf(spreader) : {}) };

  const dayJob = (job: Job, _at: number, all: readonly Job[]): DayJob => {
    const { zone, dose, product } = job;
    const found = groundOf(zone, file.property.site);
    const ground = isRefusal(found) ? undefined : found;
    const isSprayed = materialOf(product, dose.for) === 'spray';
    const density = densityOf(product);
    // how much water goes with it is decided at the tank; that it burns whatever the water is said here
    const refused = isSprayed ? sprayRefused(product, dose.rateLb, undefined) : undefined;
    const weighOutLb = asTaken(dose.zoneLb, product);
    const error =
      ground?.error && evaluate(weighError, { ratePer1000Lb: dose.rateLb, areaErrorSqFt: ground.error.value });
    const walk = isSprayed
      ? undefined
      : walkOf(ground?.fed ?? [], zone.areaSqFt, weighOutLb, { ...gear, bearingDeg: bearings[job.key] });
    const walked = walk && !isRefusal(walk) ? walk : undefined;
    const facts = {
      ...goFactsOf(job, file, ground, {}, weatherFor(product), operator, date),
      ...(now?.now === undefined ? {} : waterFactsAt(job, file, now, now.now)),
    };
    const lines = goLines(facts);
    const water = wateringIn(product);
    const purpose = PURPOSE_CAUTIONS[dose.for as keyof typeof PURPOSE_CAUTIONS] as string | undefined;
    return {
      job,
      ground,
      weighOutLb,
      ...(density === undefined ? {} : { measureOutFlOz: flOzOf(weighOutLb, density) }),
      ...(error && !isRefusal(error) ? { likelyErrorLb: error.likelyLb } : {}),
      ...(walked ? { walk: walked } : {}),
      ...(walk && isRefusal(walk) ? { walkRefused: walk.refused } : {}),
      openings: (walked?.rounds ?? []).map(({ settingLb }) =>
        spreader
          ? gateFor(spreader, {
              productId: product.id,
              targetLb: settingLb,
              today: date,
              ...(operator ? { operator: operator.name } : {}),
              ...(product.lot ? { lot: product.lot } : {}),
            }).set
          : undefined,
      ),
      lines,
      verdict: verdictOf(lines),
      hours: jobHours(job, now, {
        file,
        ground,
        seen: {},
        operator,
        today: date,
        latitudeDeg,
        minutes: walked ? walked.rounds.reduce((sum, { minutes }) => sum + minutes, 0) : 60,
      }),
      ...(water && !isFoliarPurpose(dose.for)
        ? { water: { ...wateringOf(zone, water.depthIn), withinHours: water.withinHours } }
        : {}),
      says: [
        ...(refused === undefined ? [] : [refused]),
        ...layingSays({ job, jobs: all, weighOutLb, school: gear.school }),
      ],
      cautions: [
        ...protectionFor(product),
        ...(purpose && !water ? [purpose] : []),
        ...cautionsUnder(file.codes ?? []),
      ],
      law: lawToday(job, file, date, operator),
      hints: readyHints(job, date),
    };
  };
  return { date, jobs: jobs.map(dayJob) };
}
