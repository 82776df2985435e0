import { defineReckoning } from '../reckoning/define';
import { bulkDensity, choice, depthIn, percent, ppm, quantity } from '../reckoning/inputs';
import { PPM_PER_CMOLC } from '../soil/cec';
import { SOIL_LB_PER_1000_PER_INCH } from '../units/conversions';
import { FREE_LIME_ABOVE_PH } from '../soil/limy-soil';

/** Element that brings a cation to a share of CEC, lb element/1000 ft2. */
export const saturationNeed = defineReckoning({
  id: 'nutrient.saturation',
  title: 'Nutrient need by base saturation',
  about:
    'What brings a cation up to its share of the exchange sites. Offered because part of the trade asks for it; reviews find no gain over sufficiency.',
  inputs: {
    nutrient: choice('nutrient', ['K', 'Mg', 'Ca'] as const),
    testPpm: ppm('soil test', { min: 0, max: 100_000 }),
    cec: quantity('cmolc/kg')('CEC', { above: 0, max: 200 }),
    aimPercent: percent('share of CEC aimed at'),
    depthIn: depthIn('root zone'),
    bulkDensity: bulkDensity(),
  },
  unit: 'lb element / 1000 ft2',
  formula: ['aim in ppm = CEC × aim ÷ 100 × ppm of 1 cmolc', 'need = max(0, (aim − test) × soil mass ÷ 1,000,000)'],
  sources: [
    { cite: 'Base saturation ideals of the trade', standing: 'common practice' },
    {
      cite: 'Kopittke & Menzies 2007, Soil Sci. Soc. Am. J. 71:259-265 (no gain over sufficiency)',
      standing: 'from memory',
    },
  ],
  limits: [`Never prescribes where carbonate is present, pH is above ${FREE_LIME_ABOVE_PH} or CEC below 4.`],
  example: { inputs: { nutrient: 'K', testPpm: 1000, cec: 5, aimPercent: 3, depthIn: 4, bulkDensity: 1.35 }, value: 0 },
  reckon({ nutrient, testPpm, cec, aimPercent, depthIn, bulkDensity }, work) {
    const perCmolc = PPM_PER_CMOLC[nutrient];
    const aimPpm = work.step(
      'aim',
      'cec × aimPercent ÷ 100 × perCmolc',
      { cec, aimPercent, perCmolc },
      ((cec * aimPercent) / 100) * perCmolc,
      'ppm',
    );
    const mass = work.step(
      'soil in the root zone',
      'perInch × depthIn × bulkDensity',
      { perInch: SOIL_LB_PER_1000_PER_INCH, depthIn, bulkDensity },
      SOIL_LB_PER_1000_PER_INCH * depthIn * bulkDensity,
      'lb soil',
    );
    return work.step(
      'need',
      'max(0, (aimPpm − testPpm) × mass ÷ 1000000)',
      { aimPpm, testPpm, mass },
      Math.max(0, ((aimPpm - testPpm) * mass) / 1e6),
      `lb ${nutrient}`,
    );
  },
});
