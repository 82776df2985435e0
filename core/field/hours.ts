import { dayLength } from '../climate/day-length';
import type { WeatherHour } from '../climate/hourly-weather';
import { dayOfYear, type IsoDay } from '../days/day';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { type GoFacts, type GoLineId, goLines, type Verdict, verdictOf } from './go';

/** Go by the hour: what the forecast lets pass, and when a job could be done from beginning to end. */

/** Rain less likely than this counts by its chance, %; from it on it counts whole. Common practice. */
const WHOLE_RAIN_PERCENT = 30;
/** A leaf is wet in air so damp, %, or so long after rain of so much. Sentelhas et al. 2008, Agric. For. Meteorol. 148:392-400, value from memory; hours: common practice. */
const WET_LEAF = { humidityPercent: 90, hours: 3, rainIn: 0.01 } as const;
const FREEZING_F = 32;
/** Hours a spray dries where its label says nothing. Common practice. */
const DRYING_HOURS = 4;
/** Within these of the nearer of sunrise and sunset nothing is asked of an hour more than the sun can say, h. */
const HALF_DAY_HOURS = 12;
/** Days over which the lowest low is looked for. */
const FROST_DAYS = 10;

const rainCounted = ({ rainIn, rainChancePercent }: WeatherHour): number =>
  rainChancePercent < WHOLE_RAIN_PERCENT ? (rainIn * rainChancePercent) / 100 : rainIn;
const sumOf = (hours: readonly WeatherHour[]) => hours.reduce((sum, hour) => sum + rainCounted(hour), 0);
const dayOf = (at: string): IsoDay => at.slice(0, 10);
const hourOf = (at: string): number => Number(at.slice(11, 13));

/** Sunrise and sunset in local standard hours, noon at twelve. On the equator at the equinox: 6 and 18. */
export function sunOf(latitudeDeg: number, day: IsoDay): { riseHour: number; setHour: number } {
  const hours = evaluate(dayLength, { latitudeDeg, dayOfYear: dayOfYear(day) + 1 });
  const half = (isRefusal(hours) ? HALF_DAY_HOURS : hours) / 2;
  return { riseHour: 12 - half, setHour: 12 + half };
}

/**
 * The weather of one hour of a forecast as the verdict asks for it. A sum that the forecast does not reach is left out: it is not known.
 *
 * @param hours unbroken hours, what was observed before the forecast first
 * @param i which of them
 * @param dryingHours of a spray; of its label where it says so
 */
export function weatherAt(
  hours: readonly WeatherHour[],
  i: number,
  latitudeDeg: number,
  dryingHours: number = DRYING_HOURS,
): Pick<
  GoFacts,
  | 'windMph'
  | 'gustMph'
  | 'hoursFromSun'
  | 'rainNext24In'
  | 'rainNext48In'
  | 'rainLast24In'
  | 'rainWhileDryingIn'
  | 'highF'
  | 'lowestLowF'
  | 'leaf'
> {
  const now = hours[i] as WeatherHour;
  const ahead = (n: number) => (i + n <= hours.length ? sumOf(hours.slice(i, i + n)) : undefined);
  const { riseHour, setHour } = sunOf(latitudeDeg, dayOf(now.at));
  const middle = hourOf(now.at) + 0.5;
  const today = hours.filter(({ at }) => dayOf(at) === dayOf(now.at)).map(({ tempF }) => tempF);
  const coming = hours.slice(i, i + FROST_DAYS * 24).map(({ tempF }) => tempF);
  const lately = hours.slice(Math.max(0, i - WET_LEAF.hours), i + 1);
  const wet =
    now.humidityPercent >= WET_LEAF.humidityPercent ||
    lately.reduce((sum, { rainIn }) => sum + rainIn, 0) >= WET_LEAF.rainIn - 1e-9;
  const [next24, next48, drying] = [ahead(24), ahead(48), ahead(Math.ceil(dryingHours))];
  return {
    windMph: now.windMph,
    gustMph: now.gustMph,
    hoursFromSun: Math.min(HALF_DAY_HOURS, Math.abs(middle - riseHour), Math.abs(setHour - middle)),
    ...(next24 === undefined ? {} : { rainNext24In: next24 }),
    ...(next48 === undefined ? {} : { rainNext48In: next48 }),
    ...(i >= 24 ? { rainLast24In: hours.slice(i - 24, i).reduce((sum, { rainIn }) => sum + rainIn, 0) } : {}),
    ...(drying === undefined ? {} : { rainWhileDryingIn: drying }),
    highF: Math.max(...today),
    lowestLowF: Math.min(...coming),
    leaf: wet ? (now.tempF <= FREEZING_F ? 'frosted' : 'wet') : 'dry',
  };
}

