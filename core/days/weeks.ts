import { addDays, dayOfYear, daysInYear, type IsoDay, weekStart } from './day';

/** A week of the plan, named by its Monday: the day on which its doses are dated. */
export interface PlanWeek {
  /** The Monday. */
  date: IsoDay;
  /** Place of the Monday in the year, 0 for 1 January. */
  day: number;
}

/** Every Monday of a year. 2027 has 52, the first on 4 January. */
export function mondaysOf(year: number): PlanWeek[] {
  const weeks: PlanWeek[] = [];
  const first = weekStart(`${year}-01-07`);
  for (let day = dayOfYear(first); day < daysInYear(year); day += 7)
    weeks.push({ date: addDays(`${year}-01-01`, day), day });
  return weeks;
}

/** Whole weeks that hold at least so many days. 10 days are 2 weeks, 28 days 4. */
export const weeksIn = (days: number): number => Math.ceil(days / 7 - 1e-9);
