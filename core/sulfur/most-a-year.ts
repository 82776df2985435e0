import { defineReckoning } from '../reckoning/define';
import { bulkDensity, depthIn, quantity } from '../reckoning/inputs';

/** Share of the CEC that a year's sulfur may turn acid (B7). Common practice. */
const SHARE_OF_CEC = 1 / 5;
/** What 1 lb S/1000 ft2 adds over 4 in at 1.5 g/cm3, cmolc/kg (B7). Stoichiometry: 2 H for each S. */
const CMOLC_PER_LB = { each: 0.2, depthIn: 4, bulkDensity: 1.5 } as const;

/** Most free sulfur of a year by what the soil can hold, lb S/1000 ft2. CEC 3, 4 in, 1.5 g/cm3: 3.0. */
export const sulfurOfCec = defineReckoning({
  id: 'sulfur.most-a-year',
  title: 'Most sulfur of a year, by CEC',
  about: 'Weak soil swings far on little acid: no year’s sulfur turns more than a fifth of the exchange sites.',
  inputs: {
    cec: quantity('cmolc/kg')('CEC', { above: 0, max: 200 }),
    depthIn: depthIn('depth to treat'),
    bulkDensity: bulkDensity(),
  },
  unit: 'lb S / 1000 ft2',
  formula: ['each lb S adds 0.2 cmolc/kg × (4 × 1.5) ÷ (depth × density)', 'most = CEC ÷ 5 ÷ that'],
  sources: [
    { cite: 'Stoichiometry of sulfur and its acid', standing: 'published' },
    { cite: 'A fifth of the CEC a year', standing: 'common practice' },
  ],
  limits: ['The stricter of this and the limits of one dose and of a year stands.'],
  example: { inputs: { cec: 3, depthIn: 4, bulkDensity: 1.5 }, value: 3 },
  reckon({ cec, depthIn, bulkDensity }, work) {
    const { each, depthIn: ofDepth, bulkDensity: ofDensity } = CMOLC_PER_LB;
    const perLb = work.step(
      'each lb S adds',
      'each × ofDepth × ofDensity ÷ (depthIn × bulkDensity)',
      { each, ofDepth, ofDensity, depthIn, bulkDensity },
      (each * ofDepth * ofDensity) / (depthIn * bulkDensity),
      'cmolc/kg',
    );
    const share = SHARE_OF_CEC;
    return work.step('most of a year', 'cec × share ÷ perLb', { cec, share, perLb }, (cec * share) / perLb, 'lb S');
  },
});
