import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';

/** Thermal diffusivity of moist soil, m2/s. Published range 0.2 to 0.8e-6; the middle is taken. */
export const SOIL_DIFFUSIVITY_M2_PER_S = 0.5e-6;
const METRES_PER_INCH = 0.0254;
const SECONDS_PER_DAY = 86_400;
const DAYS_PER_YEAR = 365.25;

const source = {
  cite: 'Campbell & Norman 1998, An Introduction to Environmental Biophysics, ch. 2 and 8: heat equation with damping depth',
  standing: 'from memory' as const,
};

/** Depth at which a wave of so many turns a year is down to 37 %, m. A year's wave: 2.24 m. */
const dampingDepthM = (turnsAYear: number): number =>
  Math.sqrt((2 * SOIL_DIFFUSIVITY_M2_PER_S * DAYS_PER_YEAR * SECONDS_PER_DAY) / (2 * Math.PI * turnsAYear));

/** What is left of a wave of so many turns a year so much deeper, as a share; over 1 where it is shallower. */
export const dampedBy = (deeperIn: number, turnsAYear: number): number =>
  Math.exp((-deeperIn * METRES_PER_INCH) / dampingDepthM(turnsAYear));

/** Soil temperature under the yearly wave of air temperature. */
export const soilTemperature = defineReckoning({
  id: 'climate.soil-temperature',
  title: 'Soil temperature',
  about: 'Temperature at a depth, as the yearly wave of air temperature, damped and delayed on its way down.',
  inputs: {
    meanF: quantity('deg F')('mean of the year', { min: -60, max: 140 }),
    swingF: quantity('deg F')('half the distance from coldest to warmest day', { min: 0, max: 80 }),
    warmestDay: quantity('day')('warmest day of the year', { min: 1, max: 366 }),
    dayOfYear: quantity('day')('day of the year', { min: 1, max: 366 }),
    depthIn: quantity('in')('depth', { min: 0, max: 120 }),
  },
  unit: 'deg F',
  formula: [
    'damping depth = √(2 diffusivity ÷ turn of the year)',
    'soil = mean + swing × e^(−depth ÷ damping depth) × cos(2π (day − warmest day) ÷ 365.25 − depth ÷ damping depth)',
  ],
  sources: [source],
  limits: ['Bare of snow, moist soil, diffusivity 0.5e-6 m2/s; turf and shade damp the swing further.'],
  example: {
    inputs: { meanF: 55, swingF: 25, warmestDay: 200, dayOfYear: 200, depthIn: 3 },
    value: 79.1502946232423,
  },
  reckon({ meanF, swingF, warmestDay, dayOfYear, depthIn }, work) {
    const dampingM = work.step(
      'damping depth',
      'sqrt(2 × diffusivity ÷ turn)',
      { diffusivity: SOIL_DIFFUSIVITY_M2_PER_S, turn: (2 * Math.PI) / (DAYS_PER_YEAR * SECONDS_PER_DAY) },
      dampingDepthM(1),
      'm',
    );
    const depths = work.step(
      'depth in damping depths',
      'depthIn × metresPerInch ÷ dampingM',
      { depthIn, metresPerInch: METRES_PER_INCH, dampingM },
      (depthIn * METRES_PER_INCH) / dampingM,
      '',
    );
    return work.step(
      'soil temperature',
      'meanF + swingF × exp(−depths) × cos(2 × pi × (dayOfYear − warmestDay) ÷ 365.25 − depths)',
      { meanF, swingF, depths, pi: Math.PI, dayOfYear, warmestDay },
      meanF + swingF * Math.exp(-depths) * Math.cos((2 * Math.PI * (dayOfYear - warmestDay)) / DAYS_PER_YEAR - depths),
      'deg F',
    );
  },
});

/** Waves a year that a course is taken apart into: more would follow the corners of monthly normals. */
const WAVES = 3;

/**
 * Soil temperature of every day from the air's: the year is taken apart into its mean and first three waves, and each is
 * damped and delayed by its own damping depth. At 3 in the yearly wave keeps 97 % and lags two days.
 *
 * @param airMeanF mean air temperature of every day of one year, deg F
 */
export function soilTemperatureByDay(airMeanF: readonly number[], depthIn = 3): number[] {
  const days = airMeanF.length;
  const depthM = depthIn * METRES_PER_INCH;
  const mean = airMeanF.reduce((a, b) => a + b, 0) / days;
  const soil = new Array<number>(days).fill(mean);
  for (let turns = 1; turns <= WAVES; turns++) {
    let cosine = 0;
    let sine = 0;
    airMeanF.forEach((air, day) => {
      const angle = (2 * Math.PI * turns * day) / days;
      cosine += (2 / days) * air * Math.cos(angle);
      sine += (2 / days) * air * Math.sin(angle);
    });
    const depths = depthM / dampingDepthM(turns);
    for (let day = 0; day < days; day++) {
      const angle = (2 * Math.PI * turns * day) / days - depths;
      soil[day] = (soil[day] as number) + Math.exp(-depths) * (cosine * Math.cos(angle) + sine * Math.sin(angle));
    }
  }
  return soil;
}
