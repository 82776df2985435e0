import { dayOfYear, type IsoDay } from '../../days/day';
import type { PlanModel } from './model-parts';
import type { LockedDose, PlanProblem } from './problem-shape';
import { type Bounds, held } from './solver';

/** A dose of the plain draft may move by so many weeks: its days are no Mondays, and its waits are counted in days. Measured. */
const WEEKS_ABOUT = 1;

/** Bounds that leave a search the doses of a plain draft, each in its own week or one beside it, at any rate. */
export function aboutDraft(problem: PlanProblem, { doses }: PlanModel, draft: readonly LockedDose[]): Bounds {
  const weekOf = (date: IsoDay): number => problem.weeks.findLastIndex(({ day }) => day <= dayOfYear(date));
  const near = new Set(
    draft.flatMap(({ zoneId, productId, date }) => {
      const week = weekOf(date);
      return Array.from({ length: 2 * WEEKS_ABOUT + 1 }, (_, i) => `${zoneId}/${productId}/${week - WEEKS_ABOUT + i}`);
    }),
  );
  return new Map(
    doses.flatMap(({ zone, product, week, chosen }) =>
      near.has(`${zone.zone.id}/${product.id}/${week}`) ? [] : [[chosen, [0, 0]]],
    ),
  );
}

/** Bounds that set every dose where a start has it: rates and purchases are left to be filled in. */
export const filledFrom = ({ milp, doses }: PlanModel, start: ReadonlyMap<string, number>): Bounds =>
  held(
    doses.map((d) => d.chosen),
    (column) => start.get(milp.columns[column]?.name ?? ''),
  );
