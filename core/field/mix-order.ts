import { slowShare } from '../nitrogen/forms';
import type { Product } from '../records/case';
import { SPRAY_N } from '../season/rules/dose-ceilings';
import { two } from '../words/numbers';

/** Several products in one tank: in which order they go in, and what should not meet there. Common practice; labels come first. */

/** Dry ones dissolve first, liquids after them. */
const ORDER = { dry: 0, liquid: 1 } as const;
const kindOf = ({ form }: Pick<Product, 'form'>): keyof typeof ORDER => (form === 'liquid' ? 'liquid' : 'dry');

/** The products of a tank in the order in which they go in. */
export const mixOrder = <P extends Pick<Product, 'form'>>(products: readonly P[]): P[] =>
  [...products].sort((a, b) => ORDER[kindOf(a)] - ORDER[kindOf(b)]);

/** What should not meet in one tank, a sentence each; a jar test says more. */
export function mixCautions(products: readonly Pick<Product, 'name' | 'guaranteed' | 'pesticide'>[]): string[] {
  const has = (nutrient: string) => products.filter(({ guaranteed }) => (guaranteed[nutrient as 'Fe'] ?? 0) > 0);
  const [iron, phosphate, lime] = [has('Fe'), has('P2O5'), has('Ca')];
  const says: string[] = [];
  const meet = (a: typeof iron, b: typeof iron, why: string) => {
    const pair = a.flatMap((one) =>
      b.filter((other) => other !== one).map((other) => [one.name, other.name] as const),
    )[0];
    if (pair) says.push(`${pair[0]} and ${pair[1]}: ${why}`);
  };
  meet(iron, phosphate, 'iron and phosphate fall out together as rust-colored grit.');
  meet(lime, phosphate, 'calcium and phosphate set like plaster.');
  if (products.some(({ pesticide }) => pesticide))
    says.push('One of them is a pesticide: its label and license decide what it may be mixed with.');
  return says;
}

/**
 * That a tank brings more nitrogen than a spray may, all its products together; undefined where it does not. Ceilings: common practice.
 *
 * @param parts each product with its rate, lb product/1000 ft2
 */
export function mixNitrogenSays(parts: readonly { product: Product; rateLb: number }[]): string | undefined {
  const each = parts.map(({ product, rateLb }) => {
    const lb = (rateLb * (product.guaranteed.N ?? 0)) / 100;
    return { lb, soluble: lb * (1 - slowShare(product)) };
  });
  const [lb, soluble] = [each.reduce((sum, n) => sum + n.lb, 0), each.reduce((sum, n) => sum + n.soluble, 0)];
  if (lb <= SPRAY_N.total + 1e-9 && soluble <= SPRAY_N.soluble + 1e-9) return undefined;
  return `${two(lb)} lb N per 1000, ${two(soluble)} lb N of it soluble: a spray brings at most ${two(SPRAY_N.soluble)} lb soluble N, ${two(SPRAY_N.total)} lb N in all. Less of it, or granules.`;
}
