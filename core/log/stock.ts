import { defineReckoning } from '../reckoning/define';
import { plain, quantity } from '../reckoning/inputs';

const product = (label: string) => quantity('lb product')(label, { min: 0, max: 1e7 });

/** What is left on the shelf, and what went down cost. 40 and 50 lb, 30 lb spread, 50 lb for 40: 60 lb left, 24. */
export const logStock = defineReckoning({
  id: 'log.stock',
  title: 'Stock and cost',
  about: 'What the shelf should hold after what was bought and spread, and what the spread part cost.',
  inputs: {
    onHandLb: product('on hand at first'),
    boughtLb: product('bought since'),
    spreadLb: product('spread since'),
    packageLb: quantity('lb product')('package', { above: 0, max: 5000 }),
    packagePrice: plain('price of a package', { min: 0, max: 100_000 }),
  },
  unit: 'leftLb: lb product; cost: money',
  formula: ['left = on hand + bought − spread', 'cost = spread × price ÷ package'],
  sources: [{ cite: 'Derived', standing: 'published' }],
  limits: ['Under 0 a purchase is missing.'],
  example: {
    inputs: { onHandLb: 40, boughtLb: 50, spreadLb: 30, packageLb: 50, packagePrice: 40 },
    value: { leftLb: 60, cost: 24 },
  },
  reckon({ onHandLb, boughtLb, spreadLb, packageLb, packagePrice }, work) {
    const leftLb = work.step(
      'left',
      'onHandLb + boughtLb − spreadLb',
      { onHandLb, boughtLb, spreadLb },
      onHandLb + boughtLb - spreadLb,
      'lb product',
    );
    const cost = work.step(
      'cost',
      'spreadLb × packagePrice ÷ packageLb',
      { spreadLb, packagePrice, packageLb },
      (spreadLb * packagePrice) / packageLb,
      '',
    );
    return { leftLb, cost };
  },
});
