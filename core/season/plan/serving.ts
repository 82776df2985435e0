import { slowShare } from '../../nitrogen/forms';
import { leastRateLb } from '../../products/least-rate';
import { excluded, type ShelfContext } from '../../products/shelf';
import type { LocalCode, Product } from '../../records/case';
import { type DoseGround, doseCeiling } from '../rules/dose-ceilings';
import { RATE_STEP_LB } from '../rules/limits';
import { codeLeastSlowPercent } from '../rules/local-codes';

/** Which bags may feed a zone, and at what rates. */

/** Most of a product in one dose, lb product/1000 ft2, down to a whole step. Urea 46 on loam at 1 lb soluble N: 2.17. */
export function mostRateLb(zone: DoseGround, product: Product, codes: readonly LocalCode[]): number {
  const { N = 0, P2O5 = 0, K2O = 0 } = product.guaranteed;
  const [purpose, percent] =
    N > 0 ? (['N', N] as const) : K2O > 0 ? (['K2O', K2O] as const) : (['P2O5', P2O5] as const);
  return Math.floor(doseCeiling(zone, product, purpose, codes) / (percent / 100) / RATE_STEP_LB + 1e-6) * RATE_STEP_LB;
}

/** Why a nutrient product may not feed a zone at all; undefined where it may. */
export function unfitBecause(
  product: Product,
  zone: DoseGround,
  context: ShelfContext,
  codes: readonly LocalCode[],
): string | undefined {
  const reasons: string[] = [];
  const slowNeeded = codeLeastSlowPercent(codes);
  const { N = 0 } = product.guaranteed;
  const fits = (['N', 'P2O5', 'K2O'] as const).some((purpose) => {
    if ((product.guaranteed[purpose] ?? 0) === 0 || (purpose === 'P2O5' && !context.phosphorusWanted)) return false;
    const because = excluded(product, purpose, context);
    if (because) reasons.push(because);
    else if (N > 0 && slowShare(product) * 100 < slowNeeded - 1e-9)
      reasons.push(`holds ${Math.round(slowShare(product) * 100)} % slow N, the code asks for ${slowNeeded}`);
    else return true;
    return false;
  });
  if (!fits) return reasons[0] ?? excluded(product, 'N', context) ?? 'carries nothing that is wanted here';
  return mostRateLb(zone, product, codes) < leastRateLb(product, zone)
    ? 'its ceiling here is under the least rate a spreader holds'
    : undefined;
}
