import { limeKindOf } from '../lime/lime-label';
import { granulesAt } from '../products/granules';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { MOST_PRODUCTS_A_DAY } from '../season/rules/limits';
import { trimmed } from '../words/numbers';
import type { Job } from './jobs';
import { isUreaOrAmmonium, materialOf } from './material';
import { lightPasses, smallWeight } from './small';
import type { LayingSchool } from './walk';

/** What is worth knowing before a job is weighed out: too small for the scale, too thin for the gate, in the way of another job. */

/** Under this it is read in ounces too, under that in grams, lb product. Common practice. */
const IN_OUNCES_LB = 2;
const IN_GRAMS_LB = 0.5;
const SCALE_STEP_LB = 0.1;
/** A step over so much of the amount asks for a finer scale. Common practice. */
const MOST_STEP_PERCENT = 5;
/** Granules a square inch under which a dose lies in speckles. Common practice. */
const LEAST_GRANULES = 2;
const TIMES_OVER: Record<LayingSchool, number> = { 'two-directions': 2, 'four-light': 4, 'one-direction': 1 };
const OPEN: ReadonlySet<Job['state']> = new Set(['running', 'weigh-back', 'late', 'due']);

export interface LayingAsked {
  job: Job;
  /** All jobs of the property. */
  jobs: readonly Job[];
  weighOutLb: number;
  school: LayingSchool;
  /** Least that the spreader was seen to give of this product, lb product/1000 ft2. */
  leastRateLb?: number;
}

/**
 * Sentences for whoever weighs out and walks; none where all is usual.
 *
 * @example 0.3 lb product: '136 g product, 4.8 oz product. A step of 0.1 lb product is 33 % of it: use a finer scale.'
 */
export function layingSays({ job, jobs, weighOutLb, school, leastRateLb }: LayingAsked): string[] {
  const { product, dose, zone } = job;
  const isSprayed = materialOf(product, dose.for) === 'spray';
  const says: string[] = [];
  if (product.form !== 'liquid' && weighOutLb < IN_OUNCES_LB) {
    const small = evaluate(smallWeight, { ratePer1000Lb: dose.rateLb, areaSqFt: zone.areaSqFt });
    if (!isRefusal(small)) {
      const ounces = `${trimmed(small.oz ?? 0, 1)} oz product`;
      const step = (SCALE_STEP_LB / (small.lb || 1)) * 100;
      says.push(
        `${(small.lb ?? 0) < IN_GRAMS_LB ? `${trimmed(small.grams ?? 0, 0)} g product, ${ounces}` : ounces}.${step > MOST_STEP_PERCENT ? ` A step of ${SCALE_STEP_LB} lb product is ${trimmed(step, 0)} % of it: use a finer scale.` : ''}`,
      );
    }
  }
  if (!isSprayed) {
    const granules = granulesAt(product, dose.rateLb);
    if (granules !== undefined && granules < LEAST_GRANULES)
      says.push(`${trimmed(granules, 1)} granules a sq in: thin, a finer grade lies more evenly.`);
    const each = evaluate(lightPasses, {
      ratePer1000Lb: dose.rateLb,
      passes: TIMES_OVER[school],
      ...(leastRateLb === undefined ? {} : { leastRateLb }),
    });
    if (isRefusal(each)) says.push(each.refused);
  }
  const beside = jobs.filter((each) => each !== job && each.zone.id === zone.id && OPEN.has(each.state));
  const isLime = limeKindOf(product) !== undefined;
  const burns = beside.find((each) =>
    isLime ? isUreaOrAmmonium(each.product) : isUreaOrAmmonium(product) && limeKindOf(each.product) !== undefined,
  );
  if (burns) says.push(`Not on one day with ${burns.product.name}: lime and urea or ammonium keep 14 days apart.`);
  if (beside.length + 1 > MOST_PRODUCTS_A_DAY)
    says.push(
      `${beside.length + 1} products wait on ${zone.name}: ${MOST_PRODUCTS_A_DAY} a day are practical, each with its own gate.`,
    );
  const sprayed = beside.find((each) => materialOf(each.product, each.dose.for) === 'spray');
  if (!isSprayed && sprayed) says.push(`Before ${sprayed.product.name}: granules first, water them in, then spray.`);
  return says;
}
