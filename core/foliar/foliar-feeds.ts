import { defineReckoning } from '../reckoning/define';
import { percent, quantity, squareFeet } from '../reckoning/inputs';
import type { Product } from '../records/case';
import { FL_OZ_PER_GAL, OZ_PER_LB } from '../units/conversions';

/** Micronutrients sprayed on the leaf for color: what each is, how much of it, in how much water, how often (D5). */

export const FOLIAR = ['iron', 'manganese'] as const;
export type FoliarPurpose = (typeof FOLIAR)[number];
export const isFoliarPurpose = (purpose: string): purpose is FoliarPurpose =>
  (FOLIAR as readonly string[]).includes(purpose);

/**
 * What a label guarantees, what one spray brings and the most it may, oz of the element/1000 ft2. Iron: common practice of the extension
 * services. Manganese: a pound an acre, value from memory.
 */
export const FOLIAR_FEEDS: Readonly<
  Record<FoliarPurpose, { element: 'Fe' | 'Mn'; name: string; usualOz: number; mostOz: number }>
> = {
  iron: { element: 'Fe', name: 'iron', usualOz: 0.4, mostOz: 0.75 },
  manganese: { element: 'Mn', name: 'manganese', usualOz: 0.35, mostOz: 0.5 },
};
/** Finished spray, gal/1000 ft2, at the least: less burns and streaks. Common practice. */
export const FOLIAR_WATER_GAL = 3;
/** Not sprayed where the high of the day is above this, deg F. Common practice. */
export const FOLIAR_NOT_ABOVE_F = 85;
/** From one spray to the next, days: mowing takes the green leaf away. Common practice says three to four weeks. */
export const FOLIAR_EVERY_DAYS = 28;

/** A spray holds so much of the element at the least, percent: a feed with a little iron is no iron spray. */
const LEAST_PERCENT = 4;

/** Which spray a product is, or undefined: its iron or manganese outweighs its nitrogen, and it brings nothing that soil would notice. */
export function foliarPurposeOf({ guaranteed }: Pick<Product, 'guaranteed'>): FoliarPurpose | undefined {
  const { N = 0, P2O5 = 0, K2O = 0, 'S-free': freeSulfur = 0 } = guaranteed;
  if (P2O5 > 0 || K2O > 0 || freeSulfur > 0) return undefined;
  const strongest = [...FOLIAR].sort((a, b) => percentOf(guaranteed, b) - percentOf(guaranteed, a))[0] as FoliarPurpose;
  const held = percentOf(guaranteed, strongest);
  return held >= LEAST_PERCENT && held > N ? strongest : undefined;
}
const percentOf = (guaranteed: Product['guaranteed'], purpose: FoliarPurpose): number =>
  guaranteed[FOLIAR_FEEDS[purpose].element] ?? 0;

/** Rate of a usual spray, lb product/1000 ft2; undefined where the product is none. Iron chelate of 10 % Fe: 0.25. */
export function usualSprayLb(product: Pick<Product, 'guaranteed'>): number | undefined {
  const purpose = foliarPurposeOf(product);
  return purpose && FOLIAR_FEEDS[purpose].usualOz / OZ_PER_LB / (percentOf(product.guaranteed, purpose) / 100);
}

/** Product and water of one spray. 0.4 oz Fe from 10 %, 5000 ft2: 4 oz product/1000 ft2, 20 oz in 15 gal. */
export const foliarSpray = defineReckoning({
  id: 'product.foliar-spray',
  title: 'A foliar spray',
  about: 'Product and finished spray for so many ounces of iron or manganese on the leaf.',
  inputs: {
    elementOz: quantity('oz of the element')('element wanted', { min: 0, max: 2 }),
    percent: percent('percent on the label', { min: undefined, above: 0 }),
    areaSqFt: squareFeet('area', { above: 0, max: 50_000_000 }),
    lbPerGal: quantity('lb/gal')('density of a liquid', { optional: true, min: 6, max: 16 }),
  },
  unit: 'ozPer1000 and oz: oz product by weight, fl oz where it is a liquid; waterGal: gal of finished spray',
  formula: [
    'oz by weight = element ÷ (percent ÷ 100)',
    'of a liquid: fl oz = oz ÷ 16 ÷ lb/gal × 128',
    `finished spray = area ÷ 1000 × ${FOLIAR_WATER_GAL} gal or more`,
  ],
  sources: [
    {
      cite: 'Percent by weight; 16 oz to the pound, 128 fl oz to the gallon (NIST Handbook 44)',
      standing: 'published',
    },
    { cite: 'Volume, heat and interval of foliar iron', standing: 'common practice' },
  ],
  limits: ['Only what its label says is made for spraying; stains paving; not mown the day before and after.'],
  example: { inputs: { elementOz: 0.4, percent: 10, areaSqFt: 5000 }, value: { ozPer1000: 4, oz: 20, waterGal: 15 } },
  reckon({ elementOz, percent, areaSqFt, lbPerGal }, work) {
    const byWeight = work.step(
      'product by weight',
      'elementOz ÷ (percent ÷ 100)',
      { elementOz, percent },
      elementOz / (percent / 100),
      'oz product',
    );
    const ozPer1000 =
      lbPerGal === undefined
        ? byWeight
        : work.step(
            'product by volume',
            'byWeight ÷ 16 ÷ lbPerGal × 128',
            { byWeight, lbPerGal },
            (byWeight / OZ_PER_LB / lbPerGal) * FL_OZ_PER_GAL,
            'fl oz product',
          );
    const oz = work.step(
      'product for the area',
      'areaSqFt ÷ 1000 × ozPer1000',
      { areaSqFt, ozPer1000 },
      (areaSqFt / 1000) * ozPer1000,
      lbPerGal === undefined ? 'oz product' : 'fl oz product',
    );
    const waterGal = work.step(
      'finished spray',
      `areaSqFt ÷ 1000 × ${FOLIAR_WATER_GAL}`,
      { areaSqFt },
      (areaSqFt / 1000) * FOLIAR_WATER_GAL,
      'gal',
    );
    return { ozPer1000, oz, waterGal };
  },
});
