import { type ClimateYear, type GrowthSeason, growthSeason } from '../../climate/climate-year';
import {
  addDays,
  weekStart,
  dayAt,
  dayOfYear,
  daysBetween,
  type IsoDay,
  monthDayAt,
  inMonthDaySpan,
} from '../../days/day';
import type { Grass } from '../../packs/grasses';
import type { Climate, LocalCode, Zone } from '../../records/case';
import { closesDay } from './local-codes';

/**
 * Warm-season turf with a cool-season grass sown over it for the winter: one ground with two seasons (C9). From the day of overseeding
 * to spring transition the winter grass has a programme of its own, then the warm-season grass goes on with its; never both in one week.
 * Common practice throughout.
 */

/** The winter grass is fed first so many days after it is sown (C9). */
export const FIRST_WINTER_FEEDING_DAYS = { least: 21, usual: 28, most: 42 } as const;
/** Nothing is fed in the weeks before the sowing: the standing grass would crowd the seedlings, days. */
export const UNFED_BEFORE_SOWING_DAYS = 28;
/** Nor in the weeks before transition: a fed winter grass keeps the light from the grass that has to come back, days. */
export const UNFED_BEFORE_TRANSITION_DAYS = 28;
/** From one feeding of the winter grass to the next, days: lightly, by care. */
const WINTER_INTERVAL_DAYS = { low: 56, standard: 42, high: 28 } as const;
/** Close-cut turf is spoon-fed in winter as well, days (C10). */
const CLOSE_CUT_INTERVAL_DAYS = 21;
/** Nitrogen of one feeding of the winter grass, lb N/1000 ft2: light. */
export const WINTER_DOSE_LB = { usual: 0.5, 'close-cut': 0.25 } as const;

/** One feeding of the winter grass. */
export interface WinterFeeding {
  on: IsoDay;
  /** lb N/1000 ft2. */
  lb: number;
}

export interface Overseeding {
  grass: Grass;
  /** Day of overseeding and of spring transition, month-day. */
  from: string;
  to: string;
  feedings: WinterFeeding[];
  /** Nitrogen that went down on the winter grass in the year already, lb N/1000 ft2. */
  givenLb: number;
}

/** Most of one winter feeding, lb N/1000 ft2. */
export const winterDoseLb = ({ turf }: Pick<Zone, 'turf'>): number =>
  WINTER_DOSE_LB[turf === 'close-cut' ? 'close-cut' : 'usual'];

const intervalOf = ({ turf, care }: Pick<Zone, 'turf' | 'care'>): number =>
  turf === 'close-cut' ? CLOSE_CUT_INTERVAL_DAYS : WINTER_INTERVAL_DAYS[care ?? 'standard'];

/** The sowings whose winter touches a year, each with the day of transition after it. */
function wintersOf({ from, to }: { from: string; to: string }, year: number): { sown: IsoDay; transition: IsoDay }[] {
  const on = (y: number, monthDay: string): IsoDay => addDays(`${y}-${monthDay.replace('02-29', '02-28')}`, 0);
  const wraps = on(year, to) < on(year, from);
  return (wraps ? [year - 1, year] : [year]).map((y) => ({ sown: on(y, from), transition: on(wraps ? y + 1 : y, to) }));
}

/** Whether a zone is overseeded at all: warm-season turf under a cool-season grass. */
export const isOverseeded = (grass: Grass, winterGrass: Grass): boolean =>
  grass.season === 'warm' && winterGrass.season === 'cool';

/** A season with the winter grass in it: which days are its own, and on which of them it grows enough to be fed. */
export function withWinterGrass(
  season: GrowthSeason,
  winterGrass: Grass,
  { from, to }: { from: string; to: string },
  climate: Climate,
  weather: ClimateYear,
): GrowthSeason {
  const { year } = weather;
  const cool = growthSeason(climate, weather, winterGrass);
  const winters = wintersOf({ from, to }, year);
  const days = season.growth.map((_, day) => inMonthDaySpan(monthDayAt(year, day), from, to));
  const within = (day: number, least: IsoDay, most: IsoDay) => {
    const date = dayAt(year, day);
    return date >= least && date <= most;
  };
  const beforeSowing = (day: number) =>
    winters.some(({ sown }) => within(day, addDays(sown, -UNFED_BEFORE_SOWING_DAYS), addDays(sown, -1)));
  const fed = (day: number) =>
    winters.some(({ sown, transition }) =>
      within(day, addDays(sown, FIRST_WINTER_FEEDING_DAYS.least), addDays(transition, -UNFED_BEFORE_TRANSITION_DAYS)),
    );
  return {
    ...season,
    growth: season.growth.map((share, day) => (days[day] ? (cool.growth[day] as number) : share)),
    feeding: season.feeding.map((open, day) => open && !days[day] && !beforeSowing(day)),
    winter: { days, feeding: cool.feeding.map((open, day) => open && days[day] === true && fed(day)) },
  };
}

/**
 * The feedings of the winter grass in a year: the first four weeks after sowing, then one every few weeks by care while it grows, none
 * in the four weeks before transition. Days that a code closes to nitrogen are passed over; what the log shows takes the place of a feeding.
 *
 * @param from first day that may be planned
 * @param given days on which nitrogen went down already
 * @example winterFeedings(zone, { from: '10-05', to: '04-20' }, season, 2027, [], '2027-01-01', [])[0].on // '2027-01-25'
 */
export function winterFeedings(
  zone: Pick<Zone, 'turf' | 'care'>,
  span: { from: string; to: string },
  { winter }: Pick<GrowthSeason, 'winter'>,
  year: number,
  codes: readonly LocalCode[],
  from: IsoDay,
  given: readonly IsoDay[],
): WinterFeeding[] {
  if (!winter) return [];
  const interval = intervalOf(zone);
  const lb = winterDoseLb(zone);
  const days = winter.feeding.length;
  // normals are the same every year: the months before the new year are looked up in this one
  const open = (date: IsoDay) =>
    winter.feeding[(dayOfYear(date) + days) % days] === true && !codes.some((code) => closesDay(code, 'N', date));
  const feedings: WinterFeeding[] = [];
  for (const { sown, transition } of wintersOf(span, year)) {
    const last = addDays(transition, -UNFED_BEFORE_TRANSITION_DAYS);
    let day = addDays(sown, FIRST_WINTER_FEEDING_DAYS.usual);
    while (day <= last) {
      const near = given
        .filter((each) => each >= sown && Math.abs(daysBetween(each, day)) < interval)
        .sort()
        .at(-1);
      if (near !== undefined) day = addDays(near, interval);
      else if (!open(day)) day = addDays(day, 1);
      else {
        // a Monday, as everything else, where the week allows it
        const monday = weekStart(addDays(day, 6));
        if (monday <= last && open(monday)) day = monday;
        if (day.startsWith(`${year}-`) && day >= from) feedings.push({ on: day, lb });
        day = addDays(day, interval);
      }
    }
  }
  return feedings;
}

/** Nitrogen of the winter grass in a year, given and ahead, lb N/1000 ft2. */
export const winterAsked = ({ feedings, givenLb }: Pick<Overseeding, 'feedings' | 'givenLb'>): number =>
  givenLb + feedings.reduce((sum, { lb }) => sum + lb, 0);
