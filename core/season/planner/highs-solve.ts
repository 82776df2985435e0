import type { Highs } from 'highs';
import type { Milp } from './milp';

/** How a solve stands. */
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
}

export interface SolveLimits {
  /** Proven distance from the optimum at which it is good enough, a share. */
  gap?: number;
  seconds?: number;
  /** Any plan will do. */
  firstFeasible?: boolean;
  /** Solve at once, without simplifying first: faster where the model has no whole numbers. Measured. */
  plain?: boolean;
  /** A plan to start from, values by column name; what is missing is filled in. */
  start?: ReadonlyMap<string, number>;
}

const percent = (gap: number | undefined): number | undefined =>
  gap === undefined || !Number.isFinite(gap) ? undefined : gap * 100;

/** Hands a model to HiGHS. Synchronous: in a browser this belongs in a worker. */
export function solveWithHighs(
  highs: Highs,
  { columns, rows }: Milp,
  limits: SolveLimits = {},
  report: (progress: SolveProgress) => void = () => {},
): SolveResult {
  const bound = (value: number) =>
    value === Infinity ? highs.infinity : value === -Infinity ? -highs.infinity : value;
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const row of rows) {
    indices.push(...row.columns);
    values.push(...row.values);
    starts.push(indices.length);
  }
  const model = highs.createModel({
    numCols: columns.length,
    numRows: rows.length,
    colCost: columns.map((c) => c.cost),
    colLower: columns.map((c) => bound(c.lower)),
    colUpper: columns.map((c) => bound(c.upper)),
    rowLower: rows.map((r) => bound(r.lower)),
    rowUpper: rows.map((r) => bound(r.upper)),
    matrix: { format: 'csr', numRows: rows.length, numCols: columns.length, starts, indices, values },
    integrality: columns.map((c) => (c.integer ? 1 : 0)),
  });
  const { callbackType, modelStatus } = highs.constants;
  try {
    model.options.set({
      output_flag: false,
      mip_rel_gap: limits.gap ?? 1e-4,
      time_limit: limits.seconds ?? 60,
      ...(limits.plain ? { presolve: 'off' as const } : {}),
      ...(limits.firstFeasible ? { mip_max_improving_sols: 1 } : {}),
    });
    if (limits.start) {
      const known = columns.flatMap(({ name }, index) => {
        const value = limits.start?.get(name);
        return value === undefined ? [] : [{ index, value }];
      });
      model.setSolution({ indices: known.map((k) => k.index), values: known.map((k) => k.value) });
    }
    model.run({
      [callbackType.mipImprovingSolution](event) {
        const { running_time = 0, mip_dual_bound, mip_gap, mip_solution, objective_function_value } = event.data;
        report({
          seconds: running_time,
          best: objective_function_value,
          bound: mip_dual_bound,
          gapPercent: percent(mip_gap),
          values: mip_solution,
        });
      },
      [callbackType.mipLogging](event) {
        const { running_time = 0, mip_primal_bound, mip_dual_bound, mip_gap } = event.data;
        report({ seconds: running_time, best: mip_primal_bound, bound: mip_dual_bound, gapPercent: percent(mip_gap) });
      },
    });
    const status = model.getModelStatus();
    if (status === modelStatus.infeasible || status === modelStatus.unboundedOrInfeasible)
      return { status: 'infeasible' };
    const objective = model.getObjectiveValue();
    const solution = model.getSolution();
    const gap = model.info.get('mip_gap') as number;
    const dual = model.info.get('mip_dual_bound') as number;
    const found = Number.isFinite(objective) && solution.colValue.length === columns.length && Number.isFinite(gap);
    if (status === modelStatus.optimal)
      return { status: 'optimal', objective, bound: dual, gapPercent: percent(gap), values: solution.colValue };
    return found
      ? { status: 'feasible', objective, bound: dual, gapPercent: percent(gap), values: solution.colValue }
      : { status: 'unknown' };
  } finally {
    model.dispose();
  }
}
