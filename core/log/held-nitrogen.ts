import { releaseByDay } from '../nitrogen/release';
import { NITROGEN_FORMS } from '../records/vocabularies';
import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';

/** What a slow dose still holds. 1 lb N coated for 70 days, 35 days at 68 deg F: half of it is released. */
export const heldNitrogen = defineReckoning({
  id: 'log.carry-over',
  title: 'What a dose still holds',
  about: 'Nitrogen of one form that soil warmth has let go since it went down, and what is left in the granule.',
  inputs: {
    nitrogenLb: quantity('lb N/1000 ft2')('nitrogen of the dose', { min: 0, max: 30 }),
    form: choice('form of the nitrogen', NITROGEN_FORMS),
    soilF: { kind: 'numbers', unit: 'deg F', label: 'soil of each day since', leastCount: 1, min: -60, max: 140 },
    releaseDays: quantity('days')('release of the label', { above: 0, max: 400, optional: true }),
  },
  unit: 'releasedLb, leftLb: lb N/1000 ft2',
  formula: ['released = sum of each day’s share at that day’s soil', 'left = given − released'],
  sources: [{ cite: 'Release doubles with 18 deg F; labels state it at 68 deg F', standing: 'common practice' }],
  limits: ['A coating as its label has it; microbes rest under 50 deg F.'],
  example: {
    inputs: {
      nitrogenLb: 1,
      form: 'polymer-coated-urea',
      soilF: Array.from({ length: 35 }, () => 68),
      releaseDays: 70,
    },
    value: { releasedLb: 0.5, leftLb: 0.5 },
  },
  reckon({ nitrogenLb, form, soilF, releaseDays }, work) {
    const product = {
      id: 'dose',
      name: 'The dose',
      guaranteed: { N: 100 },
      nitrogen: { [form]: 100 },
      ...(releaseDays === undefined ? {} : { releaseDays }),
    };
    const share = releaseByDay(product, soilF, 0).reduce((sum, day) => sum + day, 0);
    const releasedLb = work.step('released', 'nitrogenLb × share', { nitrogenLb, share }, nitrogenLb * share, 'lb N');
    return { releasedLb, leftLb: nitrogenLb - releasedLb };
  },
});
