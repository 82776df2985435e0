import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

/** Everything a rate of product brings, lb each/1000 ft2. 5 lb of 24-0-11 brings 1.2 lb N and 0.55 lb K2O. */
export const productDelivers = defineReckoning({
  id: 'product.delivers',
  title: 'What a rate of product brings',
  about: 'Every guaranteed nutrient at this rate, asked for or not.',
  inputs: {
    rateLb: quantity('lb product')('product rate', { min: 0 }),
    guaranteed: { kind: 'amounts', unit: '%', label: 'guaranteed analysis', min: 0, max: 100 },
  },
  unit: 'lb nutrient / 1000 ft2, each',
  formula: ['each = rate × percent ÷ 100'],
  sources: [{ cite: 'Guaranteed analysis is percent by weight (AAPFCO label rules)', standing: 'common practice' }],
  limits: ['N, P2O5 and K2O together cannot pass 100 %.'],
  example: { inputs: { rateLb: 5, guaranteed: { N: 24, K2O: 12 } }, value: { N: 1.2, K2O: 0.6 } },
  reckon({ rateLb, guaranteed }, work) {
    const grade = (guaranteed.N ?? 0) + (guaranteed.P2O5 ?? 0) + (guaranteed.K2O ?? 0);
    if (grade > 100)
      return refuse('guaranteed', `N, P2O5 and K2O add up to ${grade} %, which no bag can hold. Check the label.`);
    const delivered: Record<string, number> = {};
    for (const [nutrient, percent] of Object.entries(guaranteed)) {
      delivered[nutrient] = work.step(
        nutrient,
        'rateLb × percent ÷ 100',
        { rateLb, percent },
        (rateLb * percent) / 100,
        `lb ${nutrient}`,
      );
    }
    return delivered;
  },
});
