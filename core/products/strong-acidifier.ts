import { ACIDITY_PER_LB_N } from '../nitrogen/acidity';
import type { Product } from '../records/case';
import { acidifyingSources, type NitrogenSource } from './carriers';

/** From this on a source of nitrogen is a strong acidifier, lb CaCO3 per lb N (B5). Ammonium sulfate and MAP are, urea is not. */
const STRONG_FROM = 4;

/** Whether a product's nitrogen makes so much acid that it has no place on soil that is too acid (B5). */
export function isStrongAcidifier(product: Product): boolean {
  const total = product.guaranteed.N ?? 0;
  if (total === 0) return false;
  const acid = (Object.entries(acidifyingSources(product)) as [NitrogenSource, number][]).reduce(
    (sum, [source, percent]) => sum + percent * ACIDITY_PER_LB_N[source],
    0,
  );
  return acid / total >= STRONG_FROM;
}
