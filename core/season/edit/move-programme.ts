import type { Climate, PlannedDose } from '../../records/case';
import { climateYear } from '../../climate/climate-year';
import { addDays, dayOfYear, type IsoDay, weekStart } from '../../days/day';

/** A day carried from one climate to another. */
export interface MovedDay {
  date: IsoDay;
  /** Normal high of that day there and here, deg F. */
  thereF: number;
  hereF: number;
  /** False where this climate never gets that warm or that cold on that side of the year: then the day keeps its share of the way. */
  matched: boolean;
}

const cyclic = (days: number, length: number): number => ((days % length) + length) % length;

/** One side of a year's wave of highs: day 0 is the coldest (rising) or the warmest (falling); days may pass the new year. */
interface Limb {
  firstDay: number;
  highF: number[];
}

/** A climate's year as the two sides that matter: up from its coldest day and down from its warmest. */
function limbsOf(highF: readonly number[]): { rising: Limb; falling: Limb } {
  const coldest = highF.indexOf(Math.min(...highF));
  const warmest = highF.indexOf(Math.max(...highF));
  const length = highF.length;
  const up = cyclic(warmest - coldest, length);
  const limb = (firstDay: number, days: number): Limb => ({
    firstDay,
    highF: Array.from({ length: days + 1 }, (_, i) => highF[cyclic(firstDay + i, length)] as number),
  });
  return { rising: limb(coldest, up), falling: limb(coldest + up, length - up) };
}

/** Where on a limb the highs that both climates know begin and end, in days along it. */
function commonPart({ highF }: Limb, rising: boolean, least: number, most: number): { start: number; end: number } {
  return rising
    ? { start: highF.findLastIndex((high) => high <= least), end: highF.findIndex((high) => high >= most) }
    : { start: highF.findLastIndex((high) => high >= most), end: highF.findIndex((high) => high <= least) };
}

const inProportion = (at: number, [a0, a1]: readonly [number, number], [b0, b1]: readonly [number, number]): number =>
  a1 > a0 ? b0 + ((at - a0) / (a1 - a0)) * (b1 - b0) : b0;

/** Days along a limb at which a high comes; of several days alike the one nearest to `near`. */
function whenHigh({ highF }: Limb, rising: boolean, high: number, near: number): number {
  const first = highF.findIndex((each) => (rising ? each >= high : each <= high));
  const last = highF.findLastIndex((each) => (rising ? each <= high : each >= high));
  return Math.max(Math.min(first, last), Math.min(Math.max(first, last), near));
}

/**
 * Carries days of one climate to another by matching normal highs on the same side of the year: a spring day goes to the
 * spring day with the same high, a fall day to that of fall. A colder place gets both ends squeezed: later in spring, earlier
 * in fall. Highs that only one of the two knows (a hotter summer, a colder winter) keep their share of the way between the
 * days at which the common highs end. Common practice.
 *
 * @example climateShift(mild, cold, 2027)('2027-03-29').date // weeks later in spring
 */
export function climateShift(there: Climate, here: Climate, year: number): (date: IsoDay) => MovedDay {
  const [from, to] = [climateYear(there, year).highF, climateYear(here, year).highF];
  const [limbsThere, limbsHere] = [limbsOf(from), limbsOf(to)];
  const length = from.length;
  const least = Math.max(Math.min(...from), Math.min(...to));
  const most = Math.min(Math.max(...from), Math.max(...to));
  return (date) => {
    const day = Math.min(length - 1, dayOfYear(`${year}${date.slice(4) === '-02-29' ? '-02-28' : date.slice(4)}`));
    const sinceColdest = cyclic(day - limbsThere.rising.firstDay, length);
    const rising = sinceColdest < limbsThere.rising.highF.length;
    const [limbA, limbB] = rising ? [limbsThere.rising, limbsHere.rising] : [limbsThere.falling, limbsHere.falling];
    const along = rising ? sinceColdest : cyclic(day - limbA.firstDay, length);
    const [a, b] = [commonPart(limbA, rising, least, most), commonPart(limbB, rising, least, most)];
    const high = from[day] as number;
    const alongB =
      along <= a.start
        ? inProportion(along, [0, a.start], [0, b.start])
        : along >= a.end
          ? inProportion(along, [a.end, limbA.highF.length - 1], [b.end, limbB.highF.length - 1])
          : whenHigh(limbB, rising, high, along - a.start + b.start);
    const landed = limbB.firstDay + Math.round(alongB);
    // a limb crosses the new year; a dose does not
    const crossed = landed >= length ? (day < limbsThere.rising.firstDay ? landed - length : length - 1) : landed;
    const at = Math.max(0, crossed);
    return {
      date: addDays(`${year}-01-01`, at),
      thereF: high,
      hereF: to[at] as number,
      matched: high >= least && high <= most,
    };
  };
}

/** A dose of a programme, carried over. */
export interface MovedDose {
  was: PlannedDose;
  dose: PlannedDose;
  moved: MovedDay;
}

/** The free Monday nearest to a day, within its year; of two as near the later. */
function freeMonday(day: IsoDay, isFree: (monday: IsoDay) => boolean): IsoDay {
  const nearest = weekStart(addDays(day, 3));
  for (let weeks = 0; weeks < 53; weeks++)
    for (const monday of [addDays(nearest, 7 * weeks), addDays(nearest, -7 * weeks)])
      if (monday.startsWith(day.slice(0, 4)) && isFree(monday)) return monday;
  return nearest;
}

/**
 * Carries a programme's doses to a zone of another climate and year. Rates per 1000 ft2 stay; each dose goes to the nearest
 * Monday of its moved day on which the same product does not lie already, here or among `kept`. Locks are not carried.
 */
export function moveProgramme(
  doses: readonly PlannedDose[],
  there: Climate,
  here: Climate,
  to: { zoneId: string; year: number; kept?: readonly PlannedDose[] },
): MovedDose[] {
  const shift = climateShift(there, here, to.year);
  const taken = new Set((to.kept ?? []).map((d) => `${d.date}/${d.productId}`));
  return [...doses]
    .sort((x, y) => x.date.localeCompare(y.date))
    .map((was) => {
      const moved = shift(was.date);
      const date = freeMonday(moved.date, (monday) => !taken.has(`${monday}/${was.productId}`));
      taken.add(`${date}/${was.productId}`);
      const { locked: _locked, ...rest } = was;
      return { was, moved, dose: { ...rest, zoneId: to.zoneId, date } };
    });
}
