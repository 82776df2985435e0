import { defineReckoning } from '../reckoning/define';
import { quantity, squareFeet } from '../reckoning/inputs';

/** Rate that a bag's stated coverage implies, lb product/1000 ft2. 50 lb over 12,500 ft2 is 4. */
export const productCoverage = defineReckoning({
  id: 'product.coverage',
  title: 'Rate implied by stated coverage',
  about: 'What the back of the bag really means: its weight over the ground it claims to cover.',
  inputs: {
    packageLb: quantity('lb product')('package', { above: 0, max: 5000 }),
    coverageSqFt: squareFeet('stated coverage', { above: 0, max: 10_000_000 }),
  },
  unit: 'lb product / 1000 ft2',
  formula: ['rate = package ÷ coverage × 1000'],
  sources: [{ cite: 'Definition of a rate per 1000 ft2', standing: 'common practice' }],
  limits: ['The label is the law where the product holds a pesticide.'],
  example: { inputs: { packageLb: 50, coverageSqFt: 12_500 }, value: 4 },
  reckon: ({ packageLb, coverageSqFt }, work) =>
    work.step(
      'rate',
      'packageLb ÷ coverageSqFt × 1000',
      { packageLb, coverageSqFt },
      (packageLb / coverageSqFt) * 1000,
      'lb product',
    ),
});
