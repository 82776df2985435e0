import type { Highs } from 'highs';
import type { Case, PlannedDose } from '../../records/case';
import type { SeasonPlan } from '../plan/season-plan';
import { buildModel } from './build-model';
import { type Conflict, explainConflict } from './conflicts';
import { highsSolver } from './highs-solver';
import { planProblem } from './problem';
import type { PlanWishes } from './problem-shape';
import { readSolution } from './read-solution';
import type { SolveLimits, SolveProgress } from './solver';
import { anyPlan, splitSearch } from './split-search';
import { zoneByZone } from './zone-by-zone';

/** What comes of asking for the best plan. */
export interface BestPlan {
  status: 'optimal' | 'feasible' | 'infeasible' | 'no-climate' | 'no-plan-in-time';
  doses: PlannedDose[];
  /** Proven distance from the optimum, percent. */
  gapPercent?: number;
  objective?: number;
  conflict?: Conflict;
  /** Schools that must not be followed here, in words. */
  setAside: string[];
}

/** How the search stands, with the doses of a better plan where one was just found. */
export interface PlanProgress extends Omit<SolveProgress, 'values'> {
  doses?: PlannedDose[];
}

/** A plan within one percent of the best is as good as the best: prices and growth are not known closer. Decision. */
export const GOOD_ENOUGH_GAP = 0.01;
/** Longest search before the best so far is taken, s. */
export const LONGEST_SEARCH_S = 30;
/** Each search for what would free a plan, s. */
const CONFLICT_SEARCH_S = 4;
/** A relaxation is called the least only where no other is proven smaller by more than this share: less than its words show. */
const PROVEN_LEAST_GAP = 0.02;
/** Longest search for a first plan of one zone, s. */
const ZONE_SEARCH_S = 2;
/** So many zones are planned together in a few seconds; a property of more than twice as many is begun in such groups too. Measured. */
const GROUP = { zones: 4, search: { gap: 0.02, seconds: 4 } } as const;

/**
 * Finds the best plan of a property's year: builds the model, has it solved, reads the doses, and where none exists
 * explains why. Synchronous; `report` hears of every better plan on the way.
 */
export function planBest(
  highs: Highs,
  given: Case,
  plan: SeasonPlan,
  wishes: PlanWishes = {},
  { conflictSeconds, ...limits }: Pick<SolveLimits, 'gap' | 'seconds'> & { conflictSeconds?: number } = {},
  report: (progress: PlanProgress) => void = () => {},
): BestPlan {
  const problem = planProblem(given, plan, wishes);
  if (!problem) return { status: 'no-climate', doses: [], setAside: [] };
  const model = buildModel(problem);
  const setAside = problem.zones.flatMap((z) => z.schools.setAside);
  const solver = highsSolver(highs);
  const zones = problem.zones.length;
  const begin = [
    ...(zones > 1 ? [() => zoneByZone(problem, 1, (part) => anyPlan(part, solver, ZONE_SEARCH_S))] : []),
    ...(zones > 2 * GROUP.zones
      ? [() => zoneByZone(problem, GROUP.zones, (part) => splitSearch(part, solver, GROUP.search))]
      : []),
  ];
  const { values, ...result } = splitSearch(
    model,
    solver,
    { gap: GOOD_ENOUGH_GAP, seconds: LONGEST_SEARCH_S, begin, ...limits },
    ({ values: better, ...progress }) =>
      report({ ...progress, doses: better ? readSolution(problem, model, better) : undefined }),
  );
  if (result.status === 'infeasible') {
    const conflict = explainConflict(problem, (milp) =>
      solver.solve(milp, { gap: PROVEN_LEAST_GAP, seconds: conflictSeconds ?? CONFLICT_SEARCH_S }),
    );
    return { status: 'infeasible', doses: [], conflict, setAside };
  }
  if (!values || result.status === 'unknown') return { status: 'no-plan-in-time', doses: [], setAside };
  return {
    status: result.status,
    doses: readSolution(problem, model, values),
    gapPercent: result.gapPercent,
    objective: result.objective,
    setAside,
  };
}

/**
 * Runs the search once over the first zone and throws the answer away: code that has run before runs several times as fast.
 * Explains no conflict, so that it ends within its seconds.
 */
export function warmUp(highs: Highs, given: Case, plan: SeasonPlan, seconds: number): void {
  const problem = planProblem({ ...given, zones: given.zones.slice(0, 1) }, { ...plan, zones: plan.zones.slice(0, 1) });
  if (!problem || problem.zones.length === 0) return;
  splitSearch(buildModel(problem), highsSolver(highs), {
    gap: 0.5,
    seconds,
  });
}
