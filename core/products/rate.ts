import { defineReckoning } from '../reckoning/define';
import { percent, quantity } from '../reckoning/inputs';

/** Product that carries a nutrient target, lb product/1000 ft2. 1 lb N from 32 % is 3.125. */
export const productRate = defineReckoning({
  id: 'product.rate',
  title: 'Product for a nutrient target',
  about: 'Pounds of bag per 1000 ft2 that bring the pounds of nutrient asked for.',
  inputs: {
    targetLb: quantity('lb nutrient')('nutrient wanted', { min: 0 }),
    percent: percent('percent on the label', {
      min: undefined,
      above: 0,
      hint: 'A product without the nutrient cannot bring it.',
    }),
  },
  unit: 'lb product / 1000 ft2',
  formula: ['product = nutrient ÷ (percent ÷ 100)'],
  sources: [{ cite: 'Guaranteed analysis is percent by weight (AAPFCO label rules)', standing: 'common practice' }],
  limits: [],
  example: { inputs: { targetLb: 1, percent: 32 }, value: 3.125 },
  reckon: ({ targetLb, percent }, work) =>
    work.step('product', 'targetLb ÷ (percent ÷ 100)', { targetLb, percent }, targetLb / (percent / 100), 'lb product'),
});
