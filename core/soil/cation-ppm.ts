import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';
import { PPM_PER_CMOLC } from './cec';

export type Cation = keyof typeof PPM_PER_CMOLC;

/** An exchangeable cation from cmolc/kg (the same as meq/100 g) to ppm. K 0.2 cmolc/kg is 78.196 ppm. */
export const cationPpm = defineReckoning({
  id: 'soil.cation-ppm',
  title: 'Exchangeable cation, to ppm',
  about: 'A cation that the report gives as charge per soil, brought to mass per soil.',
  inputs: {
    cmolcPerKg: quantity('cmolc/kg')('as reported', { min: 0, max: 10_000 }),
    cation: choice('cation', ['Ca', 'Mg', 'K', 'Na'] as const),
  },
  unit: 'ppm',
  formula: ['ppm = cmolc/kg × equivalent weight × 10'],
  sources: [{ cite: 'Equivalent weights from the IUPAC atomic masses', standing: 'published' }],
  limits: ['1 meq/100 g is 1 cmolc/kg.'],
  example: { inputs: { cmolcPerKg: 0.2, cation: 'K' }, value: 78.196 },
  reckon({ cmolcPerKg, cation }, work) {
    const ppmPerCmolc = PPM_PER_CMOLC[cation];
    return work.step('ppm', 'cmolcPerKg × ppmPerCmolc', { cmolcPerKg, ppmPerCmolc }, cmolcPerKg * ppmPerCmolc, 'ppm');
  },
});
