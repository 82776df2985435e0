import { codeDoseCap } from './local-codes';
import type { LocalCode, Product, Zone } from '../../records/case';
import { groupOfTexture } from '../../ground/texture-groups';
import { slowShare } from '../../nitrogen/forms';

/** Most in one dose, lb nutrient/1000 ft2. Common practice, unless a local code is stricter. */
export const SOLUBLE_N = { usual: 1, sand: 0.5, 'close-cut': 0.25 } as const;
export const TOTAL_N = { mostlySlow: 1.5, usual: 1, 'close-cut': 0.5 } as const;
/** Share of slow nitrogen from which more may go in one dose. Common practice. */
export const SLOW_ENOUGH = 0.5;
export const K2O = { usual: 1, sand: 0.5, 'close-cut': 0.5 } as const;
const P2O5 = 1;

const situation = (zone: Zone): 'usual' | 'sand' | 'close-cut' =>
  zone.turf === 'close-cut' ? 'close-cut' : groupOfTexture(zone.texture) === 'sand' ? 'sand' : 'usual';

/** Most soluble and total nitrogen in one dose here, lb N/1000 ft2, and what sets them. */
export function nitrogenCeilings(
  zone: Zone,
  codes: readonly LocalCode[],
): { soluble: number; total: (slow: number) => number; says: string } {
  const here = situation(zone);
  const soluble = Math.min(SOLUBLE_N[here], codeDoseCap(codes, 'maxSolubleNPerDose'));
  const says =
    soluble < SOLUBLE_N[here]
      ? 'local code'
      : here === 'usual'
        ? 'common practice'
        : `${here.replace('-', ' ')} turf, common practice`;
  return {
    soluble,
    total: (slow) =>
      Math.min(
        here === 'close-cut' ? TOTAL_N['close-cut'] : slow >= SLOW_ENOUGH ? TOTAL_N.mostlySlow : TOTAL_N.usual,
        codeDoseCap(codes, 'maxTotalNPerDose'),
      ),
    says,
  };
}

export const potashDoseCeiling = (zone: Zone): number => K2O[situation(zone)];
export const phosphateDoseCeiling = (): number => P2O5;

/**
 * Most of `purpose` that one dose of a product may bring, lb nutrient/1000 ft2: whatever else the product carries must
 * stay under its own ceiling too. A 16-0-14 on sand is held by its K2O to 0.57 lb N.
 */
export function doseCeiling(
  zone: Zone,
  product: Product,
  purpose: 'N' | 'P2O5' | 'K2O',
  codes: readonly LocalCode[],
): number {
  const { N = 0, P2O5: phosphate = 0, K2O: potash = 0 } = product.guaranteed;
  const slow = slowShare(product);
  const nitrogen = nitrogenCeilings(zone, codes);
  const mostProduct = Math.min(
    N > 0 ? nitrogen.total(slow) / N : Infinity,
    N > 0 && slow < 1 ? nitrogen.soluble / (N * (1 - slow)) : Infinity,
    phosphate > 0 ? phosphateDoseCeiling() / phosphate : Infinity,
    potash > 0 ? potashDoseCeiling(zone) / potash : Infinity,
  );
  return mostProduct * (product.guaranteed[purpose] ?? 0);
}

/** Least days between two nitrogen doses: sand is fed little and often. Common practice. */
export const leastDaysBetweenN = (zone: Zone): number => ({ usual: 28, sand: 14, 'close-cut': 10 })[situation(zone)];
