/** A point of a table: the abscissa and the value there. */
export type TablePoint = readonly [at: number, value: number];

/**
 * Straight-line interpolation in a table sorted by rising abscissa; flat outside it.
 * Example: interpolate([[6, 4], [7, 6]], 6.5) is 5.
 */
export function interpolate(table: readonly TablePoint[], at: number): number {
  const first = table[0] as TablePoint;
  const last = table.at(-1) as TablePoint;
  if (at <= first[0]) return first[1];
  if (at >= last[0]) return last[1];
  const upper = table.findIndex(([x]) => x > at);
  const [x0, y0] = table[upper - 1] as TablePoint;
  const [x1, y1] = table[upper] as TablePoint;
  return y0 + ((y1 - y0) * (at - x0)) / (x1 - x0);
}
