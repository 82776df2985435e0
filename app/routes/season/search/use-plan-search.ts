import { useEffect, useRef, useState } from 'react';
import type { Plan, PlanAim, PlannedDose } from '@core/records/case';
import type { PropertyWork } from '../../../work/property-work';
import { asidePlan, wishedName } from './aside-plan';
import { type Found, useSolver } from '../../../solving/use-solver';
import { otherAims } from './plan-options';

const couldNotRun = (trouble: unknown): string =>
  `The planner could not run: ${trouble instanceof Error ? trouble.message : 'no reason given'}. The plan is as it was.`;

/** How a plan was found, as it is kept with it. */
const solvedBy = ({ status, gapPercent }: Found, on: string, aim: PlanAim): NonNullable<Plan['solved']> => ({
  on,
  status: status === 'optimal' ? 'optimal' : 'feasible',
  gapPercent,
  aim,
});

export interface PlanSearch {
  work: PropertyWork;
  aim: PlanAim;
  doses: readonly PlannedDose[];
  /** Something is still being stored: a search must not start on wishes that are not there yet. */
  busy: boolean;
  onBegin: () => void;
  onFound: (doses: PlannedDose[], says: string, solved: Plan['solved']) => void;
  /** A plan of another aim, to stand beside the one on the board. */
  onBeside: (plan: Plan) => unknown;
  onFault: (says: string) => void;
}

/** Searching as the board asks for it: for the best plan, and for those of the other aims. */
export function usePlanSearch({ work, aim, doses, busy, onBegin, onFound, onBeside, onFault }: PlanSearch) {
  const { file, today, year, plan, packs } = work;
  const [found, setFound] = useState<Found | undefined>();
  const { searching, progress, solve, stop } = useSolver(file, year, today);
  // a search takes seconds: what it finds is handed to the board as it is by then, or an edit made meanwhile could not be undone
  const handOver = useRef({ onFound, onBeside });
  useEffect(() => {
    handOver.current = { onFound, onBeside };
  });
  const wishes = { picked: plan?.products ?? {}, locked: doses.filter((d) => d.locked), packs };

  const run = async () => {
    setFound(undefined);
    onBegin();
    try {
      const best = await solve(file, year, today, { ...wishes, aim });
      setFound(best);
      // a plan without doses is one too, where nothing may go down: what is short says why
      if (best.doses.length > 0 || best.status === 'optimal' || best.status === 'feasible')
        handOver.current.onFound(
          best.doses,
          best.status === 'stopped' ? 'Search stopped, best so far taken' : 'Plan found',
          solvedBy(best, today, aim),
        );
    } catch (trouble) {
      onFault(couldNotRun(trouble));
    }
  };
  /** Plans for the other aims, found one after the other; stopping keeps those that are there. */
  const findBeside = async () => {
    onBegin();
    try {
      for (const other of otherAims(aim)) {
        const best = await solve(file, year, today, { ...wishes, aim: other });
        if (best.status === 'stopped') return;
        if (best.status === 'drafted' || best.status === 'no-climate') setFound(best);
        else
          await handOver.current.onBeside(
            asidePlan(file, year, {
              name: wishedName(other, file),
              products: plan?.products,
              solved: solvedBy(best, today, other),
              doses: best.doses,
            }),
          );
      }
    } catch (trouble) {
      onFault(couldNotRun(trouble));
    }
  };
  // asked while a wish is still being stored, the search waits until it can be seen
  const [asked, setAsked] = useState(false);
  const ask = () => (busy ? setAsked(true) : void run());
  useEffect(() => {
    if (!asked || busy) return;
    const soon = setTimeout(() => {
      setAsked(false);
      void run();
    });
    return () => clearTimeout(soon);
  });
  return { searching, progress, stop, found, setFound, ask, findBeside };
}
