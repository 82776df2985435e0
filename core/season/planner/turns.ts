import type { PlanModel } from './model-parts';
import { type Bounds, held } from './solver';

/** Zones sought anew together. Measured. */
const ZONES_A_TURN = 2;

/** What of a plan is kept while the rest is sought anew. */
export type Keep = (values: ArrayLike<number>) => Bounds;

/**
 * The turns that a plan is bettered by: each few zones anew beside the others; any product in the weeks that are; any week with the products
 * that are.
 */
export function turnsOf({ doses, uses }: PlanModel): Keep[] {
  const zones = [...new Set(doses.map((d) => d.zone))];
  const anew: Keep[] = Array.from({ length: Math.ceil(zones.length / ZONES_A_TURN) }, (_, i) => {
    const these = new Set(zones.slice(i * ZONES_A_TURN, (i + 1) * ZONES_A_TURN));
    const others = doses.filter((d) => !these.has(d.zone)).map((d) => d.chosen);
    return (values) => held(others, (column) => values[column]);
  });
  const fedIn = ({ zone, week }: PlanModel['doses'][number]) => `${zone.zone.id}/${week}`;
  const sameWeeks: Keep = (values) => {
    const used = new Set(doses.filter((d) => (values[d.chosen] ?? 0) > 0.5).map(fedIn));
    return new Map(doses.flatMap((d) => (used.has(fedIn(d)) ? [] : [[d.chosen, [0, 0]]])));
  };
  const sameShelf: Keep = (values) =>
    new Map([...uses.values()].flatMap((column) => ((values[column] ?? 0) < 0.5 ? [[column, [0, 0]]] : [])));
  return [sameWeeks, sameShelf, ...(zones.length > ZONES_A_TURN ? anew : [])];
}

/** What a last look at the calendar keeps: the very bags of the plan. What is good enough in dollars may still be a poor calendar. */
export const sameBags =
  ({ uses, packages }: PlanModel): Keep =>
  (values) =>
    held([...uses.values(), ...packages], (column) => values[column]);
