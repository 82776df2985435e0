import type { Range } from '../packs/rule-packs';

export type Level = 'very-low' | 'low' | 'enough' | 'high' | 'unreadable';

/** The level of a value: half-open, `starts <= x < next start`. 51 ppm K by Mehlich-3 is enough, 50.9 is low. */
export function levelOf(ppm: number, range: Range): Exclude<Level, 'unreadable'> {
  if (ppm >= range.high) return 'high';
  if (ppm >= range.enough) return 'enough';
  return range.low !== undefined && ppm < range.low ? 'very-low' : 'low';
}

/**
 * The level of a bound, where all that is left lies on one side (A5); undefined where the laboratory's limit is in the way. `<20`
 * ppm K by Mehlich-3 is very low, `<60` tells nothing, `>60` is enough.
 */
export function levelOfBound(
  qualifier: '<' | '>',
  ppm: number,
  range: Range,
): Exclude<Level, 'unreadable'> | undefined {
  if (qualifier === '>') return ppm >= range.high ? 'high' : ppm >= range.enough ? 'enough' : undefined;
  if (range.low !== undefined && ppm <= range.low) return 'very-low';
  return ppm <= range.enough ? 'low' : undefined;
}
