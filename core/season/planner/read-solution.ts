import type { PlannedDose } from '../../records/case';
import { type PlanModel, rateIn } from './model-parts';
import { RATE_STEP_LB } from '../rules/limits';
import { purposeOf } from '../../products/purpose';
import type { PlanProblem } from './problem-shape';
import { roundedTo } from '../../words/numbers';

const stepDown = (rateLb: number): number => Math.floor(rateLb / RATE_STEP_LB + 1e-6) * RATE_STEP_LB;

/** Doses of a solution, with rates set down to a hundredth of a pound; what stands already comes along. */
export function readSolution(problem: PlanProblem, { doses }: PlanModel, values: ArrayLike<number>): PlannedDose[] {
  const chosen = doses
    .filter((d) => (values[d.chosen] ?? 0) > 0.5)
    .map((d): PlannedDose => {
      const { zone } = d.zone;
      return {
        zoneId: zone.id,
        date: problem.weeks[d.week]?.date as string,
        productId: d.product.id,
        for: d.correction?.purpose ?? purposeOf(d.product, d.zone.phosphate.most > 0 && d.zone.phosphate.least > 0),
        rateLb: d.correction ? d.leastRateLb : roundedTo(stepDown(rateIn(d, values)), 2),
      };
    });
  const standing = problem.zones.flatMap((zone) =>
    zone.standing.map((d): PlannedDose => ({
      zoneId: d.zoneId,
      date: d.date,
      productId: d.product.id,
      for: d.for,
      rateLb: d.rateLb,
      ...(d.given ? {} : { locked: true }),
    })),
  );
  return [...standing, ...chosen].sort((a, b) => a.date.localeCompare(b.date) || a.zoneId.localeCompare(b.zoneId));
}
