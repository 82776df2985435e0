import type { Product } from '../records/case';

export const SLOW_FORMS = [
  'polymer-coated-urea',
  'sulfur-coated-urea',
  'methylene-urea',
  'ibdu',
  'ureaform',
  'natural-organic',
] as const;
/** Forms that lose ammonia beside fresh lime. Common practice: keep two weeks between. */
const AMMONIA_FORMS = ['ammoniacal', 'urea'] as const;

const percentOf = (product: Product, forms: readonly (keyof NonNullable<Product['nitrogen']>)[]): number =>
  forms.reduce((sum, form) => sum + (product.nitrogen?.[form] ?? 0), 0);

/** Share of a product's nitrogen that is slow, 0..1. A label without forms counts as all soluble: the careful reading. */
export function slowShare(product: Product): number {
  const total = product.guaranteed.N ?? 0;
  return total === 0 || !product.nitrogen ? 0 : Math.min(1, percentOf(product, SLOW_FORMS) / total);
}

/** Whether a product brings urea or ammonium that fresh lime would turn into ammonia. Unknown forms count as yes. */
export const losesAmmonia = (product: Product): boolean =>
  (product.guaranteed.N ?? 0) > 0 && (!product.nitrogen || percentOf(product, AMMONIA_FORMS) > 0);
