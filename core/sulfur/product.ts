import { defineReckoning } from '../reckoning/define';
import { percent, quantity } from '../reckoning/inputs';

/** Product that carries the elemental sulfur, lb product/1000 ft2. 1.3 lb S at 26 % free is 5 lb product. */
export const sulfurProduct = defineReckoning({
  id: 'sulfur.product',
  title: 'Product for elemental sulfur',
  about: 'Only free (elemental) sulfur acidifies. Sulfate sulfur on the same label feeds but leaves pH alone.',
  inputs: {
    elementalLb: quantity('lb S')('elemental sulfur', { min: 0 }),
    freeSulfurPercent: percent('free sulfur on the label', {
      min: undefined,
      above: 0,
      hint: 'Combined sulfur does not count.',
    }),
  },
  unit: 'lb product / 1000 ft2',
  formula: ['product = elemental S ÷ (free S percent ÷ 100)'],
  sources: [{ cite: 'Definition of percent by weight; sulfate sulfur is already oxidised', standing: 'published' }],
  limits: ['Total sulfur on a label is not free sulfur.'],
  example: { inputs: { elementalLb: 4.5, freeSulfurPercent: 90 }, value: 5 },
  reckon: ({ elementalLb, freeSulfurPercent }, work) =>
    work.step(
      'product',
      'elementalLb ÷ (freeSulfurPercent ÷ 100)',
      { elementalLb, freeSulfurPercent },
      elementalLb / (freeSulfurPercent / 100),
      'lb product',
    ),
});
