import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';

/** Tissue content relative to nitrogen, lb element per lb N. Woods, Stowell & Gelernter 2016; from memory. */
export const TISSUE_RATIO_TO_N = { K: 0.5, P: 0.125, Ca: 0.125, Mg: 0.05, S: 0.075 } as const;

/** Share of the growth that leaves the lawn: all where clippings are bagged, a quarter where they stay. Decision. */
export const REMOVED_SHARE = { bagged: 1, returned: 0.25 } as const;

/** What a year's growth carries off the lawn, lb element/1000 ft2. 3 lb N, clippings returned: 0.375 lb K. */
export const growthRemoval = defineReckoning({
  id: 'nutrient.removal',
  title: 'Nutrient removed by growth',
  about: 'What a year’s clippings hold, and how much of it leaves the lawn.',
  inputs: {
    nutrient: choice('nutrient', ['K', 'P', 'Ca', 'Mg', 'S'] as const),
    yearNitrogenLb: quantity('lb N')('nitrogen for the year', { min: 0, max: 20 }),
    clippings: choice('clippings', ['bagged', 'returned'] as const),
  },
  unit: 'lb element / 1000 ft2',
  formula: ['removal = year’s N × tissue ratio × share that leaves'],
  sources: [
    {
      cite: 'Woods, Stowell & Gelernter 2016, PeerJ Preprints 2144, tissue ratios to nitrogen',
      standing: 'from memory',
    },
  ],
  limits: ['Returned clippings count a quarter: the rest feeds the same lawn again. Common practice.'],
  example: { inputs: { nutrient: 'K', yearNitrogenLb: 3, clippings: 'returned' }, value: 0.375 },
  reckon({ nutrient, yearNitrogenLb, clippings }, work) {
    const ratio = TISSUE_RATIO_TO_N[nutrient];
    const share = REMOVED_SHARE[clippings];
    return work.step(
      'removal',
      'yearNitrogenLb × ratio × share',
      { yearNitrogenLb, ratio, share },
      yearNitrogenLb * ratio * share,
      `lb ${nutrient}`,
    );
  },
});
