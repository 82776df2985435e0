import type { PlanModel } from './model-parts';
import type { SolveLimits, SolveProgress, SolveResult } from './highs-solve';
import type { Milp, MilpRow } from './milp';

/** Hands a model to a solver. */
export type Solve = (milp: Milp, limits: SolveLimits, report?: (progress: SolveProgress) => void) => SolveResult;

/** A part of all plans: those that keep to some more rows, and the least objective that any of them can have. */
interface Part {
  rows: MilpRow[];
  bound: number;
  relaxed: ArrayLike<number>;
}

/** Splits before the parts are searched: each costs two linear programs. Measured. */
const MOST_SPLITS = 3;
/** A count this close to a whole number is one. */
const WHOLE = 0.02;
/** Time for a search among the doses that a relaxation uses, s, and how close it need come. */
const NEAR_SEARCH = { seconds: 4, gap: 0.002 } as const;

const relaxed = ({ columns, rows }: Milp): Milp => ({
  columns: columns.map((column) => ({ ...column, integer: false })),
  rows,
});

const between = (columns: readonly number[], lower: number, upper: number): MilpRow => ({
  name: `split_${columns[0]}_${lower === -Infinity ? `to_${upper}` : `from_${lower}`}`,
  lower,
  upper,
  columns: [...columns],
  values: columns.map(() => 1),
});

/** Any plan, soon: sought in the weeks that the relaxation uses. */
export function anyPlan(model: PlanModel, solve: Solve, seconds: number): SolveResult {
  const { status, values } = solve(relaxed(model.milp), { seconds, plain: true });
  if (status !== 'optimal' || !values) return { status };
  return solve(nearTo(model, model.milp.rows, values), { firstFeasible: true, seconds });
}

/** The model with every dose left out that lies in a week which the relaxation leaves alone. */
function nearTo({ milp, doses }: PlanModel, rows: MilpRow[], values: ArrayLike<number>): Milp {
  const used = new Set(doses.filter((d) => (values[d.chosen] ?? 0) > 1e-6).map((d) => `${d.zone.zone.id}/${d.week}`));
  const columns = [...milp.columns];
  for (const d of doses)
    if (!used.has(`${d.zone.zone.id}/${d.week}`))
      columns[d.chosen] = { ...(columns[d.chosen] as Milp['columns'][number]), upper: 0 };
  return { columns, rows };
}

/**
 * Finds a plan and proves how good it is. A solver alone proves slowly here, because half a bag in a relaxation costs half
 * a bag; so the plans are first split by how many packages they buy and how many trips they take, whose relaxations are close
 * to the truth. In each part a plan is first sought in the weeks that the relaxation uses; only what is not proven by then
 * is left to the solver's own search. Every plan is in one of the parts, so the least of their bounds holds for all.
 */
