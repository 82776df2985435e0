import type { Milp } from './milp';

/** How a search stands. */
export interface SolveProgress {
  seconds: number;
  /** Objective of the best plan so far, and the least that any plan could still have. */
  best?: number;
  bound?: number;
  /** Proven distance of the best so far from the optimum, percent. */
  gapPercent?: number;
  /** Values of a better plan, where this report brings one. */
  values?: Float64Array;
}

export interface SolveResult {
  status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  objective?: number;
  bound?: number;
  gapPercent?: number;
  values?: Float64Array;
  /** Simplex iterations that it took. */
  work: number;
}

export interface SolveLimits {
  /** Proven distance from the optimum at which it is good enough, a share. */
  gap?: number;
  /** Most simplex iterations: work, not time, ends a search, so that every machine finds the same plan under any load (E4). */
  work?: number;
  /** The last guard, s. */
  seconds?: number;
  /** An objective that is good enough, whatever else there is. */
  target?: number;
  /** A bound that is proof enough: a search whose plans are all proven to cost as much may end. */
  enough?: number;
  /** A plan to start from, values by column name; what is missing is filled in. */
  start?: ReadonlyMap<string, number>;
}

/** Least and most of some columns, in place of the model's own. */
export type Bounds = ReadonlyMap<number, readonly [lower: number, upper: number]>;

/** A relaxation solved: from its basis, the solver's own, others like it are soon solved. */
export interface Relaxed {
  status: 'optimal';
  objective: number;
  values: Float64Array;
  basis: unknown;
}

/** What a relaxation comes to under some bounds, and the simplex iterations that it took. */
export type UnderBounds = (Relaxed | { status: 'infeasible' } | { status: 'unknown' }) & { work: number };

/** A model without its whole numbers, kept by the solver so that it is soon solved again under other bounds. */
export interface Relaxation {
  /** The least objective under some bounds; `infeasible`, or `unknown` where the limits did not suffice. */
  under(bounds: Bounds, limits: Pick<SolveLimits, 'work' | 'seconds'>, from?: Relaxed): UnderBounds;
  /** Gives its memory back. */
  end(): void;
}

/** Whatever solves mixed-integer models for the planner. Synchronous: in a browser it belongs in a worker. */
export interface Solver {
  solve(milp: Milp, limits?: SolveLimits, report?: (progress: SolveProgress) => void): SolveResult;
  relaxation(milp: Milp): Relaxation;
}

/** Bounds that hold whole columns where some values have them. */
export const held = (columns: readonly number[], valueOf: (column: number) => number | undefined): Bounds =>
  new Map(
    columns.map((column) => {
      const value = Math.round(valueOf(column) ?? 0);
      return [column, [value, value]];
    }),
  );

/** The model under other bounds. */
export const bounded = ({ columns, rows }: Milp, bounds: Bounds): Milp => {
  const changed = [...columns];
  for (const [column, [lower, upper]] of bounds)
    changed[column] = { ...(columns[column] as Milp['columns'][number]), lower, upper };
  return { columns: changed, rows };
};
