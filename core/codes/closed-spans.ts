import { daysInYear, inMonthDaySpan, monthDayAt, placeOf } from '../days/day';
import type { LocalCode } from '../records/case';

export type ClosedSpan = NonNullable<LocalCode['closed']>[number];

/** A part of a span within one year, days counted from 0 at 1 January, both ends closed. */
export interface SpanPart {
  from: number;
  to: number;
  /** 'part 1 of 2' where the span wraps the new year: part 1 is the one that begins. */
  part?: 1 | 2;
}

/** A plain year: codes name days, not years. */
const YEAR = 2027;
const DAYS = daysInYear(YEAR);

/**
 * A span of month-days as it lies in a year: one part, or two where it wraps the new year.
 *
 * @example partsOfSpan({ from: '11-15', to: '03-01' }) // [{ from: 0, to: 59, part: 2 }, { from: 318, to: 364, part: 1 }]
 */
export function partsOfSpan({ from, to }: Pick<ClosedSpan, 'from' | 'to'>): SpanPart[] {
  const [a, b] = [placeOf(YEAR, from), placeOf(YEAR, to)];
  return a <= b
    ? [{ from: a, to: b }]
    : [
        { from: 0, to: b, part: 2 },
        { from: a, to: DAYS - 1, part: 1 },
      ];
}

/** Days of a year that are closed to a nutrient by a list of spans; a day in two spans counts once. */
export function closedDays(spans: readonly ClosedSpan[], nutrient: ClosedSpan['nutrients'][number]): number {
  const mine = spans.filter((span) => span.nutrients.includes(nutrient));
  return Array.from({ length: DAYS }, (_, day) => monthDayAt(YEAR, day)).filter((day) =>
    mine.some((span) => inMonthDaySpan(day, span.from, span.to)),
  ).length;
}
