import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';
import { trimmed } from '../words/numbers';

/** A need held to a yearly cap, lb/1000 ft2. 5.2 lb K2O under a cap of 4 is 4, and the working says so. */
export const capped = defineReckoning({
  id: 'nutrient.capped',
  title: 'Need held to a yearly cap',
  about: 'No silent ceiling: where a need passes what a year may bring, the working says so.',
  inputs: {
    needLb: quantity('lb nutrient')('need', { min: 0 }),
    capLb: quantity('lb nutrient')('yearly cap', { min: 0 }),
    nutrient: choice('nutrient', ['P2O5', 'K2O', 'Mg', 'S'] as const, { optional: true }),
  },
  unit: 'lb nutrient / 1000 ft2',
  formula: ['year = the smaller of need and cap'],
  sources: [
    {
      cite: 'Yearly caps: P2O5 2, K2O 4 and not above the year’s N, Mg 1 lb per 1000 ft2',
      standing: 'common practice',
    },
  ],
  limits: [],
  example: { inputs: { needLb: 5.2, capLb: 4 }, value: 4 },
  reckon({ needLb, capLb, nutrient = 'nutrient' as const }, work) {
    if (needLb > capLb)
      work.caution(
        `Held to ${trimmed(capLb, 3)} lb ${nutrient} per 1000 ft2 this year; the soil would take more. Retest before the next.`,
      );
    return work.step('this year', 'min(needLb, capLb)', { needLb, capLb }, Math.min(needLb, capLb), 'lb nutrient');
  },
});
