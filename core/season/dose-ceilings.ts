import type { LocalCode, Product, Zone } from '../formats/case';
import { groupOfTexture } from '../ground/texture-groups';
import { slowShare } from '../products/nitrogen-release';

/** Most in one dose, lb nutrient/1000 ft2. Common practice, unless a local code is stricter. */
const SOLUBLE_N = { usual: 1, sand: 0.5, 'close-cut': 0.25 } as const;
const TOTAL_N = { mostlySlow: 1.5, usual: 1 } as const;
const SLOW_ENOUGH = 0.5;
const K2O = { usual: 1, sand: 0.5, 'close-cut': 0.5 } as const;
const P2O5 = 1;

const situation = (zone: Zone): 'usual' | 'sand' | 'close-cut' =>
  zone.turf === 'close-cut' ? 'close-cut' : groupOfTexture(zone.texture) === 'sand' ? 'sand' : 'usual';

const leastOf = (codes: readonly LocalCode[], key: 'maxTotalNPerDose' | 'maxSolubleNPerDose'): number =>
  Math.min(Infinity, ...codes.map((c) => c[key] ?? Infinity));

/** Most soluble and total nitrogen in one dose here, lb N/1000 ft2, and what sets them. */
export function nitrogenCeilings(
  zone: Zone,
  codes: readonly LocalCode[],
): { soluble: number; total: (slow: number) => number; says: string } {
  const here = situation(zone);
  const soluble = Math.min(SOLUBLE_N[here], leastOf(codes, 'maxSolubleNPerDose'));
  const says =
    soluble < SOLUBLE_N[here]
      ? 'local code'
      : here === 'usual'
        ? 'common practice'
        : `${here.replace('-', ' ')} turf, common practice`;
  return {
    soluble,
    total: (slow) =>
      Math.min(slow >= SLOW_ENOUGH ? TOTAL_N.mostlySlow : TOTAL_N.usual, leastOf(codes, 'maxTotalNPerDose')),
    says,
  };
}

/** Most N of this product in one dose, lb N/1000 ft2: soluble and total ceilings both hold. */
export function nitrogenDoseCeiling(zone: Zone, product: Product, codes: readonly LocalCode[]): number {
  const slow = slowShare(product);
  const ceilings = nitrogenCeilings(zone, codes);
  return Math.min(ceilings.total(slow), slow >= 1 ? Infinity : ceilings.soluble / (1 - slow));
}

export const potashDoseCeiling = (zone: Zone): number => K2O[situation(zone)];
export const phosphateDoseCeiling = (): number => P2O5;

/** Least days between two nitrogen doses: sand is fed little and often. Common practice. */
export const leastDaysBetweenN = (zone: Zone): number => ({ usual: 28, sand: 14, 'close-cut': 10 })[situation(zone)];