export function splitSearch(
  model: PlanModel,
  solve: Solve,
  { gap = 1e-4, seconds = 60, start }: SolveLimits,
  report: (progress: SolveProgress) => void = () => {},
  now: () => number = () => performance.now() / 1000,
): SolveResult {
  const from = now();
  const { milp, counts } = model;
  const passed = () => now() - from;
  let best: { objective: number; values: Float64Array } | undefined;
  let parts: Part[] = [];
  const closed: number[] = [];
  // nothing is proven while no part has been looked at
  const bound = () => {
    const known = [...parts.map((p) => p.bound), ...closed];
    return known.length > 0 ? Math.min(...known) : -Infinity;
  };
  const distance = () => {
    if (!best) return Infinity;
    return Math.max(0, best.objective - bound()) / Math.max(1e-9, Math.abs(best.objective));
  };
  const gapPercent = () => (Number.isFinite(distance()) ? distance() * 100 : undefined);
  const tell = (values?: Float64Array) =>
    report({
      seconds: passed(),
      best: best?.objective,
      bound: Number.isFinite(bound()) ? bound() : undefined,
      gapPercent: gapPercent(),
      values,
    });
  const take = (values: Float64Array | undefined, objective: number | undefined) => {
    if (!values || objective === undefined || (best && objective >= best.objective - 1e-9)) return;
    best = { objective, values };
    tell(values);
  };
  const relax = (rows: MilpRow[]): Part | undefined => {
    const { status, objective, values } = solve(relaxed({ columns: milp.columns, rows }), {
      seconds: Math.max(0.1, seconds - passed()),
      plain: true,
    });
    if (status === 'infeasible') return undefined;
    return values && objective !== undefined && status === 'optimal'
      ? { rows, bound: objective, relaxed: values }
      : { rows, bound: -Infinity, relaxed: [] };
  };
  const near = (part: Part) => {
    if (part.relaxed.length === 0) return;
    const found = solve(
      nearTo(model, part.rows, part.relaxed),
      { ...NEAR_SEARCH, seconds: Math.min(NEAR_SEARCH.seconds, Math.max(0.1, seconds - passed())) },
      (progress) => take(progress.values, progress.best),
    );
    take(found.values, found.objective);
  };

  if (start) {
    const begun = solve(filledFrom(model, start), { gap: 0.05, seconds: NEAR_SEARCH.seconds });
    take(begun.values, begun.objective);
  }
  const whole = relax(milp.rows);
  if (!whole) return { status: 'infeasible' };
  parts = [whole];
  tell();
  near(whole);
  for (let splits = 0; splits < MOST_SPLITS && distance() > gap && passed() < seconds / 2; splits++) {
    const part = parts.reduce((least, p) => (p.bound < least.bound ? p : least));
    const count = counts.find((columns) => {
      const sum = columns.reduce((total, column) => total + (part.relaxed[column] ?? 0), 0);
      return Math.abs(sum - Math.round(sum)) > WHOLE;
    });
    if (!count) break;
    const sum = count.reduce((total, column) => total + (part.relaxed[column] ?? 0), 0);
    const halves = [between(count, -Infinity, Math.floor(sum)), between(count, Math.ceil(sum), Infinity)];
    parts = [...parts.filter((p) => p !== part), ...halves.flatMap((row) => relax([...part.rows, row]) ?? [])];
    if (parts.length === 0) return { status: 'infeasible' };
    tell();
    const least = parts.reduce((a, b) => (b.bound < a.bound ? b : a));
    if (distance() > gap) near(least);
  }
  while (parts.length > 0 && distance() > gap && passed() < seconds) {
    const part = parts.reduce((least, p) => (p.bound < least.bound ? p : least));
    const result = solve(
      { columns: milp.columns, rows: part.rows },
      { gap, seconds: Math.max(0.1, seconds - passed()), start: startOf(model, best?.values) },
      (progress) => {
        part.bound = Math.max(part.bound, progress.bound ?? -Infinity);
        if (progress.values) take(progress.values, progress.best);
        else tell();
      },
    );
    take(result.values, result.objective);
    parts = parts.filter((p) => p !== part);
    // searched to the end, a part holds nothing better than its bound; a part given up keeps the bound it had
    if (result.status !== 'infeasible') closed.push(Math.max(part.bound, result.bound ?? -Infinity));
    if (result.status !== 'optimal' && result.status !== 'infeasible') break;
  }
  if (!best) return { status: parts.length === 0 && closed.length === 0 ? 'infeasible' : 'unknown' };
  return {
    status: distance() <= gap + 1e-9 ? 'optimal' : 'feasible',
    objective: best.objective,
    bound: bound(),
    gapPercent: gapPercent(),
    values: best.values,
  };
}

/** The model with its doses where a start has them: purchases and rates are left to be filled in. */
function filledFrom({ milp, doses }: PlanModel, start: ReadonlyMap<string, number>): Milp {
  const columns = [...milp.columns];
  for (const { chosen } of doses) {
    const column = columns[chosen] as Milp['columns'][number];
    const value = start.get(column.name) ?? 0;
    columns[chosen] = { ...column, lower: value, upper: value };
  }
  return { columns, rows: milp.rows };
}

/** A plan found as a start for the next search. */
const startOf = ({ milp }: PlanModel, values: Float64Array | undefined): Map<string, number> | undefined =>
  values && new Map(milp.columns.map((column, i) => [column.name, values[i] ?? 0]));
