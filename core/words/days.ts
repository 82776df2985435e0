import dayjs from 'dayjs';
import utc from 'dayjs/plugin/utc.js';
import type { IsoDay } from '../days/day';

dayjs.extend(utc);

/** Days to text, once: the day before the month, the month in letters, so that nobody takes 9/8 for August. */

/** A day without its year. sayDay('2027-09-08') is '8 Sep'. */
export const sayDay = (day: IsoDay): string => dayjs.utc(day).format('D MMM');
/** A day of any year: sayMonthDay('10-05') is '5 Oct'. */
export const sayMonthDay = (monthDay: string): string => sayDay(`2024-${monthDay}`);
/** A day with its weekday. sayWeekday('2027-09-08') is 'Wed 8 Sep'. */
/** An hour of the day: 0 is 'midnight', 12 'noon', 15 '3 pm'. */
export const sayHour = (hour: number): string => {
  const h = ((hour % 24) + 24) % 24;
  return h === 0 ? 'midnight' : h === 12 ? 'noon' : h < 12 ? `${h} am` : `${h - 12} pm`;
};

/** A wall clock with its weekday. sayClock('2027-09-07T10:52') is 'Tue 7 Sep, 10:52 am'. */
export const sayClock = (clock: string): string => dayjs.utc(clock).format('ddd D MMM, h:mm a');

export const sayWeekday = (day: IsoDay): string => dayjs.utc(day).format('ddd D MMM');
/** A day with its year. sayDate('2027-09-08') is '8 Sep 2027'. */
export const sayDate = (day: IsoDay): string => dayjs.utc(day).format('D MMM YYYY');
