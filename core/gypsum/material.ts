import { defineReckoning } from '../reckoning/define';
import { percent, quantity } from '../reckoning/inputs';

/** Exchange is never complete: more gypsum by this factor. Common practice. */
const INCOMPLETE_EXCHANGE = 1.25;

/** Gypsum of a product for a requirement, lb/1000 ft2. 40 lb with a gypsum 90 % pure: 55.6. */
export const gypsumMaterial = defineReckoning({
  id: 'gypsum.material',
  title: 'Gypsum material for a requirement',
  about: 'Sodium is never exchanged pound for pound, and no bag is all gypsum.',
  inputs: {
    requirementLb: quantity('lb gypsum')('gypsum requirement', { min: 0 }),
    gypsumPercent: percent('gypsum in the product', { min: undefined, above: 0 }),
  },
  unit: 'lb gypsum / 1000 ft2',
  formula: ['material = requirement × 1.25 × 100 ÷ percent gypsum'],
  sources: [{ cite: 'A quarter more for incomplete exchange', standing: 'common practice' }],
  limits: ['Purity by the combined sulfur of the label.'],
  example: { inputs: { requirementLb: 40, gypsumPercent: 80 }, value: 62.5 },
  reckon({ requirementLb, gypsumPercent }, work) {
    const factor = INCOMPLETE_EXCHANGE;
    return work.step(
      'material',
      'requirementLb × factor × 100 ÷ gypsumPercent',
      { requirementLb, factor, gypsumPercent },
      (requirementLb * factor * 100) / gypsumPercent,
      'lb gypsum',
    );
  },
});
