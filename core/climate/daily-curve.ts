import { daysInYear, monthStarts } from '../days/day';

/** Passes after which the boundaries move no more: each halves what is left, and 2^-60 of a degree is none. */
const PASSES = 60;

/**
 * A year's daily course of twelve monthly means: one parabola a month, the value and the slope going on from month to month round the
 * year, and the mean of a month's days is the month's to the last digit. No corner stands in it where a window would open by chance.
 * The boundaries solve 2 b0/h0 + 4 b1 (1/h0 + 1/h1) + 2 b2/h1 = 6 (m0/h0 + m1/h1), b the value between two months, h their days, m their means.
 * Source: mean-preserving quadratic splines, as Delhez, Applied Mathematics Letters 16 (2003) 17-26. From memory.
 *
 * @param means twelve means, any unit
 * @returns a value for each day of the year, index 0 is 1 January
 * @example dailyCurve([30, 34, 44, 55, 65, 74, 78, 76, 69, 57, 46, 35], 2027)[196] // the middle of July, about 78.6
 */
export function dailyCurve(means: readonly number[], year: number): number[] {
  // drawn as what differs from January: a year of one temperature has not a digit of another
  const base = means[0] as number;
  const monthly = means.map((mean) => mean - base);
  const days = daysInYear(year);
  const starts = monthStarts(year);
  const lengths = starts.map((start, month) => (starts[month + 1] ?? days) - start);
  const at = <T>(list: readonly T[], month: number): T => list[(month + 12) % 12] as T;
  // value at the start of each month; the mean of its neighbors is near
  const edge = monthly.map((mean, month) => (mean + at(monthly, month - 1)) / 2);
  for (let pass = 0; pass < PASSES; pass++)
    for (let month = 0; month < 12; month++) {
      const [before, after] = [at(lengths, month - 1), at(lengths, month)];
      edge[month] =
        (6 * (at(monthly, month - 1) / before + at(monthly, month) / after) -
          2 * (at(edge, month - 1) / before + at(edge, month + 1) / after)) /
        (4 * (1 / before + 1 / after));
    }
  return lengths.flatMap((length, month) => {
    const [from, to, mean] = [at(edge, month), at(edge, month + 1), at(monthly, month)];
    // from + slope u + bend u2 over the month, u 0..1; a day is the mean of its stretch of it
    const slope = 6 * mean - 4 * from - 2 * to;
    const bend = 3 * (from + to) - 6 * mean;
    return Array.from({ length }, (_, day) => {
      const [u, v] = [day / length, (day + 1) / length];
      return base + (from + (slope * (u + v)) / 2 + (bend * (u * u + u * v + v * v)) / 3);
    });
  });
}
