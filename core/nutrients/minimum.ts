import pack from '../packs/minimum-levels.json';
import { defineReckoning } from '../reckoning/define';
import { bulkDensity, choice, depthIn, ppm, quantity } from '../reckoning/inputs';
import { SOIL_LB_PER_1000_PER_INCH } from '../units/conversions';
import { REMOVED_SHARE, TISSUE_RATIO_TO_N } from './removal';

/** Mehlich-3 ppm to keep in the soil after a year of growth. Woods, Stowell & Gelernter 2016; from memory. */
export const MINIMUM_PPM = pack.minimumPpm;

/** Element that keeps the soil at its minimum after a year of growth, lb element/1000 ft2. */
export const minimumNeed = defineReckoning({
  id: 'nutrient.minimum',
  title: 'Nutrient need by minimum levels',
  about:
    'Give what growth takes, less what the soil holds above its minimum: turf is fine as long as it never falls below.',
  inputs: {
    nutrient: choice('nutrient', ['K', 'P', 'Ca', 'Mg', 'S'] as const),
    testPpm: ppm('soil test, Mehlich-3', { min: 0, max: 100_000 }),
    yearNitrogenLb: quantity('lb N')('nitrogen for the year', { min: 0, max: 20 }),
    depthIn: depthIn('root zone'),
    bulkDensity: bulkDensity(),
    clippings: choice('clippings', ['bagged', 'returned'] as const, { optional: true }),
  },
  unit: 'lb element / 1000 ft2',
  formula: [
    'removal = year’s N × tissue ratio × share that leaves',
    'held = (minimum − test) × soil mass ÷ 1,000,000',
    'need = max(0, removal + held)',
  ],
  sources: [{ cite: pack.source.cite, standing: 'from memory' }],
  limits: ['Mehlich-3, pH 5.5 or more.', 'Clippings count as bagged unless said otherwise.'],
  example: { inputs: { nutrient: 'K', testPpm: 37, yearNitrogenLb: 4, depthIn: 4, bulkDensity: 1.5 }, value: 2 },
  reckon({ nutrient, testPpm, yearNitrogenLb, depthIn, bulkDensity, clippings = 'bagged' }, work) {
    const minimumPpm = MINIMUM_PPM[nutrient];
    const ratio = TISSUE_RATIO_TO_N[nutrient];
    const share = REMOVED_SHARE[clippings];
    const removal = work.step(
      'growth takes',
      'yearNitrogenLb × ratio × share',
      { yearNitrogenLb, ratio, share },
      yearNitrogenLb * ratio * share,
      `lb ${nutrient}`,
    );
    const mass = work.step(
      'soil in the root zone',
      'perInch × depthIn × bulkDensity',
      { perInch: SOIL_LB_PER_1000_PER_INCH, depthIn, bulkDensity },
      SOIL_LB_PER_1000_PER_INCH * depthIn * bulkDensity,
      'lb soil',
    );
    const short = work.step(
      'short of the minimum',
      '(minimumPpm − testPpm) × mass ÷ 1000000',
      { minimumPpm, testPpm, mass },
      ((minimumPpm - testPpm) * mass) / 1e6,
      `lb ${nutrient}`,
    );
    return work.step(
      'need',
      'max(0, removal + short)',
      { removal, short },
      Math.max(0, removal + short),
      `lb ${nutrient}`,
    );
  },
});
