import type { Product } from '../records/case';
import { defineReckoning, evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { quantity } from '../reckoning/inputs';
import { G_PER_LB } from '../units/conversions';

/** Fewer nutrient granules than this in a square inch speckle the lawn, and below the second look thin. Common practice. */
export const SPECKLES_BELOW = 1;
export const THIN_BELOW = 2;
const SQ_IN_PER_1000_SQ_FT = 144_000;

/** Granules per square inch. 2 lb/1000 ft2 of SGN 200 at 1.4 g/cm3: about 1.07. */
export const granuleSpacing = defineReckoning({
  id: 'product.granules',
  title: 'Granules per square inch',
  about:
    'Rich, coarse granules land far apart and the lawn greens in dots. The size guide number is the median diameter in millimetres times 100.',
  inputs: {
    rateLb: quantity('lb product')('product rate', { min: 0, max: 1000 }),
    sizeGuideNumber: quantity('SGN')('size guide number', { min: 30, max: 500 }),
    granuleDensity: quantity('g/cm3')('density of a granule', { min: 0.5, max: 3 }),
  },
  unit: 'granules / in2',
  formula: [
    'granule mass = π ÷ 6 × (SGN ÷ 1000)³ cm³ × density',
    'granules = rate in grams ÷ granule mass ÷ 144,000 in²',
  ],
  sources: [
    {
      cite: 'Size guide number, Canadian Fertilizer Institute; sphere of the median diameter',
      standing: 'from memory',
    },
    { cite: 'Fewer than 1-2 granules per square inch speckle', standing: 'common practice' },
  ],
  limits: ['Spheres of one size: a real bag has dust and coarse grains.'],
  example: { inputs: { rateLb: 0, sizeGuideNumber: 200, granuleDensity: 1.4 }, value: 0 },
  reckon({ rateLb, sizeGuideNumber, granuleDensity }, work) {
    const granuleG = work.step(
      'mass of a granule',
      'pi ÷ 6 × (sizeGuideNumber ÷ 1000)^3 × granuleDensity',
      { pi: Math.PI, sizeGuideNumber, granuleDensity },
      (Math.PI / 6) * (sizeGuideNumber / 1000) ** 3 * granuleDensity,
      'g',
    );
    const count = work.step(
      'granules',
      'rateLb × gPerLb ÷ granuleG ÷ 144000',
      { rateLb, gPerLb: G_PER_LB, granuleG },
      (rateLb * G_PER_LB) / granuleG / SQ_IN_PER_1000_SQ_FT,
      'granules/in2',
    );
    if (rateLb > 0 && count < SPECKLES_BELOW)
      work.caution('Fewer than 1 granule per square inch: it will speckle. Choose a finer grade or a leaner bag.');
    else if (rateLb > 0 && count < THIN_BELOW)
      work.caution('Fewer than 2 granules per square inch: thin; cross two passes at half rate.');
    return count;
  },
});

/** Density of a granule where the label says none, g/cm3. Common practice: 1.35 to 1.5. */
export const USUAL_GRANULE_DENSITY = 1.4;

/** Granules per square inch of a bag at a rate, lb product/1000 ft2; undefined for sprays and where no size is known. */
export function granulesAt({ form, sizeGuideNumber, granuleDensity }: Product, rateLb: number): number | undefined {
  if (form === 'liquid' || sizeGuideNumber === undefined) return undefined;
  const found = evaluate(granuleSpacing, {
    rateLb,
    sizeGuideNumber,
    granuleDensity: granuleDensity ?? USUAL_GRANULE_DENSITY,
  });
  return isRefusal(found) ? undefined : found;
}
