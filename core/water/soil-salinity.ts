import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';

/** Salinity of soil against that of the water it is given for years, where some fifteen to twenty percent drains through. */
const SOIL_OVER_WATER = 1.5;

/** Salinity that soil comes to under a water, dS/m in the paste. ECw 2: 3. */
export const salinityUnderWater = defineReckoning({
  id: 'water.soil-salinity',
  title: 'Salinity the soil comes to under this water',
  about: 'Soil watered for years stands half as salty again as its water, where some of it drains through.',
  inputs: { ecw: quantity('dS/m')('salinity of the water', { min: 0, max: 60 }) },
  unit: 'dS/m in the saturated paste',
  formula: ['ECe = 1.5 × ECw'],
  sources: [
    {
      cite: 'Ayers & Westcot, Water quality for agriculture, FAO Irrigation and Drainage Paper 29, section 2',
      standing: 'from memory',
    },
  ],
  limits: ['15 to 20 % of the water drains through; more rain than irrigation keeps soil fresher.'],
  example: { inputs: { ecw: 2 }, value: 3 },
  reckon: ({ ecw }, work) => work.step('ECe', '1.5 × ecw', { ecw }, SOIL_OVER_WATER * ecw, 'dS/m'),
});
