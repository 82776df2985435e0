import { asTaken, densityOf } from './as-weighed';
import type { Product } from '../records/case';
import { limeKindOf } from '../lime/lime-label';
import { LB_PER_TON } from '../units/conversions';
import { packageLb as weightOfPackage } from './package-lb';

/** What to buy of one product for the year. */
export interface Purchase {
  productId: string;
  name: string;
  /** lb product spread over all zones. */
  neededLb: number;
  onHandLb: number;
  packages: number;
  packageLb?: number;
  /** lb product bought. */
  lb: number;
  cost?: number;
  leftLb: number;
  /** Of a liquid, which is bought and measured by volume. */
  lbPerGal?: number;
  /** Over so many bags of a lime a truck is cheaper: what is to be bought, tons of 2000 lb (E2). */
  bulkTons?: number;
}

/** Bags of one lime above which it is offered in bulk. Common practice. */
const MOST_LIME_BAGS = 20;

/**
 * Whole packages for all zones together, stock on hand used first. What is needed is the sum of what the scale shows, so
 * that lists, labels and costs agree to the ounce. 118 lb needed, 10 on hand, 50 lb bags: 3 bags, 42 lb left.
 * 1,150 lb of a lime in 50 lb bags: 23 bags, or 0.575 tons in bulk.
 */
export function purchases(
  doses: readonly { productId: string; zoneLb: number }[],
  products: readonly Product[],
): Purchase[] {
  const needed = new Map<string, number>();
  const find = (id: string) => products.find((p) => p.id === id);
  for (const { productId, zoneLb } of doses)
    needed.set(productId, (needed.get(productId) ?? 0) + asTaken(zoneLb, find(productId)));
  return [...needed].map(([productId, neededLb]) => {
    const product = find(productId);
    const lbPerGal = product && densityOf(product);
    const onHandLb = product?.onHandLb ?? 0;
    const short = Math.max(0, neededLb - onHandLb);
    const packageLb = weightOfPackage(product);
    const packages = packageLb === undefined ? 0 : Math.max(0, Math.ceil(short / packageLb - 1e-9));
    const lb = packageLb === undefined ? short : packages * packageLb;
    const price = product?.package?.price;
    return {
      productId,
      name: product?.name ?? productId,
      neededLb,
      onHandLb,
      packages,
      packageLb,
      ...(lbPerGal === undefined ? {} : { lbPerGal }),
      lb,
      cost: price === undefined ? undefined : packages * price,
      leftLb: onHandLb + lb - neededLb,
      ...(packages > MOST_LIME_BAGS && product && limeKindOf(product) !== undefined
        ? { bulkTons: short / LB_PER_TON }
        : {}),
    };
  });
}
