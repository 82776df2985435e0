import { ACIDITY_PER_LB_N } from '../nitrogen/acidity';
import properties from '../packs/product-properties.json';
import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

const isSource = (name: string): name is keyof typeof ACIDITY_PER_LB_N => Object.hasOwn(ACIDITY_PER_LB_N, name);

/** Lime that the nitrogen of a product undoes, lb CaCO3/1000 ft2. 4 lb of ammonium sulfate 21: 4.49. */
export const limeUndone = defineReckoning({
  id: 'product.lime-undone',
  title: 'Lime that a product undoes',
  about:
    'The acid its nitrogen makes, in the lime that would undo it. On acid soil it works against the lime; on alkaline soil it is the little that nitrogen can do.',
  inputs: {
    rateLb: quantity('lb product')('product rate', { min: 0 }),
    nitrogenPercents: { kind: 'amounts', unit: '%', label: 'nitrogen by source', min: 0, max: 100 },
  },
  unit: 'lb CaCO3 / 1000 ft2',
  formula: ['lime undone = sum of rate × percent ÷ 100 × lb CaCO3 per lb N of the source'],
  sources: [{ cite: properties.acidity.source.cite, standing: 'from memory' }],
  limits: ['Sources are guessed from the forms on the label. Negative: the source is basic.'],
  example: { inputs: { rateLb: 10, nitrogenPercents: { 'ammonium-sulfate': 20 } }, value: 10.7 },
  reckon({ rateLb, nitrogenPercents }, work) {
    let lime = 0;
    for (const [name, percent] of Object.entries(nitrogenPercents)) {
      if (!isSource(name))
        return refuse(
          'nitrogenPercents',
          `No acidity is known for "${name}". Known: ${Object.keys(ACIDITY_PER_LB_N).join(', ')}.`,
        );
      const perLbN = ACIDITY_PER_LB_N[name];
      const soFar = lime;
      lime = work.step(
        `with ${name.replaceAll('-', ' ')}`,
        'soFar + rateLb × percent ÷ 100 × perLbN',
        { soFar, rateLb, percent, perLbN },
        soFar + ((rateLb * percent) / 100) * perLbN,
        'lb CaCO3',
      );
    }
    if (lime === 0) work.note('no nitrogen that makes acid', 'nothing undone', 0, 'lb CaCO3');
    return lime;
  },
});
