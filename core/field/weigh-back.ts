import { productAsSpread } from '../products/as-spread';
import { defineReckoning, evaluate } from '../reckoning/define';
import { percent, quantity, squareFeet } from '../reckoning/inputs';
import { isRefusal, refuse } from '../reckoning/refusal';

/** A tenth of a pound: the step of the scales that hang a bag. Common practice. */
export const SCALE_STEP_LB = 0.1;
/** A rate so near to the planned one needs nothing, as a share. Common practice. */
const WITHIN = 0.1;

const scaleStep = () => quantity('lb product')('step of the scale', { above: 0, max: 50, optional: true });
const areaError = (optional?: true) =>
  squareFeet('likely error of the area', { min: 0, max: 10_000_000, ...(optional ? { optional } : {}) } as {
    min: number;
    max: number;
    optional: true;
  });

/** How far a weigh-out may be off, lb product. 1.785714 lb per 1000 on an area known to 162 ft2: 0.2936. */
export const weighError = defineReckoning({
  id: 'field.weigh-error',
  title: 'Likely error of a weigh-out',
  about: 'The area is only known so well, and the scale has steps: what both may be off together, in pounds.',
  inputs: {
    ratePer1000Lb: quantity('lb product')('rate per 1000 ft2', { min: 0, max: 1000 }),
    areaErrorSqFt: areaError() as ReturnType<typeof squareFeet>,
    scaleStepLb: scaleStep(),
  },
  unit: 'areaLb, scaleLb and likelyLb: lb product',
  formula: ['by area = rate × error ÷ 1000', 'by scale = step ÷ 2', 'likely = root of the sum of their squares'],
  sources: [
    { cite: 'Errors that know nothing of each other add as squares (GUM, JCGM 100:2008)', standing: 'published' },
  ],
  limits: ['Not what a spreader lays unevenly: only the amount in all.'],
  example: {
    inputs: { ratePer1000Lb: 2, areaErrorSqFt: 60, scaleStepLb: 0.1 },
    value: { areaLb: 0.12, scaleLb: 0.05, likelyLb: 0.13 },
  },
  reckon({ ratePer1000Lb, areaErrorSqFt, scaleStepLb = SCALE_STEP_LB }, work) {
    const areaLb = work.step(
      'by the area',
      'ratePer1000Lb × areaErrorSqFt ÷ 1000',
      { ratePer1000Lb, areaErrorSqFt },
      (ratePer1000Lb * areaErrorSqFt) / 1000,
      'lb product',
    );
    const scaleLb = work.step('by the scale', 'scaleStepLb ÷ 2', { scaleStepLb }, scaleStepLb / 2, 'lb product');
    const likelyLb = work.step(
      'likely',
      'sqrt(areaLb × areaLb + scaleLb × scaleLb)',
      { areaLb, scaleLb },
      Math.sqrt(areaLb * areaLb + scaleLb * scaleLb),
      'lb product',
    );
    return { areaLb, scaleLb, likelyLb };
  },
});

/** What really went down, by the scale. 10 lb out, 1 back on 5000 ft2: 1.8 lb product per 1000. */
export const weighBack = defineReckoning({
  id: 'field.weigh-back',
  title: 'What went down',
  about: 'Weighed out less what came back is what was spread; over the covered ground it is the rate that was given.',
  inputs: {
    weighedLb: quantity('lb product')('weight taken out', { above: 0, max: 1_000_000 }),
    backLb: quantity('lb product')('weight left', { min: 0, max: 1_000_000 }),
    areaSqFt: squareFeet('ground that was covered', { above: 0, max: 50_000_000 }),
    plannedPer1000Lb: quantity('lb product')('planned rate per 1000 ft2', { above: 0, max: 1000 }),
    percent: percent('nutrient of the product'),
    scaleStepLb: scaleStep(),
    areaErrorSqFt: areaError(true),
  },
  unit: 'spreadLb: lb product; ratePer1000Lb and likelyRateErrorLb: lb product / 1000 ft2; nutrientPer1000Lb: lb nutrient / 1000 ft2; nutrientLb: lb nutrient; overPercent: %; standing: word',
  formula: [
    'spread = weighed − left',
    'rate = spread ÷ area × 1000',
    'over = (rate ÷ planned − 1) × 100',
    'likely error = rate × root of (area error ÷ area)² + (step × root of ½ ÷ spread)²',
  ],
  sources: [
    { cite: 'Definition of a rate; two readings of one scale, each off by half a step', standing: 'common practice' },
  ],
  limits: ['Within 10 % of the plan nothing is to be done (common practice).'],
  example: {
    inputs: { weighedLb: 10, backLb: 1, areaSqFt: 5000, plannedPer1000Lb: 2, percent: 46, scaleStepLb: 0.1 },
    value: {
      spreadLb: 9,
      ratePer1000Lb: 1.8,
      nutrientPer1000Lb: 0.828,
      nutrientLb: 4.14,
      overPercent: -10,
      likelyRateErrorLb: 0.02 * Math.SQRT1_2,
      standing: 'within',
    },
  },
  reckon(
    { weighedLb, backLb, areaSqFt, plannedPer1000Lb, percent: share, scaleStepLb = SCALE_STEP_LB, areaErrorSqFt = 0 },
    work,
  ) {
    if (backLb > weighedLb)
      return refuse(
        'backLb',
        `More is left than was weighed: ${backLb} lb product of ${weighedLb} lb product. Was something refilled?`,
      );
    const spreadLb = work.step('spread', 'weighedLb − backLb', { weighedLb, backLb }, weighedLb - backLb, 'lb product');
    const spread = evaluate(productAsSpread, { weighedLb: spreadLb, areaSqFt, percent: share });
    if (isRefusal(spread)) return spread;
    const { rateLb: ratePer1000Lb, nutrientLbPer1000: nutrientPer1000Lb, nutrientLb } = spread;
    work.note('rate', 'what was spread, on the ground', ratePer1000Lb, 'lb product');
    work.note('nutrient', 'what was spread, by the label', nutrientPer1000Lb, 'lb nutrient');
    work.note('in all', 'what was spread, by the label', nutrientLb, 'lb nutrient');
    const overPercent = work.step(
      'over the plan',
      '(ratePer1000Lb ÷ plannedPer1000Lb − 1) × 100',
      { ratePer1000Lb, plannedPer1000Lb },
      (ratePer1000Lb / plannedPer1000Lb - 1) * 100,
      '%',
    );
    const likelyRateErrorLb =
      spreadLb === 0
        ? 0
        : ratePer1000Lb * Math.hypot(areaErrorSqFt / areaSqFt, (scaleStepLb * Math.SQRT1_2) / spreadLb);
    work.note('likely error of the rate', 'by the area and two readings of the scale', likelyRateErrorLb, 'lb product');
    const off = overPercent / 100;
    const standing = off < -WITHIN - 1e-9 ? 'short' : off > WITHIN + 1e-9 ? 'over' : 'within';
    return { spreadLb, ratePer1000Lb, nutrientPer1000Lb, nutrientLb, overPercent, likelyRateErrorLb, standing };
  },
});
