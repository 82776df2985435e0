import { codeDoseCap } from './local-codes';
import type { LocalCode, Product, Zone } from '../../records/case';
import { groupOfTexture } from '../../ground/texture-groups';
import { slowShare } from '../../nitrogen/forms';

/** Most in one dose, lb nutrient/1000 ft2. Common practice, unless a local code is stricter. */
export const SOLUBLE_N = { usual: 1, sand: 0.5, 'close-cut': 0.25 } as const;
export const TOTAL_N = { mostlySlow: 1.5, usual: 1, 'close-cut': 0.5 } as const;
/**
 * Most nitrogen of one spray that is not washed in: soluble, and all of it where the rest is slow (methylene urea, triazones), lb N/1000 ft2.
 * Common practice; under 3 gal of water per 1000 ft2.
 */
export const SPRAY_N = { soluble: 0.25, total: 0.5 } as const;
/** On sand and weak soil one dose, and any 21 days together, bring so much; more where it is mostly slow (C4). Common practice. */
export const WEAK_TOTAL_N = { usual: 0.75, mostlySlow: 1, slowFrom: 0.7, overDays: 21 } as const;
/** Share of slow nitrogen from which more may go in one dose. Common practice. */
export const SLOW_ENOUGH = 0.5;
/** Most K2O in one dose; on sand 0.75, so that muriate at its least rate fits (D1). Common practice. */
export const K2O = { usual: 1, sand: 0.75, 'close-cut': 0.5 } as const;
const P2O5 = 1;

/** What doses go by: the turf, and whether the soil is weak: sand, or a CEC under 6 (C4). */
export type DoseGround = Pick<Zone, 'turf' | 'texture' | 'own'> & { weak?: boolean };

const situation = (zone: DoseGround): 'usual' | 'sand' | 'close-cut' =>
  zone.turf === 'close-cut' ? 'close-cut' : isWeakGround(zone) ? 'sand' : 'usual';

/** Whether doses go by weak soil: sand, or a report that shows a CEC under 6 (C4). */
export const isWeakGround = (zone: DoseGround): boolean => zone.weak ?? groupOfTexture(zone.texture) === 'sand';

/** Most nitrogen of a dose, and of 21 days, on weak soil by its slow share, lb N/1000 ft2 (C4). */
export const weakTotal = (slow: number): number =>
  slow >= WEAK_TOTAL_N.slowFrom - 1e-9 ? WEAK_TOTAL_N.mostlySlow : WEAK_TOTAL_N.usual;

const totalOf = (here: 'usual' | 'sand' | 'close-cut', slow: number): number => {
  if (here === 'close-cut') return TOTAL_N['close-cut'];
  if (here === 'sand') return weakTotal(slow);
  return slow >= SLOW_ENOUGH ? TOTAL_N.mostlySlow : TOTAL_N.usual;
};

/** Most soluble and total nitrogen in one dose here, lb N/1000 ft2, and what sets them. */
export function nitrogenCeilings(
  zone: DoseGround,
  codes: readonly LocalCode[],
): { soluble: number; total: (slow: number) => number; says: string } {
  const here = situation(zone);
  // an own ceiling of a dose, with its reason, and never against a code (C7)
  const own = zone.own?.find((each) => each.line === 'nitrogen-dose')?.value;
  const soluble = Math.min(SOLUBLE_N[here], codeDoseCap(codes, 'maxSolubleNPerDose'));
  const says =
    soluble < SOLUBLE_N[here]
      ? 'local code'
      : here === 'usual'
        ? 'common practice'
        : `${here.replace('-', ' ')} turf, common practice`;
  return {
    soluble,
    total: (slow) => Math.min(own ?? totalOf(here, slow), codeDoseCap(codes, 'maxTotalNPerDose')),
    says,
  };
}

export const potashDoseCeiling = (zone: DoseGround): number => K2O[situation(zone)];
/** Most P2O5 in one dose: common practice, or the local code where it is stricter (D4). */
export const phosphateDoseCeiling = (codes: readonly LocalCode[]): number =>
  Math.min(P2O5, ...codes.map((code) => code.maxP2O5PerDose ?? Infinity));

/**
 * Most of `purpose` that one dose of a product may bring, lb nutrient/1000 ft2: whatever else the product carries must
 * stay under its own ceiling too. A 16-0-14 on sand is held by its K2O to 0.57 lb N.
 */
export function doseCeiling(
  zone: DoseGround,
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
    phosphate > 0 ? phosphateDoseCeiling(codes) / phosphate : Infinity,
    potash > 0 ? potashDoseCeiling(zone) / potash : Infinity,
  );
  return mostProduct * (product.guaranteed[purpose] ?? 0);
}

/** Least days between two nitrogen doses: sand is fed little and often. Common practice. */
export const leastDaysBetweenN = (zone: DoseGround): number =>
  ({ usual: 28, sand: 14, 'close-cut': 10 })[situation(zone)];

/**
 * Days between two full doses of nitrogen: on weak soil those of any three weeks count together (C4), so that two of them stand that far apart,
 * whatever a third brings along.
 */
export const daysBetweenFullN = (zone: DoseGround): number =>
  isWeakGround(zone) && zone.turf !== 'close-cut'
    ? Math.max(leastDaysBetweenN(zone), WEAK_TOTAL_N.overDays)
    : leastDaysBetweenN(zone);
