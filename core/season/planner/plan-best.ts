import type { Highs } from 'highs';
import type { Case, PlannedDose } from '../../records/case';
import type { SeasonPlan } from '../plan/season-plan';
import { aboutDraft, filledFrom } from './beginnings';
import { buildModel } from './build-model';
import { highsSolver } from './highs-solver';
import { planProblem } from './problem';
import type { PlanWishes } from './problem-shape';
import { readSolution } from './read-solution';
import type { SolveLimits, SolveProgress } from './solver';
import { splitSearch } from './split-search';
import { zoneByZone } from './zone-by-zone';

/** What comes of asking for the best plan. */
export interface BestPlan {
  /** `drafted`: nothing was found in the limit of work, and the plain draft stands. */
  status: 'optimal' | 'feasible' | 'no-climate' | 'drafted';
  doses: PlannedDose[];
  /** Proven distance from the optimum, percent. */
  gapPercent?: number;
  objective?: number;
  /** Simplex iterations that the search took. */
  work?: number;
  /** Schools that must not be followed here, in words. */
  setAside: string[];
}

/** How the search stands, with the doses of a better plan where one was just found. */
export interface PlanProgress extends Omit<SolveProgress, 'values'> {
  doses?: PlannedDose[];
}

/** A plan within two percent of the best is as good as the best: prices and growth are not known closer. Decision. */
export const GOOD_ENOUGH_GAP = 0.02;
/** Most work of a search before the best so far is taken, simplex iterations: about half a minute of a usual machine. Measured. */
export const MOST_WORK = 40_000;
/** The last guard, where a machine is far slower, s. */
export const LONGEST_SEARCH_S = 300;
/** How a property of several zones is begun: zone after zone, each within a few percent of its own best. Work in simplex iterations. Measured. */
const ZONE_ALONE = { gap: 0.05, work: 2_000 } as const;

/**
 * Finds the best plan of a property's year: builds the model, has it solved, reads the doses. Synchronous; `report` hears of
 * every better plan on the way.
 */
export function planBest(
  highs: Highs,
  given: Case,
  plan: SeasonPlan,
  wishes: PlanWishes = {},
  limits: Pick<SolveLimits, 'gap' | 'work' | 'seconds'> = {},
  report: (progress: PlanProgress) => void = () => {},
): BestPlan {
  const problem = planProblem(given, plan, wishes);
  if (!problem) return { status: 'no-climate', doses: [], setAside: [] };
  const model = buildModel(problem);
  const setAside = problem.zones.flatMap((z) => z.schools.setAside);
  const solver = highsSolver(highs);
  const drafted = plan.zones.flatMap((z) => z.doses);
  const begin = [
    ...(problem.stay.length > 0 ? [() => aboutDraft(problem, model, problem.stay)] : []),
    () => aboutDraft(problem, model, drafted),
    ...(problem.zones.length > 1
      ? [
          () => {
            const start = zoneByZone(problem, (part) => splitSearch(part, solver, ZONE_ALONE));
            return start && filledFrom(model, start);
          },
        ]
      : []),
  ];
  const { values, ...result } = splitSearch(
    model,
    solver,
    { gap: GOOD_ENOUGH_GAP, work: MOST_WORK, seconds: LONGEST_SEARCH_S, begin, ...limits },
    ({ values: better, ...progress }) =>
      report({ ...progress, doses: better ? readSolution(problem, model, better) : undefined }),
  );
  if (!values || result.status === 'unknown' || result.status === 'infeasible')
    return { status: 'drafted', doses: [], setAside };
  return {
    status: result.status,
    doses: readSolution(problem, model, values),
    gapPercent: result.gapPercent,
    objective: result.objective,
    work: result.work,
    setAside,
  };
}

/**
 * Runs the search once over the first zone and throws the answer away: code that has run before runs several times as fast.
 */
export function warmUp(highs: Highs, given: Case, plan: SeasonPlan, seconds: number): void {
  const problem = planProblem({ ...given, zones: given.zones.slice(0, 1) }, { ...plan, zones: plan.zones.slice(0, 1) });
  if (!problem || problem.zones.length === 0) return;
  splitSearch(buildModel(problem), highsSolver(highs), {
    gap: 0.5,
    seconds,
  });
}
