import type { Product } from '../../records/case';
import type { Milp, MilpBuilder } from './milp';
import type { Carrier, Correction, PlanProblem, ZoneProblem } from './problem-shape';

/** A dose the solver may choose: whether it goes down, and how much. */
export interface DoseVariable {
  zone: ZoneProblem;
  week: number;
  product: Product;
  /** Column that is 1 where the dose goes down. */
  chosen: number;
  /** lb product/1000 ft2 of the dose wherever it goes down. */
  leastRateLb: number;
  /** Column of lb product/1000 ft2 above the least; undefined where the rate is fixed. */
  over?: number;
  carrier?: Carrier;
  correction?: Correction;
}

export interface PlanModel {
  milp: Milp;
  doses: DoseVariable[];
  /** Columns that count all packages and all trips: a search that splits on them, then on packages, is short. */
  totals: number[];
  /** Columns of the packages bought of each product that may feed. */
  packages: number[];
  /** Column that is 1 where a product feeds anywhere on the property, by product. */
  uses: ReadonlyMap<string, number>;
}

/** Everything the parts of the model share while it is built. */
export interface ModelParts {
  problem: PlanProblem;
  builder: MilpBuilder;
  doses: DoseVariable[];
  /** Column of what is short of a need on a zone, by need and number of the zone. */
  shorts: Map<string, number>;
  /** Column that is 1 where a product feeds anywhere on the property. */
  uses: Map<string, number>;
  /** Column that is 1 where a zone is fed nitrogen in a week. */
  fed: Map<ZoneProblem, Map<number, number>>;
  totals: number[];
  packages: number[];
}

/** Pounds of product of a dose, times a factor, as terms of a row. */
export const rateTerms = (dose: DoseVariable, factor: number): [column: number, value: number][] =>
  dose.over === undefined
    ? [[dose.chosen, factor * dose.leastRateLb]]
    : [
        [dose.chosen, factor * dose.leastRateLb],
        [dose.over, factor],
      ];

/** Rate of a chosen dose in a solution, lb product/1000 ft2. */
export const rateIn = (dose: DoseVariable, values: ArrayLike<number>): number =>
  dose.leastRateLb + (dose.over === undefined ? 0 : (values[dose.over] ?? 0));
