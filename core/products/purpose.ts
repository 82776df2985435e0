import { gypsumPercent } from '../gypsum/gypsum-label';
import { foliarPurposeOf } from '../foliar/foliar-feeds';
import { limeKindOf } from '../lime/lime-label';
import type { PlannedFor, Product } from '../records/case';

/** Which purpose a dose of a product serves, for its mark and its figures. */
export function purposeOf(product: Product, phosphateWanted: boolean): PlannedFor {
  const { N = 0, P2O5 = 0, K2O = 0 } = product.guaranteed;
  const spray = foliarPurposeOf(product);
  if (spray) return spray;
  if (phosphateWanted && P2O5 > N) return 'P2O5';
  if (N > 0) return 'N';
  if (limeKindOf(product) !== undefined) return 'lime';
  if (K2O > 0) return 'K2O';
  return gypsumPercent(product) > 0 ? 'gypsum' : 'sulfur';
}
