import type { Product } from '../records/case';
import { foliarPurposeOf } from '../foliar/foliar-feeds';

/** Largest size guide number of granules that fall through close-cut turf and are not picked up by the mower (C10). Common practice. */
export const MOST_CLOSE_CUT_SGN = 125;

/** Whether what is asked for feeds: lime, gypsum and sulfur do not (C10). */
export const isFeed = (purpose: string): boolean => purpose === 'N' || purpose === 'P2O5' || purpose === 'K2O';

/**
 * Why a feed has no place on close-cut turf, or undefined where it has: greens are spoon-fed with fine granules and sprays (C10).
 * Coated urea of size guide number 230: refused, 125 at most.
 */
export function unfitForCloseCut(product: Product): string | undefined {
  if (product.form === 'liquid') {
    if (product.lbPerGal === undefined) return 'its weight a gallon is not on the label, so it cannot be measured out';
    return foliarPurposeOf(product) ? 'a spray for color: it greens, it does not feed' : undefined;
  }
  const size = product.sizeGuideNumber;
  if (size === undefined)
    return `no size guide number on its label: close-cut turf takes ${MOST_CLOSE_CUT_SGN} at most`;
  return size > MOST_CLOSE_CUT_SGN
    ? `size guide number ${size}: close-cut turf takes ${MOST_CLOSE_CUT_SGN} at most`
    : undefined;
}
