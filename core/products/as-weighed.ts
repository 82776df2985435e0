import type { Product } from '../records/case';
import { FL_OZ_PER_GAL } from '../units/conversions';

/**
 * A weigh-out as the scale shows it, to a tenth of a pound: what is taken from a bag, so what is left of it and what it
 * costs follow from this figure and not from the unrounded one. 25.12 lb product is 25.1. Decision, docs/decisions.md.
 */
export const asWeighed = (lb: number): number => Math.round(lb * 10 + 1e-9) / 10;

/** Density by which a product is measured out by the jug, lb/gal; undefined where it is weighed. */
export const densityOf = ({ form, lbPerGal }: Pick<Product, 'form' | 'lbPerGal'>): number | undefined =>
  form === 'liquid' ? lbPerGal : undefined;

/** Pounds of a liquid as the jug shows them, fl oz. 2.5 lb at 10 lb/gal: 32. */
export const flOzOf = (lb: number, lbPerGal: number): number => (lb / lbPerGal) * FL_OZ_PER_GAL;

/** What is taken of a product, lb: as the scale shows it, or of a liquid whatever the jug shows, which is finer than a tenth of a pound. */
export const asTaken = (lb: number, product: Pick<Product, 'form' | 'lbPerGal'> | undefined): number =>
  product && densityOf(product) !== undefined ? lb : asWeighed(lb);
