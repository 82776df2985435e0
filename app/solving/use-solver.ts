import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Case, PlannedDose } from '@core/records/case';
import type { BestPlan, PlanProgress } from '@core/season/planner/plan-best';
import type { PlanWishes } from '@core/season/planner/problem-shape';
import { type Link, linkWorker } from '../workers/worker-link';
import type { SeasonSolver } from '../workers/season-solver';

/** A search under way: what is known of it so far. */
export interface Search {
  seconds: number;
  best?: number;
  bound?: number;
  gapPercent?: number;
  /** Doses of the best plan so far. */
  doses?: PlannedDose[];
}

/** What is known of a search under way, told to the line that shows it and to nobody else: the board draws nothing anew for it. */
export class SearchProgress {
  #now: Search | undefined;
  #heard = new Set<() => void>();
  now = (): Search | undefined => this.#now;
  tell = (search: Search | undefined): void => {
    this.#now = search;
    for (const hear of this.#heard) hear();
  };
  hear = (listener: () => void): (() => void) => {
    this.#heard.add(listener);
    return () => this.#heard.delete(listener);
  };
}

export type Found = BestPlan | { status: 'stopped'; doses: PlannedDose[]; gapPercent?: number };

const start = (): Link<SeasonSolver> =>
  linkWorker<SeasonSolver>(
    () => new Worker(new URL('../workers/season-solver.ts', import.meta.url), { type: 'module' }),
  );

/**
 * Runs the planner in a worker. `solve` answers with the best plan; `stop` ends the search at once and lets it answer
 * with the best so far and the gap proven for it. Readied when the page opens, so that the first search starts warm.
 */
export function useSolver(given: Case, year: number, asOf: string) {
  const running = useRef<Link<SeasonSolver> | undefined>(undefined);
  const settle = useRef<((found: Found) => void) | undefined>(undefined);
  const [progress] = useState(() => new SearchProgress());
  const [searching, setSearching] = useState(false);

  const end = useCallback(() => {
    running.current?.end();
    running.current = undefined;
  }, []);

  useEffect(() => {
    running.current = start();
    // a solver that cannot be fetched says so when it is asked
    running.current.call((solver) => solver.warm(given, year, asOf)).catch(() => undefined);
    return end;
    // warmed once, with the property as it is when the page opens
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [end]);

  const solve = useCallback(
    async (given: Case, year: number, asOf: string, wishes: PlanWishes, seconds?: number): Promise<Found> => {
      running.current ??= start();
      const link = running.current;
      progress.tell({ seconds: 0 });
      setSearching(true);
      let ended = false;
      const report = (heard: PlanProgress) => {
        // reports travel on a channel of their own, and the last may come in after the answer
        if (ended) return;
        const before = progress.now();
        progress.tell({ ...before, ...heard, doses: heard.doses ?? before?.doses });
      };
      try {
        return await new Promise<Found>((resolve, reject) => {
          settle.current = resolve;
          link.call((solver) => solver.solve(given, year, asOf, wishes, proxy(report), seconds)).then(resolve, reject);
        });
      } catch (trouble) {
        // one that did not start, or died, is not asked again: the next search gets a new one
        if (running.current === link) end();
        throw trouble;
      } finally {
        ended = true;
        settle.current = undefined;
        progress.tell(undefined);
        setSearching(false);
      }
    },
    [end, progress],
  );

  const stop = useCallback(() => {
    const { doses, gapPercent } = progress.now() ?? {};
    end();
    settle.current?.({ status: 'stopped', doses: doses ?? [], gapPercent });
    running.current = start();
    running.current.call((solver) => solver.warm(given, year, asOf)).catch(() => undefined);
  }, [end, progress, given, year, asOf]);

  return { searching, progress, solve, stop };
}
