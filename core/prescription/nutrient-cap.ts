import type { PrescribedNutrient } from '../nutrients/prescribed';
import type { Figure } from '../reckoning/figure';
import type { Interpretation } from '../soil/interpret';
import type { Level } from '../soil/levels';
import { isWeakSoil } from './cation-exchange';
import type { ZoneFacts } from './zone-facts';

/** Most a year, lb/1000 ft2, in the form bags state. Decision. */
const YEARLY_CAP_LB: Record<PrescribedNutrient, number> = { P: 2, K: 4, Mg: 1, S: 2 };
/** On sand K2O may go so far above the year's N, because it leaches with it (D1). Common practice. */
const SAND_POTASH_OVER_N = 1.5;
/** Most of a nutrient in the year, and whose rule it is: potash keeps to the year's N but where K is very low or on sand (D1). */
export function yearlyCap(
  nutrient: PrescribedNutrient,
  level: Level,
  { zone, codes }: ZoneFacts,
  read: Interpretation,
  yearN: Figure,
): { cap: number; words: string } {
  const most = YEARLY_CAP_LB[nutrient];
  if (nutrient === 'P') {
    const byCode = Math.min(...codes.map((c) => c.maxP2O5PerYear ?? Infinity));
    return byCode < most ? { cap: byCode, words: 'local code' } : { cap: most, words: 'yearly cap' };
  }
  if (nutrient !== 'K' || level === 'very-low') return { cap: most, words: 'yearly cap' };
  const sand = isWeakSoil(zone, read);
  const byN = yearN.value * (sand ? SAND_POTASH_OVER_N : 1);
  return byN < most
    ? {
        cap: byN,
        words: sand
          ? 'at most one and a half times the year’s N on sand'
          : 'not above the year’s N on established turf',
      }
    : { cap: most, words: 'yearly cap' };
}
