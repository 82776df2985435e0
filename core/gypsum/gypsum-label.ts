import type { Product } from '../records/case';
import { ATOMIC_MASS } from '../units/atomic-masses';

const { Ca, S, O, H } = ATOMIC_MASS;
/** Sulfur of pure gypsum, CaSO4·2H2O, percent: 18.62. Stoichiometry. */
const PURE_S_PERCENT = (100 * S) / (Ca + S + 4 * O + 2 * (2 * H + O));
/** Calcium and sulfate from which a label without N, P2O5 and K2O is a gypsum, percent. Common practice: 70 % pure. */
const LEAST = { Ca: 15, S: 12 } as const;

/** Gypsum in a product, percent; 0 where it is none. Ca 21 with 17 % combined S: 91.3. */
export function gypsumPercent({ guaranteed, ccePercent, limeKind }: Product): number {
  const { N = 0, P2O5 = 0, K2O = 0, Ca: calcium = 0, 'S-combined': sulfate = 0, 'S-free': free = 0 } = guaranteed;
  const carries = N + P2O5 + K2O + free > 0 || ccePercent !== undefined || limeKind !== undefined;
  return carries || calcium < LEAST.Ca || sulfate < LEAST.S ? 0 : Math.min(100, (100 * sulfate) / PURE_S_PERCENT);
}
