import type { IsoDay } from '../../days/day';

/** What a plan's first day is, for a day before it: an id to decide by, and the words to say it with. */
export interface FirstDayReason {
  id: 'year' | 'report' | 'today';
  says: string;
}

const YEAR: FirstDayReason = { id: 'year', says: 'before the year' };
const REPORT: FirstDayReason = { id: 'report', says: 'before the report was taken' };
const TODAY: FirstDayReason = { id: 'today', says: 'the day is past' };

/**
 * First day that may be planned: not before the year, the report it follows from, or today.
 *
 * @example firstDayOf(2027, '2027-03-02', undefined) // { from: '2027-03-02', fromIs: { id: 'report', ... } }
 */
export function firstDayOf(
  year: number,
  sampled: IsoDay,
  asOf: string | undefined,
): { from: IsoDay; fromIs: FirstDayReason } {
  const first = { from: `${year}-01-01`, fromIs: YEAR };
  return [
    { from: sampled, fromIs: REPORT },
    { from: asOf ?? '', fromIs: TODAY },
  ].reduce((latest, next) => (next.from > latest.from && next.from <= `${year}-12-31` ? next : latest), first);
}

/** Day against which the age of a report is judged (A7): the later of the day of planning and 1 January of the plan's year. */
export const ageDayOf = (year: number | undefined, planningOn: IsoDay | undefined): IsoDay | undefined =>
  planningOn === undefined || year === undefined || planningOn > `${year}-01-01` ? planningOn : `${year}-01-01`;
