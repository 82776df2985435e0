import { threeDigits } from '../words/numbers';
import { defineReckoning } from '../reckoning/define';
import { quantity, squareFeet } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { FL_OZ_PER_GAL, G_PER_LB } from '../units/conversions';

/** A fluid ounce, mL; by the gallon of 231 in3. */
const ML_PER_FL_OZ = 29.5735295625;
const TSP_PER_FL_OZ = 6;
const OZ_PER_LB = 16;
/** An error over this asks for another way to measure, %. Common practice. */
const MOST_ERROR_PERCENT = 10;

/** So much for each pass, lb product/1000 ft2. 1.8 lb in two directions: 0.9 each. */
export const lightPasses = defineReckoning({
  id: 'field.light-passes',
  title: 'Rate of one pass',
  about: 'A dose laid down in crossing passes goes down in equal parts, each as thin as the gate still lets through.',
  inputs: {
    ratePer1000Lb: quantity('lb product')('rate per 1000 ft2', { above: 0, max: 1000 }),
    passes: quantity('passes')('passes', { min: 1, max: 4, integer: true }),
    leastRateLb: quantity('lb product')('least rate that was caught', { min: 0, max: 1000, optional: true }),
  },
  unit: 'lb product / 1000 ft2 each',
  formula: ['each = rate ÷ passes'],
  sources: [{ cite: 'Half the rate in each of two crossing directions', standing: 'common practice' }],
  limits: ['One, two or four passes.', 'Not below the least rate that the spreader was seen to give.'],
  example: { inputs: { ratePer1000Lb: 1.8, passes: 2 }, value: 0.9 },
  reckon({ ratePer1000Lb, passes, leastRateLb }, work) {
    if (passes === 3) return refuse('passes', 'Three passes do not cross evenly: choose one, two or four.');
    const each = work.step(
      'each',
      'ratePer1000Lb ÷ passes',
      { ratePer1000Lb, passes },
      ratePer1000Lb / passes,
      'lb product',
    );
    if (leastRateLb !== undefined && each < leastRateLb - 1e-9)
      return refuse(
        'passes',
        `A ${passes === 4 ? 'quarter' : passes === 2 ? 'half' : 'whole'} of this is ${threeDigits(each)} lb product per 1000; the lowest catch is ${leastRateLb} lb product per 1000. The gate would not pass the grains: use ${passes === 4 ? 'two directions' : 'one direction'}.`,
      );
    return each;
  },
});

/** A small amount on a small scale. 0.5 lb per 1000 on 200 ft2: 0.1 lb, 1.6 oz, 45.36 g. */
export const smallWeight = defineReckoning({
  id: 'field.small-weight',
  title: 'Small weight',
  about: 'What a small lawn takes, in the unit that a small scale shows, and how much the scale’s step may be off.',
  inputs: {
    ratePer1000Lb: quantity('lb product')('rate per 1000 ft2', { min: 0, max: 1000 }),
    areaSqFt: squareFeet('area', { above: 0, max: 50_000_000 }),
    scaleStepG: quantity('g')('step of the scale', { above: 0, max: 10_000, optional: true }),
  },
  unit: 'lb: lb product; oz: oz product; grams: g product; readingErrorPercent: %',
  formula: ['weight = rate × area ÷ 1000', 'error = step ÷ 2 ÷ weight × 100'],
  sources: [{ cite: 'NIST Handbook 44: 453.59237 g to the pound, 16 oz', standing: 'published' }],
  limits: ['A step over a twentieth of the amount asks for a finer scale (common practice).'],
  example: { inputs: { ratePer1000Lb: 0.5, areaSqFt: 200 }, value: { lb: 0.1, oz: 1.6, grams: 45.359237 } },
  reckon({ ratePer1000Lb, areaSqFt, scaleStepG }, work): Record<string, number> {
    const lb = work.step(
      'weight',
      'ratePer1000Lb × areaSqFt ÷ 1000',
      { ratePer1000Lb, areaSqFt },
      (ratePer1000Lb * areaSqFt) / 1000,
      'lb product',
    );
    const oz = work.step('in ounces', 'lb × 16', { lb }, lb * OZ_PER_LB, 'oz product');
    const grams = work.step('in grams', 'lb × 453.59237', { lb }, lb * G_PER_LB, 'g product');
    if (scaleStepG === undefined) return { lb, oz, grams };
    const readingErrorPercent =
      grams === 0
        ? 0
        : work.step(
            'reading',
            'scaleStepG ÷ 2 ÷ grams × 100',
            { scaleStepG, grams },
            (scaleStepG / 2 / grams) * 100,
            '%',
          );
    if (scaleStepG > grams / 20) work.caution('The scale’s step is more than a twentieth of this: use a finer scale.');
    return { lb, oz, grams, readingErrorPercent };
  },
});

