import type { PlanModel } from './model-parts';
import type { Milp } from './milp';
import {
  type Bounds,
  bounded,
  type Relaxed,
  type SolveLimits,
  type SolveProgress,
  type SolveResult,
  type Solver,
} from './solver';

/** A part of all plans: those within some bounds, and the least objective that any of them can have. */
interface Part {
  bounds: Bounds;
  bound: number;
  /** The part without whole numbers, solved; undefined where the seconds did not suffice. */
  relaxed?: Relaxed;
}

/** A count this close to a whole number is one. */
const WHOLE = 0.02;
/** Parts looked at before what is left goes to the solver's own search: by then counting tells little more. Measured. */
const MOST_PARTS = 80;
/** Longest search among the doses that a relaxation uses, s, and how close it need come, a share. */
const NEAR_SEARCH = { seconds: 4, gap: 0.002 } as const;
/** While the best plan so far is further from the best there is than this share, parts are followed down to a plan first. Measured. */
const FAR = 0.05;

/** Plans to begin with, each made when its turn comes, values by column name. */
export type Beginning = () => ReadonlyMap<string, number> | undefined;

export interface SearchLimits extends Pick<SolveLimits, 'gap' | 'seconds'> {
  begin?: readonly Beginning[];
}

const NONE: Bounds = new Map();

/** Any plan, soon: sought in the weeks that the relaxation uses. */
export function anyPlan(model: PlanModel, solver: Solver, seconds: number): SolveResult {
  const relaxation = solver.relaxation(model.milp);
  try {
    const relaxed = relaxation.under(NONE, seconds);
    if (relaxed.status !== 'optimal') return { status: relaxed.status };
    return solver.solve(nearTo(model, relaxed.values, NONE), { firstFeasible: true, seconds });
  } finally {
    relaxation.end();
  }
}

/** The model with every dose left out that lies in a week which the relaxation leaves alone, under some bounds. */
function nearTo({ milp, doses }: PlanModel, values: ArrayLike<number>, bounds: Bounds): Milp {
  const used = new Set(doses.filter((d) => (values[d.chosen] ?? 0) > 1e-6).map((d) => `${d.zone.zone.id}/${d.week}`));
  const all = new Map(bounds);
  for (const d of doses) if (!used.has(`${d.zone.zone.id}/${d.week}`)) all.set(d.chosen, [0, 0]);
  return bounded(milp, all);
}

const least = (parts: readonly Part[]): Part => parts.reduce((a, b) => (b.bound < a.bound ? b : a));

const isWhole = (value: number): boolean => Math.abs(value - Math.round(value)) <= WHOLE;

/** The two halves of a part on the first of its counts that is not whole: so many or fewer, one more or above. */
function halves({ milp, totals, packages }: PlanModel, { bounds, relaxed }: Part): Bounds[] | undefined {
  if (!relaxed) return undefined;
  const column = [...totals, ...packages].find((c) => !isWhole(relaxed.values[c] ?? 0));
  if (column === undefined) return undefined;
  const own = milp.columns[column] as Milp['columns'][number];
  const [lower, upper] = bounds.get(column) ?? [own.lower, own.upper];
  const value = relaxed.values[column] as number;
  return [
    new Map(bounds).set(column, [lower, Math.floor(value)]),
    new Map(bounds).set(column, [Math.ceil(value), upper]),
  ];
}

/**
 * Finds a plan and proves how good it is. A solver alone proves slowly here, because half a bag in a relaxation costs half
 * a bag; so all plans are first split by what they count: packages bought, trips taken, packages of each product. A
 * relaxation whose counts are whole is close to the truth. The part with the least bound is taken up next (while no good
 * plan is known, the better half of the last). Once its counts are whole, a plan is sought in the weeks that its relaxation
 * uses, and what that does not prove is left to the solver's own search. Every plan is in one of the parts, so the least of
 * their bounds holds for all.
 *
 * @param begin plans to begin with; each that is better than the one before is reported at once
 * @param now clock, s
 * @returns `optimal` within `gap`; `feasible` with the gap that is proven; `infeasible` where no plan can exist; `unknown` where
 * the seconds ended before there was a plan. 130 lb from bags of 50 lb at $45 and 20 lb at $20: one and four bags, $125.
 */
