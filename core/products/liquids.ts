import { defineReckoning } from '../reckoning/define';
import { percent, quantity } from '../reckoning/inputs';
import { FL_OZ_PER_GAL } from '../units/conversions';

const density = () =>
  quantity('lb/gal')('density', { min: 6, max: 16, hint: 'Water is 8.34; fertiliser solutions are 9 to 12.' });
/** Soluble nitrogen in a foliar spray above which leaves may burn unless the carrier is generous, lb N/1000 ft2. Common practice. */
const FOLIAR_N_LB = 0.25;
const source = {
  cite: 'Percent by weight and the label’s density; 128 fl oz to the gallon (NIST Handbook 44)',
  standing: 'published' as const,
};

/** Liquid that carries a target, fl oz/1000 ft2. 0.1 lb N from 10 % at 10 lb/gal: 12.8. */
export const liquidRate = defineReckoning({
  id: 'product.liquid-rate',
  title: 'Liquid for a nutrient target',
  about: 'Fluid ounces of a liquid per 1000 ft2 that bring the pounds of nutrient asked for.',
  inputs: {
    targetLb: quantity('lb nutrient')('nutrient wanted', { min: 0, max: 20 }),
    percent: percent('percent on the label', { min: undefined, above: 0 }),
    lbPerGal: density(),
  },
  unit: 'fl oz product / 1000 ft2',
  formula: ['oz = target ÷ (percent ÷ 100 × lb/gal) × 128'],
  sources: [source],
  limits: ['A liquid is a supplement: it cannot carry enough to be the main food.'],
  example: { inputs: { targetLb: 0.1, percent: 10, lbPerGal: 10 }, value: 12.8 },
  reckon({ targetLb, percent, lbPerGal }, work) {
    if (targetLb > FOLIAR_N_LB)
      work.caution(
        `More than ${FOLIAR_N_LB} lb soluble N per 1000 ft2 in under 3 gal of water per 1000 ft2 can burn leaves: use more water, or water it in.`,
      );
    return work.step(
      'product',
      'targetLb ÷ (percent ÷ 100 × lbPerGal) × 128',
      { targetLb, percent, lbPerGal },
      (targetLb / ((percent / 100) * lbPerGal)) * FL_OZ_PER_GAL,
      'fl oz product',
    );
  },
});

/** Nutrient in a rate of liquid, lb/1000 ft2. 12.8 fl oz of 10 % at 10 lb/gal: 0.1. */
export const liquidDelivers = defineReckoning({
  id: 'product.liquid-delivers',
  title: 'What a rate of liquid brings',
  about: 'Pounds of nutrient per 1000 ft2 in so many fluid ounces.',
  inputs: {
    ozPer1000: quantity('fl oz product')('rate', { min: 0, max: 10_000 }),
    percent: percent('percent on the label'),
    lbPerGal: density(),
  },
  unit: 'lb nutrient / 1000 ft2',
  formula: ['nutrient = oz ÷ 128 × lb/gal × percent ÷ 100'],
  sources: [source],
  limits: [],
  example: { inputs: { ozPer1000: 12.8, percent: 10, lbPerGal: 10 }, value: 0.1 },
  reckon: ({ ozPer1000, percent, lbPerGal }, work) =>
    work.step(
      'nutrient',
      'ozPer1000 ÷ 128 × lbPerGal × percent ÷ 100',
      { ozPer1000, lbPerGal, percent },
      ((ozPer1000 / FL_OZ_PER_GAL) * lbPerGal * percent) / 100,
      'lb nutrient',
    ),
});
