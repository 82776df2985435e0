import type { PlanModel } from './model-parts';
import type { Milp } from './milp';
import { type Keep, sameBags, turnsOf } from './turns';
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
  /** The part without whole numbers, solved; undefined where the work did not suffice. */
  relaxed?: Relaxed;
  /** Work that its search may take when its turn comes, simplex iterations. */
  work?: number;
}

/** A count this close to a whole number is one. */
const WHOLE = 0.02;
/**
 * Work of the search of a part whose products are settled, simplex iterations: so much at first, and this many times more whenever its
 * turn comes again. Parts that look good and are not cost little, and the one with the best plan is found among them. Measured.
 */
const LEAF_WORK = { first: 4_000, times: 4 } as const;
/** Rows of a model whose iterations count once; larger ones count by the root of theirs. Measured. */
const USUAL_ROWS = 1000;
const LEAST_DEAR = 0.5;
/** An iteration of a bare relaxation is lighter than one of a search, which cuts, rounds and tries. Measured. */
const LIGHTER = 0.35;
/** Most work of a search among the doses that a relaxation uses, simplex iterations, and how close it need come, a share. */
const NEAR_SEARCH = { work: 12_000, gap: 0.002 } as const;
/** Most work of a search among the few doses of a beginning, simplex iterations, and how close it need come, a share. Measured. */
const BEGIN_SEARCH = { work: 4_000, gap: 0.05 } as const;
/** So many products in a row that cannot be sifted out, and no more are tried. Measured. */
const SIFTS_IN_VAIN = 3;
/** This share of the work goes into the proof; where it has not come by then, the rest betters the plan, so much work a turn. Measured. */
const PROOF_SHARE = 0.6;
const TURN_WORK = 3_000;
/** Most work of the last look at the weeks of the plan found, and how close it need come. Measured. */
const LAST_LOOK = { work: 4_000, gap: 0.002 } as const;
/** While the best plan so far is further from the best there is than this share, parts are followed down to a plan first. Measured. */
const FAR = 0.05;
/** A product that a relaxation uses less than this is no part of its shelf. */
const HARDLY_USED = 0.05;

/** Where to begin, made when its turn comes: bounds that leave a search little to choose. */
export type Beginning = () => Bounds | undefined;

export interface SearchLimits extends Pick<SolveLimits, 'gap' | 'work' | 'seconds'> {
  begin?: readonly Beginning[];
}

const NONE: Bounds = new Map();

/** Bounds that leave a search only the products which a relaxation uses. */
const shelfOf = ({ uses }: PlanModel, values: ArrayLike<number>): Map<number, readonly [number, number]> =>
  new Map([...uses.values()].flatMap((column) => ((values[column] ?? 0) < HARDLY_USED ? [[column, [0, 0]]] : [])));

/** The model with every dose left out that lies in a week which the relaxation leaves alone, under some bounds. */
function nearTo({ milp, doses }: PlanModel, values: ArrayLike<number>, bounds: Bounds): Milp {
  const used = new Set(doses.filter((d) => (values[d.chosen] ?? 0) > 1e-6).map((d) => `${d.zone.zone.id}/${d.week}`));
  const all = new Map(bounds);
  for (const d of doses) if (!used.has(`${d.zone.zone.id}/${d.week}`)) all.set(d.chosen, [0, 0]);
  return bounded(milp, all);
}

const least = (parts: readonly Part[]): Part => parts.reduce((a, b) => (b.bound < a.bound ? b : a));

const isWhole = (value: number): boolean => Math.abs(value - Math.round(value)) <= WHOLE;

/** The two halves of a part on a count that is not whole: so many or fewer, one more or above. */
function halves({ milp }: PlanModel, { bounds, relaxed }: Part, column: number): Bounds[] {
  const own = milp.columns[column] as Milp['columns'][number];
  const [lower, upper] = bounds.get(column) ?? [own.lower, own.upper];
  const value = relaxed?.values[column] ?? 0;
  return [
    new Map(bounds).set(column, [lower, Math.floor(value)]),
    new Map(bounds).set(column, [Math.ceil(value), upper]),
  ];
}

