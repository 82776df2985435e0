import { defineReckoning } from '../reckoning/define';
import { bulkDensity, depthIn } from '../reckoning/inputs';
import { SOIL_LB_PER_1000_PER_INCH } from '../units/conversions';

/** Mass of soil under 1000 ft2, lb. 4 in at 1.35 g/cm3 is 28,093 lb soil. */
export const soilMass = defineReckoning({
  id: 'soil.mass',
  title: 'Soil mass under 1000 ft2',
  about: 'Dry soil in a slice of given depth: what a part per million is a part of.',
  inputs: { depthIn: depthIn('depth of soil'), bulkDensity: bulkDensity() },
  unit: 'lb soil / 1000 ft2',
  formula: ['mass = 5202.33 × depth × bulk density'],
  sources: [
    {
      cite: 'Derived: 1000 ft2 × 1 in × 1 g/cm3, with 30.48 cm to the foot and 453.59237 g to the pound',
      standing: 'published',
    },
  ],
  limits: [
    'Stones are not taken off.',
    'Default densities by texture (sand 1.5, loam 1.35, clay 1.25) are common practice.',
    'The furrow slice of the laboratories, 2,000,000 lb an acre in 6 2/3 in, means 1.324 g/cm3: 12 % too light for that sand, 6 % too heavy for that clay.',
  ],
  example: { inputs: { depthIn: 4, bulkDensity: 1.35 }, value: SOIL_LB_PER_1000_PER_INCH * 4 * 1.35 },
  reckon: ({ depthIn, bulkDensity }, work) =>
    work.step(
      'soil mass',
      'perInch × depthIn × bulkDensity',
      { perInch: SOIL_LB_PER_1000_PER_INCH, depthIn, bulkDensity },
      SOIL_LB_PER_1000_PER_INCH * depthIn * bulkDensity,
      'lb soil',
    ),
});