export function splitSearch(
  model: PlanModel,
  solver: Solver,
  { gap = 1e-4, seconds = 60, begin = [] }: SearchLimits,
  report: (progress: SolveProgress) => void = () => {},
  now: () => number = () => performance.now() / 1000,
): SolveResult {
  const from = now();
  const { milp } = model;
  const passed = () => now() - from;
  const remaining = () => Math.max(0.1, seconds - passed());
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
  const take = ({ values, objective }: { values?: Float64Array; objective?: number }) => {
    if (!values || objective === undefined || (best && objective >= best.objective - 1e-9)) return;
    best = { objective, values };
    tell(values);
  };
  const hear = ({ values, best: objective }: SolveProgress) => take({ values, objective });

  for (const beginning of begin) {
    const start = beginning();
    if (start) take(solver.solve(filledFrom(model, start), { gap: 0.05, seconds: NEAR_SEARCH.seconds }));
  }
  const relaxation = solver.relaxation(milp);
  let looked = 0;
  const relax = (bounds: Bounds, of?: Part): Part | undefined => {
    const atLeast = of?.bound ?? -Infinity;
    looked++;
    const relaxed = relaxation.under(bounds, remaining(), of?.relaxed);
    if (relaxed.status === 'infeasible') return undefined;
    if (relaxed.status !== 'optimal') return { bounds, bound: atLeast };
    return { bounds, bound: Math.max(atLeast, relaxed.objective), relaxed };
  };
  /** Seeks a plan where the relaxation has its doses, of the packages it buys and so many more of each. */
  const seekNear = ({ bound: atLeast, relaxed }: Part, more: number) => {
    if (!relaxed) return;
    const packages = new Map(
      model.packages.map((column) => {
        const few = Math.ceil((relaxed.values[column] ?? 0) - WHOLE);
        return [column, [milp.columns[column]?.lower ?? 0, few + more]] as const;
      }),
    );
    const limits = {
      gap: Math.min(gap, NEAR_SEARCH.gap),
      seconds: Math.min(NEAR_SEARCH.seconds, remaining()),
      target: atLeast / (1 - gap),
    };
    take(solver.solve(nearTo(model, relaxed.values, packages), limits, hear));
  };
  try {
    const whole = relax(NONE);
    if (!whole) return { status: 'infeasible' };
    parts = [whole];
    tell();
    if (!best) seekNear(whole, 1);
    let followed: Part[] = [];
    while (parts.length > 0 && distance() > gap && passed() < seconds) {
      const part = least(followed.length > 0 && distance() > FAR ? followed : parts);
      const split = looked < MOST_PARTS ? halves(model, part) : undefined;
      if (split) {
        followed = split.flatMap((bounds) => relax(bounds, part) ?? []);
        parts = [...parts.filter((p) => p !== part), ...followed];
        tell();
        continue;
      }
      followed = [];
      // the very packages of the relaxation often do, and then a plan is there at once
      seekNear(part, 0);
      if (distance() > gap) seekNear(part, 1);
      if (distance() <= gap || passed() >= seconds) break;
      const result = solver.solve(
        bounded(milp, part.bounds),
        { gap, seconds: remaining(), start: startOf(model, part.bounds, best?.values) },
        (progress) => {
          part.bound = Math.max(part.bound, progress.bound ?? -Infinity);
          if (progress.values) hear(progress);
          else tell();
        },
      );
      take(result);
      parts = parts.filter((p) => p !== part);
      // searched to the end, a part holds nothing better than its bound; a part given up keeps the bound it had
      if (result.status !== 'infeasible') closed.push(Math.max(part.bound, result.bound ?? -Infinity));
      if (result.status !== 'optimal' && result.status !== 'infeasible') break;
    }
  } finally {
    relaxation.end();
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
  return bounded(
    milp,
    new Map(
      doses.map(({ chosen }) => {
        const value = start.get(milp.columns[chosen]?.name ?? '') ?? 0;
        return [chosen, [value, value]];
      }),
    ),
  );
}

/** A plan found as a start for the search of a part; undefined where it lies in another. */
function startOf(
  { milp }: PlanModel,
  bounds: Bounds,
  values: Float64Array | undefined,
): Map<string, number> | undefined {
  if (!values) return undefined;
  for (const [column, [lower, upper]] of bounds) {
    const value = values[column] ?? 0;
    if (value < lower - WHOLE || value > upper + WHOLE) return undefined;
  }
  return new Map(milp.columns.map((column, i) => [column.name, values[i] ?? 0]));
}