export interface HourVerdict {
  at: string;
  verdict: Verdict;
  /** Lines of the verdict, strongest first, where it is not go. */
  reasons: GoLineId[];
  night: boolean;
  windMph: number;
}

/**
 * The verdict of every hour from one on.
 *
 * @param factsOn what is known of a day without its weather: law, records, ground
 * @param factsAt what hangs on the hour besides, by its place among the hours
 * @param from the first hour that is judged: '2027-09-06T05'
 */
export function goByHour(
  hours: readonly WeatherHour[],
  from: string,
  latitudeDeg: number,
  factsOn: (day: IsoDay) => GoFacts,
  factsAt: (place: number) => Partial<GoFacts> = () => ({}),
  dryingHours?: number,
): HourVerdict[] {
  const ofDay = new Map<IsoDay, GoFacts>();
  return hours.flatMap((hour, i): HourVerdict[] => {
    if (hour.at < from) return [];
    const day = dayOf(hour.at);
    const facts = ofDay.get(day) ?? factsOn(day);
    ofDay.set(day, facts);
    const lines = goLines({ ...facts, ...weatherAt(hours, i, latitudeDeg, dryingHours), ...factsAt(i) });
    const verdict = verdictOf(lines);
    const { riseHour, setHour } = sunOf(latitudeDeg, day);
    const middle = hourOf(hour.at) + 0.5;
    return [
      {
        at: hour.at,
        verdict,
        reasons: verdict === 'go' ? [] : lines.filter(({ standing }) => standing === verdict).map(({ id }) => id),
        night: middle < riseHour || middle > setHour,
        windMph: hour.windMph,
      },
    ];
  });
}

/** Unbroken hours in which a job may be begun and ended. */
export interface GoWindow {
  from: string;
  /** The hour it ends with, that hour included. */
  to: string;
  hours: number;
  meanWindMph: number;
}

/** Hours a job takes of the day, a spray's drying with it: whole ones. 50 min of spraying takes 5. */
export const hoursNeeded = (workMinutes: number, isSpray: boolean, dryingHours: number = DRYING_HOURS): number =>
  Math.max(1, Math.ceil(workMinutes / 60)) + (isSpray ? Math.ceil(dryingHours) : 0);

/**
 * The windows of a forecast, best first: inside the planned week first, none after the last day; then the less windy, then the
 * earlier. A window lies within the daylight of one day and is as long as the job at least.
 *
 * @param needed whole hours the job takes (`hoursNeeded`)
 * @example go from 9 to 11 and a job of 2 h: one window, 9 to 11
 */
export function windowsOf(
  verdicts: readonly HourVerdict[],
  needed: number,
  { weekFrom, weekEnds, lastDay }: { weekFrom: IsoDay; weekEnds: IsoDay; lastDay: IsoDay },
): GoWindow[] {
  const isOutside = ({ from }: GoWindow) => dayOf(from) < weekFrom || dayOf(from) > weekEnds;
  const runs: HourVerdict[][] = [];
  verdicts.forEach((hour, i) => {
    if (hour.verdict !== 'go' || hour.night || dayOf(hour.at) > lastDay) return;
    const before = verdicts[i - 1];
    const run = runs.at(-1);
    if (run && before && run.at(-1) === before && dayOf(before.at) === dayOf(hour.at)) run.push(hour);
    else runs.push([hour]);
  });
  return runs
    .filter((run) => run.length >= needed)
    .map((run) => ({
      from: (run[0] as HourVerdict).at,
      to: (run.at(-1) as HourVerdict).at,
      hours: run.length,
      meanWindMph: run.reduce((sum, { windMph }) => sum + windMph, 0) / run.length,
    }))
    .sort(
      (a, b) =>
        Number(isOutside(a)) - Number(isOutside(b)) ||
        Math.round(a.meanWindMph) - Math.round(b.meanWindMph) ||
        a.from.localeCompare(b.from),
    );
}

/** The hour of the day at which it is no longer go: the first later hour that is not, or sunset; undefined where it is not go now. */
export function goUntil(verdicts: readonly HourVerdict[]): number | undefined {
  const [now] = verdicts;
  if (!now || now.verdict !== 'go' || now.night) return undefined;
  const end = verdicts.find(({ at, verdict, night }) => dayOf(at) !== dayOf(now.at) || verdict !== 'go' || night);
  return end && dayOf(end.at) === dayOf(now.at) ? hourOf(end.at) : 24;
}
