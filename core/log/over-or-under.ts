import { defineReckoning } from '../reckoning/define';
import { quantity } from '../reckoning/inputs';

/** How much of the plan went down decides what to do: the upper end of each, as a share. Common practice. */
const BANDS = [
  ['missed', 0.5],
  ['short', 0.9],
  ['within', 1.1],
  ['a-little-over', 1.25],
  ['over', 2],
] as const;
export type OverStanding = (typeof BANDS)[number][0] | 'burn';

/** What follows from too much or too little. 1.6 of the plan on 28 days: the next feeding 17 days later. */
export const overOrUnder = defineReckoning({
  id: 'field.over',
  title: 'Over or under: what now',
  about: 'The share of the planned amount that went down, and how much later the next feeding comes for it.',
  inputs: {
    ratio: quantity('of the plan')('what went down, as a share of the plan', { min: 0, max: 20 }),
    leastDaysBetween: quantity('days')('days between two feedings', { min: 0, max: 400 }),
  },
  unit: 'standing: word; laterDays: days',
  formula: ['later = ceil((share − 1) × days), from 1.1 of the plan on'],
  sources: [
    {
      cite: 'What is given early lasts so much longer; bands of a spreader’s usual error',
      standing: 'common practice',
    },
  ],
  limits: ['A client’s doctor, vet or authority comes first where somebody or something was hurt.'],
  example: { inputs: { ratio: 1.5, leastDaysBetween: 28 }, value: { standing: 'over', laterDays: 14 } },
  reckon({ ratio, leastDaysBetween }, work) {
    // the edges: under half is missed, under nine tenths short; up to the upper ends the rest
    const band = BANDS.find(([id, end]) =>
      id === 'missed' || id === 'short' ? ratio < end - 1e-9 : ratio <= end + 1e-9,
    );
    const standing: OverStanding = band?.[0] ?? 'burn';
    work.note('standing', 'share of the plan', standing);
    if (ratio <= 1.1 + 1e-9) return { standing, laterDays: 0 };
    const laterDays = Math.ceil((ratio - 1) * leastDaysBetween - 1e-9);
    work.step(
      'later',
      'ceil((ratio − 1) × leastDaysBetween − 0.000000001)',
      { ratio, leastDaysBetween },
      laterDays,
      'days',
    );
    return { standing, laterDays };
  },
});