/**
 * Finds a plan and proves how good it is. A solver alone proves slowly here, because half a bag in a relaxation costs half a bag, and the
 * more bags stand on the shelf the more halves there are. So first the shelf is sifted: a product that no plan can use and still be
 * better than the best known is dropped, with that proof. Then all plans are split by what they count: products used, packages bought,
 * trips taken, packages of each product. A relaxation whose counts are whole is close to the truth. The part with the least bound is taken
 * up next (while no good plan is known, the better half of the last). Once its counts are whole, a plan is sought in the weeks that its
 * relaxation uses, and what that does not prove is left to the solver's own search. Every plan is in one of the parts, so the least of
 * their bounds holds for all. Where the proof has not come in its share of the work, the rest betters the plan turn and turn about; at last
 * weeks and rates are sought once more for the bags of the plan.
 *
 * @param begin where to begin, few doses each; a plan that is better than the one before is reported at once
 * @param now clock, s: only for what is reported and for the last guard
 * @returns `optimal` within `gap`; `feasible` with the gap that is proven; `infeasible` where no plan can exist; `unknown` where
 * the work ended before there was a plan. 130 lb from bags of 50 lb at $45 and 20 lb at $20: one and four bags, $125.
 */
export function splitSearch(
  model: PlanModel,
  solver: Solver,
  { gap = 1e-4, work = Infinity, seconds = 60, begin = [] }: SearchLimits,
  report: (progress: SolveProgress) => void = () => {},
  now: () => number = () => performance.now() / 1000,
): SolveResult {
  const from = now();
  const { milp } = model;
  const passed = () => now() - from;
  // an iteration of a large model is dearer than one of a small
  const dear = Math.max(LEAST_DEAR, Math.sqrt(milp.rows.length / USUAL_ROWS));
  let spent = 0;
  /** What is left of the limits, for a solve that may have so much of the work. */
  const left = (most = Infinity) => ({
    work: Math.max(1, Math.min(most, (work - spent) / dear)),
    seconds: Math.max(0.1, seconds - passed()),
  });
  const over = () => spent >= work || passed() >= seconds;
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
  const solve = (under: Milp, limits: SolveLimits, listen?: (progress: SolveProgress) => void): SolveResult => {
    const result = solver.solve(under, { ...limits, ...left(limits.work) }, listen);
    spent += result.work * dear;
    take(result);
    return result;
  };

  for (const beginning of begin) {
    const start = beginning();
    if (start) solve(bounded(milp, start), { gap: BEGIN_SEARCH.gap, work: BEGIN_SEARCH.work }, hear);
  }
  const relaxation = solver.relaxation(milp);
  const relax = (bounds: Bounds, of?: Part): Part | undefined => {
    const atLeast = of?.bound ?? -Infinity;
    const relaxed = relaxation.under(bounds, left(), of?.relaxed);
    spent += relaxed.work * dear * LIGHTER;
    if (relaxed.status === 'infeasible') return undefined;
    if (relaxed.status !== 'optimal') return { bounds, bound: atLeast };
    return { bounds, bound: Math.max(atLeast, relaxed.objective), relaxed };
  };
  /** Seeks a plan where the relaxation has its doses, of the packages it buys and so many more of each. */
  const seekNear = ({ bounds, bound: atLeast, relaxed }: Part, more: number) => {
    if (!relaxed) return;
    const near = new Map([...bounds, ...shelfOf(model, relaxed.values)]);
    for (const column of model.packages) {
      const few = Math.ceil((relaxed.values[column] ?? 0) - WHOLE);
      near.set(column, [milp.columns[column]?.lower ?? 0, few + more]);
    }
    solve(
      nearTo(model, relaxed.values, near),
      { gap: Math.min(gap, NEAR_SEARCH.gap), work: NEAR_SEARCH.work, target: atLeast / (1 - gap) },
      hear,
    );
  };
  /** Bounds that every better plan keeps: products that none of them uses, and such as all of them do. */
  const sifted = new Map<number, readonly [number, number]>();
  const sift = (whole: Part): Part | undefined => {
    const values = whole.relaxed?.values;
    if (!values || !best) return whole;
    const byUse = [...model.uses.values()].sort((a, b) => (values[a] ?? 0) - (values[b] ?? 0));
    let inVain = 0;
    for (const column of byUse) {
      if (over() || inVain >= SIFTS_IN_VAIN || sifted.has(column)) continue;
      const used = (values[column] ?? 0) > 0.5;
      const other = relax(new Map(sifted).set(column, used ? [0, 0] : [1, 1]), whole);
      if (other && other.bound < (best as { objective: number }).objective * (1 - gap)) {
        inVain++;
        continue;
      }
      inVain = 0;
      sifted.set(column, used ? [1, 1] : [0, 0]);
      if (other) closed.push(other.bound);
    }
    return relax(sifted, whole);
  };
  /** Seeks better than the plan so far with some of it kept. */
  const better = (keep: Keep, limits: SolveLimits) => {
    if (!best || over()) return;
    const bounds = keep(best.values);
    solve(bounded(milp, bounds), { ...limits, start: startOf(model, bounds, best.values) }, hear);
  };
  /** Turn and turn about: the best shelf for the weeks of the plan so far, then the best weeks for that shelf, and so on. */
  const takeTurns = () => {
    for (let before = Infinity; best && best.objective < before * (1 - gap / 4) && distance() > gap && !over();) {
      before = best.objective;
      for (const keep of turnsOf(model)) if (distance() > gap) better(keep, { gap: gap / 2, work: TURN_WORK });
    }
  };
  try {
    const whole = relax(NONE);
    if (!whole) return { status: 'infeasible', work: spent };
    parts = [whole];
    tell();
    if (!best) seekNear(whole, 1);
    const worthwhile = distance() > gap ? sift(whole) : whole;
    parts = worthwhile ? [worthwhile] : [];
    tell();
    let followed: Part[] = [];
    const replace = (part: Part, by: readonly Part[]) => {
      parts = [...parts.filter((p) => p !== part), ...by];
      followed = [...by];
      tell();
    };
    /** A part whose products are whole: those of its relaxation alone, and beside it the parts that use another one as well. */
    const byShelf = (part: Part, others: readonly number[]) => {
      const base = new Map(part.bounds);
      const beside: Part[] = [];
      for (const column of others) {
        const one = relax(new Map(base).set(column, [1, 1]), part);
        base.set(column, [0, 0]);
        if (one && best && one.bound >= best.objective * (1 - gap)) closed.push(one.bound);
        else if (one) beside.push(one);
      }
      const alone: Part = { ...part, bounds: base };
      replace(part, [alone, ...beside]);
      followed = [alone];
    };
    while (parts.length > 0 && distance() > gap && !over() && spent < work * PROOF_SHARE) {
      const part = least(followed.length > 0 && distance() > FAR ? followed : parts);
      const values = part.relaxed?.values;
      const uses = [...model.uses.values()];
      const between = uses
        .filter((column) => values && !isWhole(values[column] ?? 0))
        .sort((x, y) => Math.abs((values?.[x] ?? 0) - 0.5) - Math.abs((values?.[y] ?? 0) - 0.5))[0];
      if (between !== undefined) {
        replace(
          part,
          halves(model, part, between).flatMap((bounds) => relax(bounds, part) ?? []),
        );
        continue;
      }
      const others = uses.filter((column) => values && (values[column] ?? 0) < 0.5 && !part.bounds.has(column));
      if (others.length > 0) {
        byShelf(part, others);
        continue;
      }
      const count = [...model.totals, ...model.packages].find((column) => values && !isWhole(values[column] ?? 0));
      if (count !== undefined) {
        replace(
          part,
          halves(model, part, count).flatMap((bounds) => relax(bounds, part) ?? []),
        );
        continue;
      }
      followed = [];
      const result = solve(
        bounded(milp, part.bounds),
        {
          gap,
          work: part.work ?? LEAF_WORK.first,
          enough: best && best.objective * (1 - gap),
          start: startOf(model, part.bounds, best?.values),
        },
        (progress) => {
          part.bound = Math.max(part.bound, progress.bound ?? -Infinity);
          if (progress.values) hear(progress);
          else tell();
        },
      );
      parts = parts.filter((p) => p !== part);
      part.bound = Math.max(part.bound, result.bound ?? -Infinity);
      const proven = best && part.bound >= best.objective * (1 - gap);
      if (result.status === 'optimal' || proven) closed.push(part.bound);
      // a part that holds nothing at all leaves no bound; one that was given up waits with what it has learned
      else if (result.status !== 'infeasible')
        parts.push({ ...part, work: (part.work ?? LEAF_WORK.first) * LEAF_WORK.times });
      tell();
    }
    takeTurns();
    better(sameBags(model), { gap: Math.min(gap, LAST_LOOK.gap), work: LAST_LOOK.work });
  } finally {
    relaxation.end();
  }
  if (!best) return { status: parts.length === 0 && closed.length === 0 ? 'infeasible' : 'unknown', work: spent };
  return {
    status: distance() <= gap + 1e-9 ? 'optimal' : 'feasible',
    objective: best.objective,
    bound: bound(),
    gapPercent: gapPercent(),
    values: best.values,
    work: spent,
  };
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
