import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';
import { ELEMENT_IN_OXIDE, OXIDE_OF } from '../units/atomic-masses';

/** The oxide a bag states for an element, lb oxide/1000 ft2. 1 lb K is 1.2046 lb K2O. */
export const oxideOfElement = defineReckoning({
  id: 'nutrient.oxide',
  title: 'Element to oxide',
  about: 'Soil tests and removal are elements; bags state P2O5 and K2O. This is the step people forget.',
  inputs: {
    element: choice('element', ['P', 'K', 'Ca', 'Mg'] as const),
    elementLb: quantity('lb element')('element', { min: 0 }),
  },
  unit: 'lb oxide',
  formula: ['oxide = element ÷ fraction of the element in its oxide'],
  sources: [{ cite: 'IUPAC conventional atomic masses', standing: 'published' }],
  limits: ['Element to oxide only.'],
  example: { inputs: { element: 'K', elementLb: 1 }, value: 1 / ELEMENT_IN_OXIDE.K },
  reckon({ element, elementLb }, work) {
    const fraction = ELEMENT_IN_OXIDE[element];
    return work.step(
      'oxide',
      'elementLb ÷ fraction',
      { elementLb, fraction },
      elementLb / fraction,
      `lb ${OXIDE_OF[element]}`,
    );
  },
});
