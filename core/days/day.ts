import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';
import utc from 'dayjs/plugin/utc.js';

dayjs.extend(utc);
dayjs.extend(customParseFormat);

/** The one place where the calendar is reckoned: every other part of Ubertas asks here. Days are ISO text in no time zone. */

/** A day as ISO text, 2027-03-02: sorts as text, means the same everywhere. */
export type IsoDay = string;

const at = (day: IsoDay) => dayjs.utc(day);

/**
 * Whether text is a day that exists, written 2027-03-02. Never throws: 2027-13-01 and 2027-02-29 are none, 2028-02-29 is one.
 */
export const isIsoDay = (text: string): boolean =>
  /^\d{4}-\d\d-\d\d$/.test(text) && dayjs.utc(text, 'YYYY-MM-DD', true).isValid();

/** Whether text is a month and day of some year, written 04-15. 02-29 is one, 02-30 none. */
export const isMonthDay = (text: string): boolean => isIsoDay(`2024-${text}`);

/** The day `count` days later. addDays('2027-12-31', 1) is '2028-01-01'. */
export const addDays = (day: IsoDay, count: number): IsoDay => at(day).add(count, 'day').format('YYYY-MM-DD');

/** The day so many months later, the month's last where it has no such day. addMonths('2027-01-31', 1) is '2027-02-28'. */
export const addMonths = (day: IsoDay, count: number): IsoDay => at(day).add(count, 'month').format('YYYY-MM-DD');

/** Full months from one day to another. fullMonthsBetween('2026-06-04', '2027-09-10') is 15. */
export const fullMonthsBetween = (from: IsoDay, to: IsoDay): number => at(to).diff(at(from), 'month');

/** Days from one day to another. daysBetween('2027-03-01', '2027-03-08') is 7. */
export const daysBetween = (from: IsoDay, to: IsoDay): number => at(to).diff(at(from), 'day');

/** Place in the year, 0 for 1 January. */
export const dayOfYear = (day: IsoDay): number => daysBetween(`${day.slice(0, 4)}-01-01`, day);

/** Number of days in a year, 365 or 366. */
export const daysInYear = (year: number): number => daysBetween(`${year}-01-01`, `${year + 1}-01-01`);

/** The day at a place in a year, 0 for 1 January. dayAt(2028, 59) is '2028-02-29'. */
export const dayAt = (year: number, place: number): IsoDay => addDays(`${year}-01-01`, place);

/** The month-day at a place in a year. monthDayAt(2028, 60) is '03-01', in 2027 it is '03-02'. */
export const monthDayAt = (year: number, place: number): string => dayAt(year, place).slice(5);

/** Place of a month-day in a year; 02-29 is 28 February where the year has none. placeOf(2027, '03-01') is 59. */
export const placeOf = (year: number, monthDay: string): number =>
  dayOfYear(`${year}-${monthDay === '02-29' && daysInYear(year) === 365 ? '02-28' : monthDay}`);

/** Places of the first days of the months. In 2027 March starts at 59, in 2028 at 60. */
export const monthStarts = (year: number): number[] =>
  Array.from({ length: 12 }, (_, month) => placeOf(year, `${String(month + 1).padStart(2, '0')}-01`));

/** Days in the month of a day. daysInMonth('2028-02-01') is 29. */
export const daysInMonth = (day: IsoDay): number => at(day).daysInMonth();

const DAYS_A_YEAR = 365.25;
/** Years from one day to another, in years of 365.25 days. */
export const yearsBetween = (from: IsoDay, to: IsoDay): number => daysBetween(from, to) / DAYS_A_YEAR;

/** Place of a day in its week, 0 for Monday. weekdayOf('2027-03-03') is 2. */
export const weekdayOf = (day: IsoDay): number => (at(day).day() + 6) % 7;

/** A wall clock so many hours later. addHours('2027-09-06T22:30', 3) is '2027-09-07T01:30'. */
export const addHours = (clock: string, hours: number): string =>
  dayjs.utc(clock).add(hours, 'hour').format('YYYY-MM-DDTHH:mm');

/** Hours from one wall clock to another. hoursBetween('2027-09-06T22:30', '2027-09-07T01:00') is 2.5. */
export const hoursBetween = (from: string, to: string): number => dayjs.utc(to).diff(dayjs.utc(from), 'hour', true);

/** The Monday of the week a day lies in. weekStart('2027-03-03') is '2027-03-01'. */
export const weekStart = (day: IsoDay): IsoDay => addDays(day, -weekdayOf(day));

/** Whether a month-day, 12-20, lies in a closed span that may wrap the new year; both ends are inside. Feb 29 counts as Feb 28. */
export function inMonthDaySpan(monthDay: string, from: string, to: string): boolean {
  const [d, a, b] = [monthDay, from, to].map((x) => (x === '02-29' ? '02-28' : x)) as [string, string, string];
  return a <= b ? d >= a && d <= b : d >= a || d <= b;
}
