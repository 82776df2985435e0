import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Case, PlannedDose } from '@core/records/case';
import type { BestPlan, PlanProgress } from '@core/season/planner/plan-best';
import type { PlanWishes } from '@core/season/planner/problem-shape';
import { type Link, linkWorker } from '../../../workers/worker-link';
import type { SeasonSolver } from '../../../workers/season-solver';

/** A search under way: what is known of it so far. */
export interface Search {
  seconds: number;
  best?: number;
  bound?: number;
  gapPercent?: number;
  /** Doses of the best plan so far. */
  doses?: PlannedDose[];
}

export type Found = BestPlan | { status: 'stopped'; doses: PlannedDose[]; gapPercent?: number };

const start = (): Link<SeasonSolver> =>
  linkWorker<SeasonSolver>(
    () => new Worker(new URL('../../../workers/season-solver.ts', import.meta.url), { type: 'module' }),
  );

/**
 * Runs the planner in a worker. `solve` answers with the best plan; `stop` ends the search at once and lets it answer
 * with the best so far and the gap proven for it. Readied when the page opens, so that the first search starts warm.
 */
export function useSolver(given: Case, year: number, asOf: string) {
  const running = useRef<Link<SeasonSolver> | undefined>(undefined);
  const settle = useRef<((found: Found) => void) | undefined>(undefined);
  const latest = useRef<Search>({ seconds: 0 });
  const [search, setSearch] = useState<Search | undefined>();

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
      latest.current = { seconds: 0 };
      setSearch(latest.current);
      let ended = false;
      const report = (progress: PlanProgress) => {
        // reports travel on a channel of their own, and the last may come in after the answer
        if (ended) return;
        latest.current = { ...latest.current, ...progress, doses: progress.doses ?? latest.current.doses };
        setSearch(latest.current);
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
        setSearch(undefined);
      }
    },
    [end],
  );

  const stop = useCallback(() => {
    const { doses, gapPercent } = latest.current;
    end();
    settle.current?.({ status: 'stopped', doses: doses ?? [], gapPercent });
    running.current = start();
    running.current.call((solver) => solver.warm(given, year, asOf)).catch(() => undefined);
  }, [end, given, year, asOf]);

  return { search, solve, stop };
}
