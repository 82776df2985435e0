import { defineReckoning } from '../reckoning/define';
import { percent, quantity } from '../reckoning/inputs';

const packageLb = () => quantity('lb product')('package', { above: 0, max: 5000 });
const packagePrice = () => quantity('$')('price of a package', { min: 0, max: 100_000 });

/** Price of a pound of what a product is bought for, $/lb. $31 for 50 lb of 46 %: 1.35 a lb N. */
export const unitPrice = defineReckoning({
  id: 'product.unit-price',
  title: 'Price of a pound of nutrient',
  about:
    'What a pound of N, K2O, free S or neutralising lime costs in this package: the only fair way to compare bags.',
  inputs: {
    packagePrice: packagePrice(),
    packageLb: packageLb(),
    percent: percent('percent of it in the product', { min: undefined, above: 0, max: 180 }),
  },
  unit: '$ / lb of the nutrient',
  formula: ['price of a pound = price ÷ (package × percent ÷ 100)'],
  sources: [{ cite: 'Guaranteed analysis is percent by weight (AAPFCO label rules)', standing: 'common practice' }],
  limits: ['All of the price is put on the one nutrient: a blend’s potash comes free in it.'],
  example: { inputs: { packagePrice: 30, packageLb: 50, percent: 20 }, value: 3 },
  reckon: ({ packagePrice, packageLb, percent }, work) =>
    work.step(
      'price of a pound',
      'packagePrice ÷ (packageLb × percent ÷ 100)',
      { packagePrice, packageLb, percent },
      packagePrice / ((packageLb * percent) / 100),
      '$',
    ),
});

/** What a weigh-out costs at the price of its package, $. 20.3 lb from a $30 bag of 50: 12.18. */
export const weighOutCost = defineReckoning({
  id: 'product.cost',
  title: 'Cost of a weigh-out',
  about:
    'The share of the package that goes down, at the price of the package; stock on hand counts at the same price.',
  inputs: {
    weighedLb: quantity('lb product')('weigh-out', { min: 0, max: 1_000_000 }),
    packageLb: packageLb(),
    packagePrice: packagePrice(),
  },
  unit: '$',
  formula: ['cost = weigh-out ÷ package × price'],
  sources: [{ cite: 'Definition of a unit price', standing: 'common practice' }],
  limits: ['What is left over in the bag is not charged to the job.'],
  example: { inputs: { weighedLb: 10, packageLb: 50, packagePrice: 30 }, value: 6 },
  reckon: ({ weighedLb, packageLb, packagePrice }, work) =>
    work.step(
      'cost',
      'weighedLb ÷ packageLb × packagePrice',
      { weighedLb, packageLb, packagePrice },
      (weighedLb / packageLb) * packagePrice,
      '$',
    ),
});
