import { defineReckoning } from '../reckoning/define';
import { quantity, squareFeet } from '../reckoning/inputs';

/** A rate over a whole zone, lb. 1.79 lb product/1000 ft2 over 6480 ft2 is 11.6. */
export const zoneAmount = defineReckoning({
  id: 'zone.amount',
  title: 'Amount for a whole zone',
  about: 'What the scale must show: the rate per 1000 ft2 over the measured area.',
  inputs: {
    ratePer1000Lb: quantity('lb of the substance')('rate per 1000 ft2', { min: 0 }),
    areaSqFt: squareFeet('area of the zone', { above: 0 }),
  },
  unit: 'lb of the rated substance',
  formula: ['amount = rate × area ÷ 1000'],
  sources: [{ cite: 'Definition of a rate per 1000 ft2', standing: 'common practice' }],
  limits: ['No better than the area: a tape is good to about 1 %, a wheel 2-3 %, pacing 5-10 %.'],
  example: { inputs: { ratePer1000Lb: 2, areaSqFt: 6500 }, value: 13 },
  reckon: ({ ratePer1000Lb, areaSqFt }, work) =>
    work.step(
      'amount',
      'ratePer1000Lb × areaSqFt ÷ 1000',
      { ratePer1000Lb, areaSqFt },
      (ratePer1000Lb * areaSqFt) / 1000,
      'lb of the substance',
    ),
});
