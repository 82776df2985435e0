import { defineReckoning } from '../reckoning/define';
import { bulkDensity, depthIn, ppm, quantity } from '../reckoning/inputs';
import { SOIL_LB_PER_1000_PER_INCH } from '../units/conversions';

/** Element needed to stand at enough after growth has taken its share, lb element/1000 ft2. */
export const nutrientBalance = defineReckoning({
  id: 'nutrient.balance',
  title: 'Nutrient need by mass balance',
  about: 'What brings the root zone up to the start of enough, with what the year’s growth takes away.',
  inputs: {
    testPpm: ppm('soil test', { min: 0, max: 100_000 }),
    enoughPpm: ppm('where enough starts', { min: 0, max: 100_000 }),
    depthIn: depthIn('root zone'),
    bulkDensity: bulkDensity(),
    removalLb: quantity('lb element')('removal by growth', { min: 0 }),
  },
  unit: 'lb element / 1000 ft2',
  formula: [
    'mass = 5202.33 × depth × bulk density',
    'short = (enough − test) × mass ÷ 1,000,000',
    'need = max(0, short + removal)',
  ],
  sources: [
    {
      cite: 'Mass balance on the root zone; Carrow, Waddington & Rieke 2001, Turfgrass Soil Fertility and Chemical Problems',
      standing: 'from memory',
    },
  ],
  limits: [
    'Only for extractants that measure a mass (Mehlich-3 P, K, Ca, Mg, S; ammonium acetate K, Ca, Mg). Index tests prescribe by level.',
    'Nothing is given where the level is high.',
  ],
  example: { inputs: { testPpm: 44, enoughPpm: 44, depthIn: 4, bulkDensity: 1.35, removalLb: 0.3 }, value: 0.3 },
  reckon({ testPpm, enoughPpm, depthIn, bulkDensity, removalLb }, work) {
    const mass = work.step(
      'soil in the root zone',
      'perInch × depthIn × bulkDensity',
      { perInch: SOIL_LB_PER_1000_PER_INCH, depthIn, bulkDensity },
      SOIL_LB_PER_1000_PER_INCH * depthIn * bulkDensity,
      'lb soil',
    );
    const short = work.step(
      'short in the soil',
      '(enoughPpm − testPpm) × mass ÷ 1000000',
      { enoughPpm, testPpm, mass },
      ((enoughPpm - testPpm) * mass) / 1e6,
      'lb element',
    );
    return work.step(
      'need',
      'max(0, short + removalLb)',
      { short, removalLb },
      Math.max(0, short + removalLb),
      'lb element',
    );
  },
});
