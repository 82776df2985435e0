import type { Range } from '../packs/rule-packs';

export type Level = 'very-low' | 'low' | 'enough' | 'high' | 'unreadable';

/** The level of a value: half-open, `starts <= x < next start`. 51 ppm K by Mehlich-3 is enough, 50.9 is low. */
export function levelOf(ppm: number, range: Range): Exclude<Level, 'unreadable'> {
  if (ppm >= range.high) return 'high';
  if (ppm >= range.enough) return 'enough';
  return range.low !== undefined && ppm < range.low ? 'very-low' : 'low';
}
