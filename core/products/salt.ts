import properties from '../packs/product-properties.json';
import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

const CARRIERS = properties.carriers.values;
const isCarrier = (name: string): name is keyof typeof CARRIERS => Object.hasOwn(CARRIERS, name);

/** Salt of one day's doses that a saline or sodic soil still bears, lb sodium nitrate/1000 ft2. Common practice. */
export const MOST_SALT_ON_SALTY_LB = 1.5;

/** Salt of a rate of product, as lb sodium nitrate/1000 ft2. 2 lb of urea 46: 1.48. */
export const productSalt = defineReckoning({
  id: 'product.salt',
  title: 'Salt of a product',
  about:
    'Salt that burns leaves in heat or drought, counted as the sodium nitrate that would draw as much water. Nitrogen held by a coating or a long chain counts nothing while it is held.',
  inputs: {
    rateLb: quantity('lb product')('product rate', { min: 0 }),
    carrierPercents: { kind: 'amounts', unit: '%', label: 'nutrient by its salt', min: 0, max: 100 },
  },
  unit: 'index: sodium nitrate = 100; saltLb: lb sodium nitrate / 1000 ft2',
  formula: ['index = sum of percent × salt index of the carrier ÷ nutrient it holds', 'salt = rate × index ÷ 100'],
  sources: [
    { cite: properties.saltIndex.source.cite, standing: 'from memory' },
    { cite: properties.carriers.source.cite, standing: 'from memory' },
  ],
  limits: ['Of the fast part only; micronutrients and fillers are left out.'],
  example: { inputs: { rateLb: 2, carrierPercents: { 'urea N': 46.6 } }, value: { index: 75, saltLb: 1.5 } },
  reckon({ rateLb, carrierPercents }, work) {
    let index = 0;
    for (const [name, percent] of Object.entries(carrierPercents)) {
      if (!isCarrier(name))
        return refuse(
          'carrierPercents',
          `No salt index is known for "${name}". Known: ${Object.keys(CARRIERS).join(', ')}.`,
        );
      const { saltIndex, holdsPercent } = CARRIERS[name];
      const soFar = index;
      index = work.step(
        `with ${name}`,
        'soFar + percent × saltIndex ÷ holdsPercent',
        { soFar, percent, saltIndex, holdsPercent },
        soFar + (percent * saltIndex) / holdsPercent,
        'sodium nitrate = 100',
      );
    }
    const saltLb = work.step(
      'salt',
      'rateLb × index ÷ 100',
      { rateLb, index },
      (rateLb * index) / 100,
      'lb sodium nitrate',
    );
    return { index, saltLb };
  },
});
