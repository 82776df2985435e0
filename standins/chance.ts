import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Seeded chance: the same seed gives the same numbers on every machine. */
export interface Chance {
  /** Between `low` and `high`, all alike. */
  between(low: number, high: number): number;
  /** Normally scattered about 0 with a standard deviation of 1 (Box and Muller 1958). */
  scatter(): number;
}

export function chanceOf(seed: number): Chance {
  // neighbouring seeds must not give neighbouring numbers: the finishing steps of MurmurHash3
  let mixed = seed | 0;
  mixed = Math.imul(mixed ^ (mixed >>> 16), 0x85ebca6b);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35);
  const generator = xoroshiro128plus(mixed ^ (mixed >>> 16));
  for (let i = 0; i < 16; i++) uniformFloat64(generator);
  const uniform = () => uniformFloat64(generator);
  return {
    between: (low, high) => low + (high - low) * uniform(),
    scatter: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
  };
}
