import type { PlannedFor, Product } from '../records/case';

/** Which purpose a dose of a product serves, for its mark and its figures. */
export function purposeOf(product: Product, phosphateWanted: boolean): PlannedFor {
  const { N = 0, P2O5 = 0, K2O = 0 } = product.guaranteed;
  if (phosphateWanted && P2O5 > N) return 'P2O5';
  return N > 0 ? 'N' : K2O > 0 ? 'K2O' : product.limeKind ? 'lime' : 'sulfur';
}
