import { addDays, inMonthDaySpan, weekdayOf } from '../days/day';
import { type LocalCode, WEEKDAYS } from '../records/code-schema';

/** When a place lets a lawn be watered. A wall clock is written 2027-09-06T05:30, local standard time. */

/** Days ahead that are looked at. */
const MOST_DAYS = 14;
const MINUTES = 24 * 60;
const minuteOf = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5));
const clockOf = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

/** Whether one of the codes keeps water off on a day: its weekdays, of either house number where the number is not known. */
const isDayClosed = ({ localWatering }: LocalCode, day: string): boolean => {
  if (!localWatering) return false;
  const { season, weekdays } = localWatering;
  if (season && !inMonthDaySpan(day.slice(5), season.from, season.to)) return false;
  const open = weekdays && [...(weekdays.all ?? []), ...(weekdays.odd ?? []), ...(weekdays.even ?? [])];
  // a code that names no days at all closes none
  if (!weekdays || !(weekdays.all ?? weekdays.odd ?? weekdays.even)) return false;
  return open !== undefined && !open.includes(WEEKDAYS[weekdayOf(day)] as (typeof WEEKDAYS)[number]);
};
const closedHoursOf = (codes: readonly LocalCode[], day: string) =>
  codes.flatMap(({ localWatering }) =>
    localWatering &&
    (!localWatering.season || inMonthDaySpan(day.slice(5), localWatering.season.from, localWatering.season.to))
      ? (localWatering.closedHours ?? [])
      : [],
  );
const holds = (minute: number, { from, to }: { from: string; to: string }): boolean => {
  const [start, end] = [minuteOf(from), minuteOf(to)];
  return start < end ? minute >= start && minute < end : minute >= start || minute < end;
};

/**
 * The first moment from one on at which all codes let a lawn be watered; undefined where none comes in two weeks. Codes that say
 * nothing of watering let it be at once.
 *
 * @param from wall clock, '2027-09-06T11:20'
 * @example nextWatering([{ id: 'a', localWatering: { closedHours: [{ from: '10:00', to: '18:00' }] } }], '2027-09-06T11:20') // '2027-09-06T18:00'
 */
export function nextWatering(codes: readonly LocalCode[], from: string): string | undefined {
  const first = from.slice(0, 10);
  for (let i = 0; i <= MOST_DAYS; i++) {
    const day = addDays(first, i);
    if (codes.some((code) => isDayClosed(code, day))) continue;
    const closed = closedHoursOf(codes, day);
    const start = i === 0 ? minuteOf(from.slice(11, 16)) : 0;
    // open again at the end of a closed span, or at once
    const candidates = [start, ...closed.map(({ to }) => minuteOf(to))]
      .filter((minute) => minute >= start && minute < MINUTES)
      .sort((a, b) => a - b);
    const open = candidates.find((minute) => !closed.some((span) => holds(minute, span)));
    if (open !== undefined) return `${day}T${clockOf(open)}`;
  }
  return undefined;
}
