import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';

/** A year's need less the part of the soil's deficit that went down already, lb/1000 ft2 (B4). Need 3, deficit 2, given 1.5: 1.5. */
export const deficitLeft = defineReckoning({
  id: 'nutrient.deficit-left',
  title: 'Need, less what filled the soil already',
  about:
    'A low test asks once to be filled up; what growth takes recurs every year. Doses of years before this one count against the first part only.',
  inputs: {
    needLb: quantity('lb nutrient')('need by the report', { min: 0, max: 1000 }),
    deficitLb: quantity('lb nutrient')('of it to fill the soil', { min: 0, max: 1000 }),
    givenLb: quantity('lb nutrient')('down since the sample', { min: 0, max: 1e12 }),
  },
  unit: 'lb nutrient / 1000 ft2',
  formula: ['year = need − the smaller of deficit and given'],
  sources: [{ cite: 'The report’s deficit is asked once', standing: 'common practice' }],
  limits: ['More than a year after the first such dose the rest waits for a new report.'],
  example: { inputs: { needLb: 3, deficitLb: 2, givenLb: 1.5 }, value: 1.5 },
  reckon({ needLb, deficitLb, givenLb }, work) {
    const filled = work.step(
      'filled',
      'min(deficitLb, givenLb)',
      { deficitLb, givenLb },
      Math.min(deficitLb, givenLb),
      'lb',
    );
    return work.step('this year', 'max(0, needLb − filled)', { needLb, filled }, Math.max(0, needLb - filled), 'lb');
  },
});
