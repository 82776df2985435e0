import type { Basis, Highs } from 'highs';
import type { Milp } from './milp';
import type { Relaxation, SolveLimits, SolveProgress, SolveResult, Solver, UnderBounds } from './solver';

const percent = (gap: number | undefined): number | undefined =>
  gap === undefined || !Number.isFinite(gap) ? undefined : gap * 100;

const boundIn = (highs: Highs, value: number): number =>
  value === Infinity ? highs.infinity : value === -Infinity ? -highs.infinity : value;

/** Hands a model over as numbers; `whole` keeps its whole numbers. */
function handOver(highs: Highs, { columns, rows }: Milp, whole: boolean) {
  const bound = (value: number) => boundIn(highs, value);
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const row of rows) {
    indices.push(...row.columns);
    values.push(...row.values);
    starts.push(indices.length);
  }
  return highs.createModel({
    numCols: columns.length,
    numRows: rows.length,
    colCost: columns.map((c) => c.cost),
    colLower: columns.map((c) => bound(c.lower)),
    colUpper: columns.map((c) => bound(c.upper)),
    rowLower: rows.map((r) => bound(r.lower)),
    rowUpper: rows.map((r) => bound(r.upper)),
    matrix: { format: 'csr', numRows: rows.length, numCols: columns.length, starts, indices, values },
    ...(whole ? { integrality: columns.map((c) => (c.integer ? 1 : 0)) } : {}),
  });
}

/**
 * The answer of a model whose rows hold no column, which HiGHS takes for no model at all: nothing on the shelf may be used, or
 * nothing is asked. Each column stands at its cheaper end; a row is kept where 0 lies within it.
 */
function answerWithoutRows({ columns, rows }: Milp): SolveResult | undefined {
  if (rows.some((row) => row.columns.length > 0)) return undefined;
  if (rows.some(({ lower, upper }) => lower > ROW_TOLERANCE || upper < -ROW_TOLERANCE))
    return { status: 'infeasible', work: 0 };
  const values = Float64Array.from(columns, ({ cost, lower, upper }) => {
    const end = cost >= 0 ? lower : upper;
    return Number.isFinite(end) ? end : 0;
  });
  const objective = columns.reduce((sum, { cost }, i) => sum + cost * (values[i] ?? 0), 0);
  return { status: 'optimal', objective, bound: objective, gapPercent: 0, values, work: 0 };
}
/** No single solve takes longer, whatever it is allowed otherwise, s. */
const LAST_GUARD_S = 60;
/** A row counts as kept within this, as HiGHS counts it. */
const ROW_TOLERANCE = 1e-7;

function solve(
  highs: Highs,
  milp: Milp,
  limits: SolveLimits = {},
  report: (progress: SolveProgress) => void = () => {},
): SolveResult {
  const bare = answerWithoutRows(milp);
  if (bare) return bare;
  const { columns } = milp;
  const model = handOver(highs, milp, true);
  const { callbackType, modelStatus } = highs.constants;
  try {
    model.options.set({
      output_flag: false,
      mip_rel_gap: limits.gap ?? 1e-4,
      time_limit: limits.seconds ?? LAST_GUARD_S,
      ...(limits.target === undefined ? {} : { objective_target: limits.target }),
    });
    if (limits.start) {
      // HiGHS refuses a start that passes a bound by a rounding of another search
      const known = columns.flatMap(({ name, lower, upper }, index) => {
        const value = limits.start?.get(name);
        return value === undefined ? [] : [{ index, value: Math.min(upper, Math.max(lower, value)) }];
      });
      model.setSolution({ indices: known.map((k) => k.index), values: known.map((k) => k.value) });
    }
    let work = 0;
    model.run({
      [callbackType.mipInterrupt](event) {
        work = Math.max(work, Number(event.data.mip_total_lp_iterations ?? 0));
        const bound = event.data.mip_dual_bound;
        const proven = limits.enough !== undefined && bound !== undefined && bound >= limits.enough;
        if (proven || (limits.work !== undefined && work > limits.work)) event.interrupt();
      },
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
      return { status: 'infeasible', work };
    const objective = model.getObjectiveValue();
    const solution = model.getSolution();
    const gap = model.info.get('mip_gap') as number;
    const dual = model.info.get('mip_dual_bound') as number;
    const found = Number.isFinite(objective) && solution.colValue.length === columns.length && Number.isFinite(gap);
    if (status === modelStatus.optimal)
      return { status: 'optimal', objective, bound: dual, gapPercent: percent(gap), values: solution.colValue, work };
    return found
      ? { status: 'feasible', objective, bound: dual, gapPercent: percent(gap), values: solution.colValue, work }
      : { status: 'unknown', bound: Number.isFinite(dual) ? dual : undefined, work };
  } finally {
    model.dispose();
  }
}

/** Bounds of a column without a row change what it costs, and nothing else: the least of the model stays a least. */
const relaxedWithoutRows = ({ status, objective = 0, values = new Float64Array() }: SolveResult): Relaxation => ({
  under: () =>
    status === 'optimal' ? { status, objective, values, basis: undefined, work: 0 } : { status: 'infeasible', work: 0 },
  end: () => {},
});

/** HiGHS's own largest count. */
const NO_LIMIT = 2_147_483_647;
/** Perturbing costs saves these models from stalling, but a tenth of the usual is enough and ends in half the time. Measured. */
const LITTLE_PERTURBED = 0.1;

function relaxation(highs: Highs, milp: Milp): Relaxation {
  const bare = answerWithoutRows(milp);
  if (bare) return relaxedWithoutRows(bare);
  const model = handOver(highs, milp, false);
  const { modelStatus } = highs.constants;
  model.options.set({
    output_flag: false,
    // simplifying first would throw away the basis from which the next solve starts
    presolve: 'off',
    dual_simplex_cost_perturbation_multiplier: LITTLE_PERTURBED,
  });
  let changed: number[] = [];
  const setBounds = (column: number, lower: number, upper: number) =>
    model.changeColBounds(column, boundIn(highs, lower), boundIn(highs, upper));
  return {
    under(bounds, limits, from): UnderBounds {
      for (const column of changed) {
        const { lower, upper } = milp.columns[column] as Milp['columns'][number];
        if (!bounds.has(column)) setBounds(column, lower, upper);
      }
      for (const [column, [lower, upper]] of bounds) setBounds(column, lower, upper);
      changed = [...bounds.keys()];
      // the limit is on the clock of all solves together
      model.zeroAllClocks();
      model.options.set('time_limit', limits.seconds ?? LAST_GUARD_S);
      model.options.set('simplex_iteration_limit', Math.max(1, Math.min(NO_LIMIT, Math.ceil(limits.work ?? NO_LIMIT))));
      if (from) model.setBasis(from.basis as Basis);
      model.run();
      const status = model.getModelStatus();
      const work = Number(model.info.get('simplex_iteration_count'));
      if (status === modelStatus.infeasible || status === modelStatus.unboundedOrInfeasible)
        return { status: 'infeasible', work };
      if (status !== modelStatus.optimal) return { status: 'unknown', work };
      return {
        status: 'optimal',
        objective: model.getObjectiveValue(),
        values: Float64Array.from(model.getSolution().colValue),
        basis: model.getBasis(),
        work,
      };
    },
    end: () => model.dispose(),
  };
}

/** HiGHS (WebAssembly) as the planner's solver. */
export const highsSolver = (highs: Highs): Solver => ({
  solve: (milp, limits, report) => solve(highs, milp, limits, report),
  relaxation: (milp) => relaxation(highs, milp),
});
