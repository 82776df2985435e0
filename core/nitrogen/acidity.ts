import properties from '../packs/product-properties.json';
import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';

/** lb CaCO3 that offset the acid of 1 lb N, by source; negative is basic. Pierre 1933; from memory. */
export const ACIDITY_PER_LB_N = properties.acidity.values;
const SOURCES = [
  'ammonium-sulfate',
  'urea',
  'ammonium-nitrate',
  'map',
  'calcium-nitrate',
  'potassium-nitrate',
  'organic',
] as const;

/** Lime that offsets the acid of a nitrogen source, lb CaCO3/1000 ft2. 0.4 lb N from ammonium sulfate: 2.14. */
export const nitrogenAcidity = defineReckoning({
  id: 'nitrogen.acidity',
  title: 'Acidity of a nitrogen source',
  about: 'What the nitrogen does to pH, in the lime that would undo it. It holds a pH; it hardly moves one.',
  inputs: { nitrogenLb: quantity('lb N')('nitrogen', { min: 0, max: 50 }), source: choice('nitrogen source', SOURCES) },
  unit: 'lb CaCO3 / 1000 ft2',
  formula: ['lime = N × lb CaCO3 per lb N of the source'],
  sources: [{ cite: properties.acidity.source.cite, standing: 'from memory' }],
  limits: ['Negative: the source is basic.'],
  example: { inputs: { nitrogenLb: 2, source: 'ammonium-sulfate' }, value: 10.7 },
  reckon({ nitrogenLb, source }, work) {
    const perLbN = ACIDITY_PER_LB_N[source];
    return work.step('lime to offset', 'nitrogenLb × perLbN', { nitrogenLb, perLbN }, nitrogenLb * perLbN, 'lb CaCO3');
  },
});
