import { defineReckoning } from '../reckoning/define';
import { squareFeet } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';

/** What several amounts of several products brought. 10 lb of 24 % and 5 lb of 21 % on 5000 ft2: 3.45 lb, 0.69 lb per 1000. */
export const logTally = defineReckoning({
  id: 'log.tally',
  title: 'Tally of what went down',
  about: 'Pounds of a nutrient that the records hold, in all and per 1000 ft2 of the whole zone.',
  inputs: {
    spreadLb: { kind: 'numbers', unit: 'lb product', label: 'what was spread, each time', leastCount: 1, min: 0 },
    percent: {
      kind: 'numbers',
      unit: '%',
      label: 'percent of the nutrient, each time',
      leastCount: 1,
      min: 0,
      max: 180,
    },
    areaSqFt: squareFeet('area of the zone', { above: 0, max: 5e7 }),
  },
  unit: 'nutrientLb: lb nutrient; nutrientPer1000Lb: lb nutrient/1000 ft2; doses: doses',
  formula: ['sum of lb × percent ÷ 100', 'per 1000 = sum ÷ area × 1000'],
  sources: [{ cite: 'Guaranteed analysis is percent by weight (AAPFCO label rules)', standing: 'common practice' }],
  limits: ['By the label as it stood when each went down.'],
  example: {
    inputs: { spreadLb: [10, 5], percent: [24, 21], areaSqFt: 5000 },
    value: { nutrientLb: 3.45, nutrientPer1000Lb: 0.69, doses: 2 },
  },
  reckon({ spreadLb, percent, areaSqFt }, work) {
    if (spreadLb.length !== percent.length)
      return refuse('percent', `${spreadLb.length} amounts and ${percent.length} percents: each amount needs its own.`);
    const sum = spreadLb.reduce((all, lb, i) => all + (lb * (percent[i] as number)) / 100, 0);
    work.note('in all', 'sum of lb × percent ÷ 100', sum, 'lb');
    const nutrientPer1000Lb = work.step(
      'per 1000',
      'sum ÷ areaSqFt × 1000',
      { sum, areaSqFt },
      (sum / areaSqFt) * 1000,
      'lb',
    );
    return { nutrientLb: sum, nutrientPer1000Lb, doses: spreadLb.length };
  },
});
