/**
 * Mixed-integer rounding, by which a relaxation is told what whole numbers mean (Nemhauser & Wolsey 1988, Integer and Combinatorial
 * Optimization; from memory): of whole n >= 0 and s >= 0 with sum a_j n_j + s >= b, also
 * sum (floor a_j + min(1, frac a_j / f)) n_j + s / f >= ceil b, where f = frac b.
 */

/** Fractions under this make a row of huge factors and say little. */
const SMALL = 0.05;
const EPS = 1e-9;

/** The rounded right side and what a pound of the continuous short counts against it. 2.5 asked: 3, each short twice. */
export function atLeastWhole(asked: number): { lower: number; shortFactor: number; fraction: number } {
  const floor = Math.floor(asked + EPS);
  const fraction = asked - floor;
  return fraction < SMALL
    ? { lower: asked, shortFactor: 1, fraction: 1 }
    : { lower: floor + 1, shortFactor: 1 / fraction, fraction };
}

/** The rounded factor of a whole number in such a row; `fraction` is the right side's. */
export function roundedFactor(factor: number, fraction: number): number {
  if (fraction === 1) return factor;
  const floor = Math.floor(factor + EPS);
  return floor + Math.min(1, Math.max(0, factor - floor) / fraction);
}
