import { expose } from 'comlink';
import loadHighs, { type Highs } from 'highs';
import wasmUrl from 'highs/runtime?url';
import type { Case } from '@core/formats/case';
import { planSeason } from '@core/season/plan';
import { type BestPlan, planBest, type PlanProgress, warmUp } from '@core/season/planner/plan-best';
import type { PlanWishes } from '@core/season/planner/problem-shape';

/** Longest run that a search started meanwhile waits for, s. */
const WARMING_S = 0.4;

let loading: Promise<Highs> | undefined;
const highs = () => (loading ??= loadHighs({ locateFile: () => wasmUrl }));

/** Finds the best plan off the page's thread. While it works it hears nothing: ending the worker is the stop. */
const solver = {
  /** Fetches the solver and runs it once, so that the first search starts warm. */
  async warm(given: Case, year: number, asOf: string): Promise<void> {
    warmUp(await highs(), given, planSeason(given, year, {}, asOf), WARMING_S);
  },
  async solve(
    given: Case,
    year: number,
    asOf: string,
    wishes: PlanWishes,
    report: (progress: PlanProgress) => void,
    seconds?: number,
  ): Promise<BestPlan> {
    const loaded = await highs();
    const draft = planSeason(given, year, wishes.picked, asOf);
    return planBest(loaded, given, draft, wishes, seconds === undefined ? {} : { seconds }, report);
  },
};

export type SeasonSolver = typeof solver;
expose(solver);
