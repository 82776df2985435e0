import type { Product } from '@core/records/case';
import { packageLb } from '@core/products/package-lb';
import type { Units } from '../ui/format';

/** What a package holds, as it is printed on it: '50 lb product', 'jug of 2.5 gal'. */
export function packageWords(product: Product, units: Units): string {
  const of = product.limeKind ? 'lime' : 'product';
  const { gal, lb } = product.package ?? {};
  if (gal !== undefined) return units.printed('volume', gal, product.typed?.['package.gal']);
  if (lb !== undefined) return `${units.printed('weight', lb, product.typed?.['package.lb'])} ${of}`;
  const held = packageLb(product);
  return held === undefined ? 'no package size' : units.say('weight', held, of);
}
