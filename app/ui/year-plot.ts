import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';

/** One way to draw a year: days to the right on one scale, curves as lines over it or filled down to a foot. */

export const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

export type YearScale = ScaleLinear<number, number>;

/** Px of the place of a day in a year of so many days, from `left` on; `invert` gives the day back. */
export const yearScale = (days: number, width: number, left = 0): YearScale =>
  scaleLinear([0, days], [left, left + width]);

/** A scale of values from `base` up to `top`, px, ending at whole steps. */
export const valueScale = (values: readonly number[], base: number, top: number): YearScale =>
  scaleLinear([Math.min(...values), Math.max(...values)], [base, top]).nice(3);

/** A curve of one value a day. */
export const dayLine = (values: readonly number[], x: YearScale, y: (value: number) => number): string =>
  line<number>()
    .x((_, day) => x(day))
    .y(y)
    .digits(1)(values as number[]) ?? '';

/** A sum that grows in steps over the year, from its first day to `until`. */
export function stepLine(
  points: readonly { day: number; value: number }[],
  x: YearScale,
  y: (value: number) => number,
  until: number,
): string {
  let sum = 0;
  const grown = [...points]
    .sort((a, b) => a.day - b.day)
    .map(({ day, value }): [number, number] => [day, (sum += value)]);
  return (
    line<[number, number]>()
      .x(([day]) => x(day))
      .y(([, value]) => y(value))
      .curve(curveStepAfter)
      .digits(1)([[0, 0], ...grown, [until, sum]]) ?? ''
  );
}

/** A curve of one value a day, filled down to the foot. */
export const dayArea = (values: readonly number[], x: YearScale, y: (value: number) => number, foot: number): string =>
  area<number>()
    .x((_, day) => x(day))
    .y0(foot)
    .y1(y)
    .digits(1)(values as number[]) ?? '';

/** Height of growth, 0..1, above the soil line. */
export const growthHeight =
  (soilLine: number, tall: number) =>
  (share: number): number =>
    soilLine - share * tall;