/** A small amount of a liquid. 2 fl oz per 1000 on 500 ft2: 1 fl oz, 29.57 mL, 6 teaspoons. */
export const smallVolume = defineReckoning({
  id: 'spray.small-volume',
  title: 'Small volume',
  about: 'What a small spray takes of a liquid, by the measure at hand.',
  inputs: {
    ozPer1000: quantity('fl oz product')('rate per 1000 ft2', { min: 0, max: 10_000 }),
    areaSqFt: squareFeet('area', { above: 0, max: 50_000_000 }),
    lbPerGal: quantity('lb/gal')('density', { min: 6, max: 16, optional: true }),
    graduationMl: quantity('mL')('marks of the measure', { above: 0, max: 5000, optional: true }),
  },
  unit: 'flOz: fl oz product; ml: mL product; tsp: teaspoons product; grams: g product; readingErrorPercent: %',
  formula: ['volume = rate × area ÷ 1000', 'error = half a mark ÷ volume × 100'],
  sources: [{ cite: 'NIST Handbook 44: 29.5735295625 mL to the fluid ounce, 6 teaspoons', standing: 'published' }],
  limits: [
    'Half a mark over a tenth of the amount: measure ten times as much and take a tenth of it (common practice).',
  ],
  example: { inputs: { ozPer1000: 2, areaSqFt: 500 }, value: { flOz: 1, ml: 29.5735295625, tsp: 6 } },
  reckon({ ozPer1000, areaSqFt, lbPerGal, graduationMl }, work): Record<string, number> {
    const flOz = work.step(
      'volume',
      'ozPer1000 × areaSqFt ÷ 1000',
      { ozPer1000, areaSqFt },
      (ozPer1000 * areaSqFt) / 1000,
      'fl oz product',
    );
    const ml = work.step('in mL', 'flOz × 29.5735295625', { flOz }, flOz * ML_PER_FL_OZ, 'mL product');
    const tsp = work.step('in teaspoons', 'flOz × 6', { flOz }, flOz * TSP_PER_FL_OZ, 'teaspoons product');
    const grams =
      lbPerGal === undefined
        ? undefined
        : work.step(
            'in grams',
            'flOz ÷ 128 × lbPerGal × 453.59237',
            { flOz, lbPerGal },
            (flOz / FL_OZ_PER_GAL) * lbPerGal * G_PER_LB,
            'g product',
          );
    const readingErrorPercent =
      graduationMl === undefined
        ? undefined
        : ml === 0
          ? 0
          : work.step(
              'reading',
              'graduationMl ÷ 2 ÷ ml × 100',
              { graduationMl, ml },
              (graduationMl / 2 / ml) * 100,
              '%',
            );
    if ((readingErrorPercent ?? 0) > MOST_ERROR_PERCENT)
      work.caution(
        'Half a mark is over a tenth of this: measure ten times as much, make up to a pint with water, take a tenth.',
      );
    return {
      flOz,
      ml,
      tsp,
      ...(grams === undefined ? {} : { grams }),
      ...(readingErrorPercent === undefined ? {} : { readingErrorPercent }),
    };
  },
});
