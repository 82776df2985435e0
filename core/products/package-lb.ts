import type { Product } from '../records/case';

/** What one package weighs, lb product: its stated weight, or its volume times its density. 2.5 gal at 10.6 lb/gal: 26.5. */
export const packageLb = (product: Product | undefined): number | undefined =>
  product?.package?.lb ??
  (product?.package?.gal !== undefined && product.lbPerGal !== undefined
    ? product.package.gal * product.lbPerGal
    : undefined);
