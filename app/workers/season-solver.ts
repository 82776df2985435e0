import { expose } from 'comlink';
import loadHighs, { type Highs } from 'highs';
import wasmUrl from 'highs/runtime?url';
import type { Case } from '@core/records/case';
import { planSeason } from '@core/season/draft/plan-season';
import { type BestPlan, planBest, type PlanProgress, warmUp } from '@core/season/planner/plan-best';
import type { PlanWishes } from '@core/season/planner/problem-shape';

/** Longest run that a search started meanwhile waits for, s, and how many of them make the code quick. Measured. */
const WARMING = { seconds: 0.4, runs: 4 } as const;
let asked = false;

let loading: Promise<Highs> | undefined;
const highs = () => (loading ??= loadHighs({ locateFile: () => wasmUrl }));

/** Finds the best plan off the page's thread. While it works it hears nothing: ending the worker is the stop. */
const solver = {
  here: (): true => true,

  /** Fetches the solver and runs it a few times, so that the first search starts warm; a search that is asked for goes first. */
  async warm(given: Case, year: number, asOf: string): Promise<void> {
    const loaded = await highs();
    const draft = planSeason(given, year, {}, asOf);
    for (let run = 0; run < WARMING.runs && !asked; run++) {
      warmUp(loaded, given, draft, WARMING.seconds);
      await new Promise((heard) => setTimeout(heard));
    }
  },
  async solve(
    given: Case,
    year: number,
    asOf: string,
    wishes: PlanWishes,
    report: (progress: PlanProgress) => void,
    seconds?: number,
  ): Promise<BestPlan> {
    asked = true;
    const loaded = await highs();
    const draft = planSeason(given, year, wishes.picked, asOf, wishes.packs);
    return planBest(loaded, given, draft, wishes, seconds === undefined ? {} : { seconds }, report);
  },
};

export type SeasonSolver = typeof solver;
expose(solver);
