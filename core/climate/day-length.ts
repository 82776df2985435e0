import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';
import { radiationAt } from './radiation';

/** Hours of daylight, 0..24. 20 degrees south on 3 September (day 246) has 11.7. */
export const dayLength = defineReckoning({
  id: 'climate.day-length',
  title: 'Day length',
  about:
    'Hours between sunrise and sunset: what a climate a thousand miles away does not share, however like its weather.',
  inputs: {
    latitudeDeg: quantity('degrees')('latitude', { min: -90, max: 90 }),
    dayOfYear: quantity('day')('day of the year', { min: 1, max: 366, integer: true }),
  },
  unit: 'hours',
  formula: ['sunset = arccos(−tan(latitude) tan(declination))', 'hours = 24 ÷ π × sunset'],
  sources: [
    {
      cite: 'Allen, Pereira, Raes & Smith 1998, Crop evapotranspiration, FAO Irrigation and Drainage Paper 56, eq. 34',
      standing: 'published',
    },
  ],
  limits: [
    'The sun’s middle on a flat horizon: twilight and hills are left out. Polar night is 0, midnight sun 24.',
    // 0.833 deg of refraction and half a disc, twice a day, over 15 deg an hour × cos latitude × cos declination × sin sunset angle
    'Refraction and the sun’s disc would add 7 min at the equator, up to 11 at 45 and 16 at 55 deg of latitude.',
  ],
  example: { inputs: { latitudeDeg: -20, dayOfYear: 246 }, value: 11.66559194558473 },
  reckon({ latitudeDeg, dayOfYear }, work) {
    const { sunsetAngle, declination } = radiationAt(latitudeDeg, dayOfYear);
    const pi = Math.PI;
    work.step('declination', '0.409 × sin(2 × pi × dayOfYear ÷ 365 − 1.39)', { pi, dayOfYear }, declination, 'rad');
    work.note('sunset hour angle', 'arccos(−tan(latitude) tan(declination)), held to 0..π', sunsetAngle, 'rad');
    return work.step('day length', '24 ÷ pi × sunsetAngle', { pi, sunsetAngle }, (24 / pi) * sunsetAngle, 'hours');
  },
});
