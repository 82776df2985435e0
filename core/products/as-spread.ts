import { defineReckoning } from '../reckoning/define';
import { percent, quantity, squareFeet } from '../reckoning/inputs';

/** What was really spread, from the scale. 10 lb of 20 % over 4000 ft2: 2.5 lb product and 0.5 lb nutrient per 1000, 2 lb in all. */
export const productAsSpread = defineReckoning({
  id: 'product.as-spread',
  title: 'What was spread',
  about:
    'From the weight that left the bag: the rate, the nutrient per 1000, and the nutrient on the whole ground. The last two are often mixed up.',
  inputs: {
    weighedLb: quantity('lb product')('weight spread', { min: 0, max: 1_000_000 }),
    areaSqFt: squareFeet('area', { above: 0 }),
    percent: percent('percent on the label'),
  },
  unit: 'rateLb: lb product / 1000 ft2; nutrientLbPer1000: lb nutrient / 1000 ft2; nutrientLb: lb nutrient in all',
  formula: [
    'rate = weighed ÷ area × 1000',
    'nutrient per 1000 = rate × percent ÷ 100',
    'nutrient in all = weighed × percent ÷ 100',
  ],
  sources: [{ cite: 'Guaranteed analysis is percent by weight (AAPFCO label rules)', standing: 'common practice' }],
  limits: [],
  example: {
    inputs: { weighedLb: 10, areaSqFt: 4000, percent: 20 },
    value: { rateLb: 2.5, nutrientLbPer1000: 0.5, nutrientLb: 2 },
  },
  reckon({ weighedLb, areaSqFt, percent }, work) {
    const rateLb = work.step(
      'rate',
      'weighedLb ÷ areaSqFt × 1000',
      { weighedLb, areaSqFt },
      (weighedLb / areaSqFt) * 1000,
      'lb product',
    );
    const nutrientLbPer1000 = work.step(
      'nutrient per 1000 ft2',
      'rateLb × percent ÷ 100',
      { rateLb, percent },
      (rateLb * percent) / 100,
      'lb nutrient',
    );
    const nutrientLb = work.step(
      'nutrient in all',
      'weighedLb × percent ÷ 100',
      { weighedLb, percent },
      (weighedLb * percent) / 100,
      'lb nutrient',
    );
    return { rateLb, nutrientLbPer1000, nutrientLb };
  },
});
