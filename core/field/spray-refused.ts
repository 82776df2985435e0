import { FOLIAR_FEEDS, FOLIAR_WATER_GAL, foliarPurposeOf } from '../foliar/foliar-feeds';
import { densityOf, flOzOf } from '../products/as-weighed';
import type { Product } from '../records/case';
import { OZ_PER_LB } from '../units/conversions';
import { trimmed } from '../words/numbers';

/** A ceiling is never rounded up: 9.09 in tenths is 9. */
const downTo = (value: number, parts: number): number => Math.floor(value * parts + 1e-9) / parts;

/**
 * Why a spray does not start: what is poured cannot be measured, or iron or manganese would burn the leaf. The sentence says what would
 * pass. Ceilings are those of `foliar-feeds.ts`: common practice; a label comes first where it is stricter.
 *
 * @param rateLb lb product/1000 ft2
 * @param carrierGal finished spray, gal/1000 ft2; undefined while none is typed
 * @example sprayRefused(iron6, 0.4, 2) // 'Iron in 2 gal of finished spray per 1000 burns the leaf: 3 gal or more.'
 */
export function sprayRefused(product: Product, rateLb: number, carrierGal: number | undefined): string | undefined {
  if (product.form === 'liquid' && product.lbPerGal === undefined)
    return `${product.name} has no density: type its lb per gallon on the label in Shelf, so that it can be measured out.`;
  const purpose = foliarPurposeOf(product);
  if (!purpose) return undefined;
  const { element, name, mostOz } = FOLIAR_FEEDS[purpose];
  const percent = product.guaranteed[element] ?? 0;
  const oz = ((rateLb * percent) / 100) * OZ_PER_LB;
  const called = `${name[0]?.toUpperCase()}${name.slice(1)}`;
  const mostLb = mostOz / OZ_PER_LB / (percent / 100);
  const density = densityOf(product);
  const most =
    density === undefined
      ? `${trimmed(downTo(mostLb, 100), 2)} lb product`
      : `${trimmed(downTo(flOzOf(mostLb, density), 10), 1)} fl oz product`;
  if (oz > mostOz + 1e-9)
    return `${trimmed(oz, 2)} oz ${element} per 1000 is over ${mostOz} oz ${element} per 1000 a spray: at most ${most} per 1000.`;
  if (carrierGal !== undefined && carrierGal < FOLIAR_WATER_GAL - 1e-9)
    return `${called} in ${trimmed(carrierGal, 2)} gal of finished spray per 1000 burns the leaf: ${FOLIAR_WATER_GAL} gal or more.`;
  return undefined;
}
