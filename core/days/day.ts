import dayjs from 'dayjs';
import utc from 'dayjs/plugin/utc.js';

dayjs.extend(utc);

/** A day as ISO text, 2027-03-02: sorts as text, means the same everywhere. */
export type IsoDay = string;

const at = (day: IsoDay) => dayjs.utc(day);

/** The day `count` days later. addDays('2027-12-31', 1) is '2028-01-01'. */
export const addDays = (day: IsoDay, count: number): IsoDay => at(day).add(count, 'day').format('YYYY-MM-DD');

/** Days from one day to another. daysBetween('2027-03-01', '2027-03-08') is 7. */
export const daysBetween = (from: IsoDay, to: IsoDay): number => at(to).diff(at(from), 'day');

/** Place in the year, 0 for 1 January. */
export const dayOfYear = (day: IsoDay): number => daysBetween(`${day.slice(0, 4)}-01-01`, day);

/** Number of days in a year, 365 or 366. */
export const daysInYear = (year: number): number => daysBetween(`${year}-01-01`, `${year + 1}-01-01`);

/** A day as people say it, without the year. sayDay('2027-09-08') is '8 Sep'. */
export const sayDay = (day: IsoDay): string => at(day).format('D MMM');

/** The Monday of the week a day lies in. weekStart('2027-03-03') is '2027-03-01'. */
export const weekStart = (day: IsoDay): IsoDay => addDays(day, -((at(day).day() + 6) % 7));

/** Whether a month-day, 12-20, lies in a closed span that may wrap the new year; both ends are inside. Feb 29 counts as Feb 28. */
export function inMonthDaySpan(monthDay: string, from: string, to: string): boolean {
  const [d, a, b] = [monthDay, from, to].map((x) => (x === '02-29' ? '02-28' : x)) as [string, string, string];
  return a <= b ? d >= a && d <= b : d >= a || d <= b;
}
