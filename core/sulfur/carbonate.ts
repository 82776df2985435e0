import { defineReckoning } from '../reckoning/define';
import { bulkDensity, depthIn, percent } from '../reckoning/inputs';
import { CACO3_PER_S } from '../units/atomic-masses';
import { SOIL_LB_PER_1000_PER_INCH } from '../units/conversions';

/** More than any lawn can take in years, lb S/1000 ft2. Common practice: 10 a year. */
const FUTILE_ABOVE_LB = 10;

/** Sulfur that would dissolve the free lime, lb S/1000 ft2. 1 % in 4 in at 1.4 g/cm3 is 93.3. */
export const sulfurForCarbonate = defineReckoning({
  id: 'sulfur.carbonate',
  title: 'Sulfur to dissolve free lime',
  about:
    'Before pH can fall, every bit of carbonate must go. This is how much sulfur that takes, and why it is rarely worth it.',
  inputs: {
    calciumCarbonatePercent: percent('calcium carbonate'),
    depthIn: depthIn('depth of soil'),
    bulkDensity: bulkDensity(),
  },
  unit: 'lb S / 1000 ft2',
  formula: ['soil = 5202.33 × depth × bulk density', 'S = CaCO3 percent ÷ 100 × soil ÷ 3.1218'],
  sources: [{ cite: 'Stoichiometry S to H2SO4 to CaCO3, IUPAC atomic masses', standing: 'published' }],
  limits: ['Dissolves the lime only; lowering pH takes more after that.'],
  example: { inputs: { calciumCarbonatePercent: 0, depthIn: 4, bulkDensity: 1.4 }, value: 0 },
  reckon({ calciumCarbonatePercent, depthIn, bulkDensity }, work) {
    const soil = work.step(
      'soil',
      'perInch × depthIn × bulkDensity',
      { perInch: SOIL_LB_PER_1000_PER_INCH, depthIn, bulkDensity },
      SOIL_LB_PER_1000_PER_INCH * depthIn * bulkDensity,
      'lb soil',
    );
    const sulfur = work.step(
      'sulfur',
      'calciumCarbonatePercent ÷ 100 × soil ÷ perS',
      { calciumCarbonatePercent, soil, perS: CACO3_PER_S },
      ((calciumCarbonatePercent / 100) * soil) / CACO3_PER_S,
      'lb S',
    );
    if (sulfur > FUTILE_ABOVE_LB)
      work.caution(
        `At 10 lb S a year this takes ${Math.ceil(sulfur / 10)} years before pH moves at all: leave the pH and feed iron and manganese instead.`,
      );
    return sulfur;
  },
});
