import type { Product, Zone } from '../records/case';

/**
 * Below this a spreader's gate does not close evenly, lb product/1000 ft2, and a dose is not worth the walk, lb nutrient/1000 ft2.
 * Close-cut turf gets fine grades and sprays in small and many doses. Common practice: 0.5 lb N is the least useful on a lawn, half of it on sand.
 */
const LEAST = {
  usual: { productLb: 1, nutrientLb: 0.25 },
  'close-cut': { productLb: 0.5, nutrientLb: 0.1 },
} as const;
const leastOf = ({ turf }: Pick<Zone, 'turf'>) => LEAST[turf === 'close-cut' ? 'close-cut' : 'usual'];

/** Least product that is spread evenly on a zone, lb product/1000 ft2: 1 on a lawn, 0.5 on close-cut turf. */
export const leastProductLb = (zone: Pick<Zone, 'turf'>): number => leastOf(zone).productLb;

/**
 * Smallest practical rate of a product on a zone, lb product/1000 ft2. Coated urea 42-0-0 on a lawn: 1, which is 0.42 lb N; on
 * close-cut turf 0.5.
 */
export function leastRateLb({ guaranteed }: Product, zone: Pick<Zone, 'turf'>): number {
  const { productLb, nutrientLb } = leastOf(zone);
  const strongest = Math.max(guaranteed.N ?? 0, guaranteed.P2O5 ?? 0, guaranteed.K2O ?? 0);
  return strongest > 0 ? Math.max(productLb, nutrientLb / (strongest / 100)) : productLb;
}
