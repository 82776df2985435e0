import { defineReckoning } from '../reckoning/define';
import { squareFeet } from '../reckoning/inputs';

/** Ground one core stands for, ft2, and the fewest and most cores of one sample. Common practice. */
export const SQ_FT_PER_CORE = 600;
export const FEWEST_CORES = 10;
export const MOST_CORES = 20;

/** Cores of one sample: one per 600 ft2, at least 10, at most 20. 6,480 ft2 needs 11. */
export const coreCount = defineReckoning({
  id: 'sample.cores',
  title: 'Cores of a soil sample',
  about: 'How many cores are mixed into the sample of one zone.',
  inputs: { areaSqFt: squareFeet('area of the zone', { above: 0, max: 5e7 }) },
  unit: 'cores',
  formula: ['cores = area ÷ 600, rounded up, at least 10 and at most 20'],
  sources: [
    {
      cite: 'Common practice: 10-15 cores, about one per 500-700 ft2 on larger ground, up to 20',
      standing: 'common practice',
    },
  ],
  limits: ['One sample per zone, never across grasses or soils.', 'Over 12,000 ft2 think of two zones.'],
  example: { inputs: { areaSqFt: 6480 }, value: 11 },
  reckon({ areaSqFt }, work) {
    const perCoreSqFt = SQ_FT_PER_CORE;
    const wanted = work.step(
      'one per 600 ft2',
      'ceil(areaSqFt ÷ perCoreSqFt)',
      { areaSqFt, perCoreSqFt },
      Math.ceil(areaSqFt / perCoreSqFt),
      'cores',
    );
    const [fewest, most] = [FEWEST_CORES, MOST_CORES];
    return work.step(
      'cores',
      'max(fewest, min(most, wanted))',
      { fewest, most, wanted },
      Math.max(fewest, Math.min(most, wanted)),
      'cores',
    );
  },
});
