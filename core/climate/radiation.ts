import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';

/** Solar constant of FAO-56, MJ/m2/min. Published. */
const SOLAR_CONSTANT = 0.082;
/** Share of the radiation that 1 mm of evaporation takes, mm per MJ/m2. FAO-56 uses 0.408, not 1/2.45. Published. */
const MM_PER_MJ = 0.408;

const fao56 = {
  cite: 'Allen, Pereira, Raes & Smith 1998, Crop evapotranspiration, FAO Irrigation and Drainage Paper 56',
  standing: 'published' as const,
};
const place = {
  latitudeDeg: quantity('degrees')('latitude', { min: -90, max: 90 }),
  dayOfYear: quantity('day')('day of the year', { min: 1, max: 366, integer: true }),
};

/** FAO-56 equations 21 to 25, MJ/m2/day. Polar night is 0, midnight sun the whole turn. */
export function radiationAt(
  latitudeDeg: number,
  dayOfYear: number,
): { inverseDistance: number; declination: number; sunsetAngle: number; radiation: number } {
  const turn = (2 * Math.PI * dayOfYear) / 365;
  const inverseDistance = 1 + 0.033 * Math.cos(turn);
  const declination = 0.409 * Math.sin(turn - 1.39);
  const latitude = (latitudeDeg * Math.PI) / 180;
  const sunsetAngle = Math.acos(Math.min(1, Math.max(-1, -Math.tan(latitude) * Math.tan(declination))));
  const sky =
    sunsetAngle * Math.sin(latitude) * Math.sin(declination) +
    Math.cos(latitude) * Math.cos(declination) * Math.sin(sunsetAngle);
  return {
    inverseDistance,
    declination,
    sunsetAngle,
    radiation: Math.max(0, ((24 * 60) / Math.PI) * SOLAR_CONSTANT * inverseDistance * sky),
  };
}

/** Extraterrestrial radiation, MJ/m2/day. 20 degrees south on day 246 is 32.2. */
export const solarRadiation = defineReckoning({
  id: 'climate.radiation',
  title: 'Extraterrestrial radiation',
  about: 'Sunlight on top of the air for a place and a day: the ceiling of what drives evaporation.',
  inputs: place,
  unit: 'MJ/m2/day',
  formula: [
    'distance = 1 + 0.033 cos(2π day ÷ 365)',
    'declination = 0.409 sin(2π day ÷ 365 − 1.39)',
    'sunset = arccos(−tan(latitude) tan(declination))',
    'Ra = 1440 ÷ π × 0.0820 × distance × (sunset sin sin + cos cos sin(sunset))',
  ],
  sources: [{ ...fao56, cite: `${fao56.cite}, eq. 21-25` }],
  limits: ['Polar night gives 0; where the sun never sets the whole turn counts.'],
  example: { inputs: { latitudeDeg: -20, dayOfYear: 246 }, value: 32.193995875112726 },
  reckon({ latitudeDeg, dayOfYear }, work) {
    const { inverseDistance, declination, sunsetAngle, radiation } = radiationAt(latitudeDeg, dayOfYear);
    const [pi, latitude] = [Math.PI, (latitudeDeg * Math.PI) / 180];
    work.step(
      'inverse relative distance',
      '1 + 0.033 × cos(2 × pi × dayOfYear ÷ 365)',
      { pi, dayOfYear },
      inverseDistance,
      '',
    );
    work.step('declination', '0.409 × sin(2 × pi × dayOfYear ÷ 365 − 1.39)', { pi, dayOfYear }, declination, 'rad');
    work.note('sunset hour angle', 'arccos(−tan(latitude) tan(declination)), held to 0..π', sunsetAngle, 'rad');
    return work.step(
      'radiation',
      'max(0, 1440 ÷ pi × 0.082 × inverseDistance × (sunsetAngle × sin(latitude) × sin(declination) + cos(latitude) × cos(declination) × sin(sunsetAngle)))',
      { pi, inverseDistance, sunsetAngle, latitude, declination },
      radiation,
      'MJ/m2/day',
    );
  },
});

/** Reference evapotranspiration by Hargreaves, mm/day. Equal high and low is 0. */
export const referenceEt = defineReckoning({
  id: 'climate.eto',
  title: 'Reference evapotranspiration, Hargreaves',
  about:
    'Water that well-watered short grass would use, from temperature alone: for climates without a full weather station.',
  inputs: {
    ...place,
    tmaxC: quantity('deg C')('day’s high', { min: -60, max: 60 }),
    tminC: quantity('deg C')('day’s low', { min: -80, max: 50 }),
  },
  unit: 'mm/day',
  formula: ['ETo = 0.0023 × (mean + 17.8) × √(high − low) × Ra × 0.408'],
  sources: [{ ...fao56, cite: `${fao56.cite}, eq. 52` }],
  limits: [
    'Within about 15 % over a week; a windy or humid place wants a fuller method.',
    '0 where the mean is below −17.8 deg C.',
  ],
  example: { inputs: { latitudeDeg: 40, dayOfYear: 196, tmaxC: 25, tminC: 25 }, value: 0 },
  reckon({ latitudeDeg, dayOfYear, tmaxC, tminC }, work) {
    if (tmaxC < tminC)
      return {
        refused: `The day’s high, ${tmaxC} deg C, is below its low, ${tminC}. They may be swapped.`,
        field: 'tmaxC',
      };
    const { radiation } = radiationAt(latitudeDeg, dayOfYear);
    work.note('radiation', 'climate.radiation for this place and day', radiation, 'MJ/m2/day');
    const mean = work.step('mean', '(tmaxC + tminC) ÷ 2', { tmaxC, tminC }, (tmaxC + tminC) / 2, 'deg C');
    const eto = Math.max(0, 0.0023 * (mean + 17.8) * Math.sqrt(tmaxC - tminC) * radiation * MM_PER_MJ);
    return work.step(
      'ETo',
      'max(0, 0.0023 × (mean + 17.8) × sqrt(tmaxC − tminC) × radiation × 0.408)',
      { mean, tmaxC, tminC, radiation },
      eto,
      'mm/day',
    );
  },
});
