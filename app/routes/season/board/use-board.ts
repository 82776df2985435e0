import { useCallback, useMemo, useState } from 'react';
import type { Plan, PlannedDose } from '@core/records/case';
import { consequenceOf, type Consequence, judgePlan } from '@core/season/checks/judge-plan';
import { plannedDosesOf } from '@core/season/plan/planned-doses';
import { withDoses } from '@core/season/plan/with-doses';
import type { PropertyWork } from '../../../work/property-work';

/** Steps back that are kept. */
const MOST_STEPS = 100;

/** The plan at one step of the work, and how it was found where no hand has changed it since. */
interface Step {
  doses: PlannedDose[];
  solved?: Plan['solved'];
}

/**
 * The plan on the board: its doses, every step of the work undoable, each change judged at once. What is shown is kept
 * in the browser by `store` after every step; undo and redo are kept while the page is open.
 */
export function useBoard({ file, draft, season: stored, plan }: PropertyWork, store: (step: Step) => void) {
  const [steps, setSteps] = useState<{ past: Step[]; now?: Step; future: Step[] }>({ past: [], future: [] });
  const [consequence, setConsequence] = useState<{ says: string; of: Consequence } | undefined>();
  const now = useMemo<Step>(
    () => steps.now ?? { doses: plan?.doses ?? plannedDosesOf(stored, new Set()), solved: plan?.solved },
    [steps.now, plan, stored],
  );
  const { doses } = now;
  const season = useMemo(() => withDoses(draft, file, doses), [draft, file, doses]);
  const judged = useMemo(() => judgePlan(file, season), [file, season]);

  const show = useCallback(
    (next: Step, says: string) => {
      const after = judgePlan(file, withDoses(draft, file, next.doses));
      setConsequence({ says, of: consequenceOf(judged, after) });
      store(next);
    },
    [draft, file, judged, store],
  );
  /** Takes a step: a hand edit, or a plan with how it was found. */
  const take = useCallback(
    (next: PlannedDose[], says: string, solved?: Plan['solved']) => {
      const step = { doses: next, solved };
      show(step, says);
      setSteps(({ past }) => ({ past: [...past, now].slice(-MOST_STEPS), now: step, future: [] }));
    },
    [show, now],
  );
  const undo = useCallback(() => {
    const before = steps.past.at(-1);
    if (!before) return;
    show(before, 'Undone');
    setSteps({ past: steps.past.slice(0, -1), now: before, future: [now, ...steps.future] });
  }, [steps, now, show]);
  const redo = useCallback(() => {
    const next = steps.future[0];
    if (!next) return;
    show(next, 'Done again');
    setSteps({ past: [...steps.past, now], now: next, future: steps.future.slice(1) });
  }, [steps, now, show]);
  return {
    doses,
    solved: now.solved,
    season,
    judged,
    consequence,
    take,
    undo,
    redo,
    canUndo: steps.past.length > 0,
    canRedo: steps.future.length > 0,
  };
}

export type Board = ReturnType<typeof useBoard>;
