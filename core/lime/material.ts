import { defineReckoning } from '../reckoning/define';
import { percent, quantity } from '../reckoning/inputs';

/** What a limestone of given ECCE must weigh, lb lime/1000 ft2. 15.43 at basis 90 with ECCE 87.4 is 15.89. */
export const limeMaterial = defineReckoning({
  id: 'lime.material',
  title: 'Lime material for a requirement',
  about: 'Turns the method’s own lime into pounds of the lime at hand, by their neutralising values.',
  inputs: {
    requirementLb: quantity('lb lime')('lime requirement', { min: 0 }),
    eccePercent: percent('ECCE of the lime at hand', {
      min: undefined,
      above: 0,
      max: 180,
      hint: 'Look for ECCE, ENV or effective neutralising value on the label.',
    }),
    basisEccePercent: percent('ECCE the method assumes', { min: undefined, above: 0, max: 180, optional: true }),
  },
  unit: 'lb lime / 1000 ft2',
  formula: ['material = requirement × basis ECCE ÷ ECCE'],
  sources: [{ cite: 'Effective calcium carbonate equivalent, as state lime laws use it', standing: 'common practice' }],
  limits: ['Basis: Adams-Evans and texture table 100, Mehlich and SMP 90, so that nothing is corrected twice.'],
  example: { inputs: { requirementLb: 40, eccePercent: 80, basisEccePercent: 90 }, value: 45 },
  reckon({ requirementLb, eccePercent, basisEccePercent = 100 }, work) {
    if (eccePercent < 20) work.caution(`ECCE ${eccePercent} % is very low for a lime: check the label.`);
    return work.step(
      'material',
      'requirementLb × basisEccePercent ÷ eccePercent',
      { requirementLb, basisEccePercent, eccePercent },
      (requirementLb * basisEccePercent) / eccePercent,
      'lb lime',
    );
  },
});
