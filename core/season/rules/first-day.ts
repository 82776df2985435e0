import type { IsoDay } from '../../days/day';

/** First day that may be planned: not before the year, the report it follows from, or today. */
export function firstDayOf(year: number, sampled: IsoDay, asOf: string | undefined): { from: IsoDay; fromIs: string } {
  const first = { from: `${year}-01-01`, fromIs: 'before the year' };
  return [
    { from: sampled, fromIs: 'before the report was taken' },
    { from: asOf ?? '', fromIs: 'the day is past' },
  ].reduce((latest, next) => (next.from > latest.from && next.from <= `${year}-12-31` ? next : latest), first);
}
