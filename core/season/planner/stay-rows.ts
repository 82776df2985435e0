import { dayOfYear } from '../../days/day';
import { type ModelParts, rateTerms } from './model-parts';
import { PRICES } from './prices';

/** A rate is the same within this share. Common practice: what a spreader holds. */
const SAME_RATE = 0.1;

/**
 * A plan that is found again stays with the one that stands where nothing speaks against it: a dose that leaves its week costs a little, and
 * one of another rate less. What people were told, and what is loaded already, is worth that much.
 */
export function addStayRows({ builder, doses, problem }: ModelParts): void {
  problem.stay.forEach((old, i) => {
    const week = problem.weeks.findLastIndex(({ day }) => day <= dayOfYear(old.date));
    const at = doses.find(
      (dose) => dose.zone.zone.id === old.zoneId && dose.product.id === old.productId && dose.week === week,
    );
    if (!at) return;
    const z = problem.zones.indexOf(at.zone);
    const left = builder.column(`left_${z}_${i}`, { cost: PRICES.doseMoved, upper: 1 });
    builder.row(
      `stays_${z}_${i}`,
      [
        [at.chosen, 1],
        [left, 1],
      ],
      { lower: 1 },
    );
    if (at.over === undefined || !at.carrier) return;
    // 1 where the dose goes down at its old rate, about
    const same = builder.binary(`same_${z}_${i}`);
    const other = builder.column(`other_${z}_${i}`, { cost: PRICES.rateMoved, upper: 1 });
    builder.row(
      `rated_${z}_${i}`,
      [
        [other, 1],
        [same, 1],
        [at.chosen, -1],
      ],
      { lower: 0 },
    );
    builder.row(`rateleast_${z}_${i}`, [...rateTerms(at, 1), [same, -(1 - SAME_RATE) * old.rateLb]], { lower: 0 });
    const most = (1 + SAME_RATE) * old.rateLb;
    const above = Math.max(0, at.carrier.mostRateLb - most);
    builder.row(`ratemost_${z}_${i}`, [...rateTerms(at, 1), [same, above]], { upper: most + above });
  });
}
