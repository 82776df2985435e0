import { isFoliarPurpose } from '../foliar/foliar-feeds';
import { limeKindOf } from '../lime/lime-label';
import { microbeDriven, slowShare } from '../nitrogen/forms';
import type { Product } from '../records/case';
import type { Dose } from '../season/plan/dose';
import type { Carried, Material } from './go';

/** What a product is on the day: how it flies, what it carries, how it is watered in and what one wears. Common practice; labels come first. */

/** Granules finer than this drift like dust, size guide number. */
const FINE_SIZE_GUIDE = 100;

/** How it goes out. Liquids, and what feeds the leaf, are sprayed; hydrated lime and fine grades drift. */
export function materialOf(product: Product, purpose?: Dose['for']): Material {
  if (product.form === 'liquid' || (purpose !== undefined && isFoliarPurpose(purpose))) return 'spray';
  const fine = product.sizeGuideNumber !== undefined && product.sizeGuideNumber < FINE_SIZE_GUIDE;
  return fine || limeKindOf(product) === 'hydrated' ? 'fine-granular' : 'granular';
}

/** What it carries, the strictest first: what burns most decides. */
export function carriedBy(product: Product): Carried {
  const { guaranteed } = product;
  const lime = limeKindOf(product);
  if (lime === 'hydrated' || lime === 'burnt') return 'hydrated-lime';
  if ((guaranteed.N ?? 0) > 0) return 'nitrogen';
  if ((guaranteed['S-free'] ?? 0) > 0) return 'sulfur';
  if ((guaranteed.Fe ?? 0) > 0 && !lime) return 'iron';
  if ((guaranteed.K2O ?? 0) > 0) return 'potash';
  if ((guaranteed.P2O5 ?? 0) > 0) return 'phosphate';
  return lime !== undefined ? 'lime' : 'other';
}

/** Urea or ammonium, which lime keeps two weeks from. */
export const isUreaOrAmmonium = ({ nitrogen = {} }: Product): boolean =>
  ((nitrogen as Record<string, number | undefined>).urea ?? 0) +
    ((nitrogen as Record<string, number | undefined>).ammoniacal ?? 0) >
  0;

/** Water that takes it off the leaf and into the soil, and within how long. */
export interface WateringIn {
  depthIn: number;
  withinHours: number;
}
/** Undefined where it stays on the leaf, or where only the label says. */
export function wateringIn(product: Product): WateringIn | undefined {
  if (product.pesticide) return undefined;
  switch (carriedBy(product)) {
    case 'hydrated-lime':
      return { depthIn: 0.5, withinHours: 1 };
    case 'lime':
      return { depthIn: 0.25, withinHours: 72 };
    case 'nitrogen':
      if (product.form === 'liquid') return undefined;
      return slowShare(product) >= 0.5 || microbeDriven(product)
        ? { depthIn: 0.15, withinHours: 72 }
        : { depthIn: 0.25, withinHours: 24 };
    case 'sulfur':
    case 'potash':
    case 'phosphate':
      return product.form === 'liquid' ? undefined : { depthIn: 0.25, withinHours: 24 };
    case 'iron':
      return undefined;
    case 'other':
      return (product.guaranteed.Ca ?? 0) > 0 ? { depthIn: 0.5, withinHours: 72 } : undefined;
  }
}

/** What one wears and minds with it, a sentence each; the box of each is ticked before the start. */
export function protectionFor(product: Product): string[] {
  const liquid = product.form === 'liquid';
  const carried = carriedBy(product);
  const says = [
    liquid
      ? 'Gloves, eye protection, long sleeves; mix on hard ground away from drain and well, water beside you.'
      : 'Gloves, closed shoes, eye protection.',
  ];
  if (carried === 'hydrated-lime')
    says.push('Caustic: goggles, long sleeves, dust mask. In the eyes: rinse 15 minutes and see a doctor.');
  if (carried === 'lime' || carried === 'other') says.push('Dust mask where it is not pelleted.');
  if (carried === 'sulfur') says.push('Goggles, dust mask, no sparks: sulfur dust burns.');
  if (carried === 'iron') says.push('Iron stains paving: sweep or rinse at once.');
  if (isUreaOrAmmonium(product)) says.push('Salts burn wet skin and leaves; keep them from flame and fuel.');
  if (product.pesticide) says.push('It holds a pesticide: its label with you, its license, its re-entry time.');
  if (!liquid) says.push('Sweep hard surfaces back onto the grass before watering.');
  return says;
}
