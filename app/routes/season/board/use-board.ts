import { useCallback, useMemo, useState } from 'react';
import type { Plan, PlannedDose } from '@core/records/case';
import { consequenceOf, type Consequence, judgePlan } from '@core/season/checks/judge-plan';
import { plannedDosesOf } from '@core/season/plan/planned-doses';
import { workedDoses } from '@core/season/plan/worked-doses';
import { withDoses } from '@core/season/plan/with-doses';
import { type History, historyOf, stepBack, stepForward, stepTo } from '../../../work/history';
import type { PropertyWork } from '../../../work/property-work';

/** The plan at one step of the work, and how it was found where no hand has changed it since. */
interface Step {
  doses: PlannedDose[];
  solved?: Plan['solved'];
}

/**
 * The plan on the board: its doses, every step of the work undoable, each change judged at once. What is shown is kept
 * in the browser by `store` after every step; undo and redo are kept while the page is open.
 */
export function useBoard({ file, draft, season: stored, plan, year }: PropertyWork, store: (step: Step) => void) {
  // until the first step the board shows what is stored, whatever that becomes
  const [steps, setSteps] = useState<History<Step>>();
  const [consequence, setConsequence] = useState<{ says: string; of: Consequence } | undefined>();
  const history = useMemo(
    // what was given stands at its real day and weight
    () =>
      steps ??
      historyOf<Step>({
        doses: workedDoses(plan?.doses ?? plannedDosesOf(stored, new Set()), file, year),
        solved: plan?.solved,
      }),
    [steps, plan, stored, file, year],
  );
  const { doses, solved } = history.now;
  const season = useMemo(() => withDoses(draft, file, doses), [draft, file, doses]);
  const judged = useMemo(() => judgePlan(file, season), [file, season]);

  const go = useCallback(
    (next: History<Step>, says: string) => {
      if (next === history) return;
      const after = judgePlan(file, withDoses(draft, file, next.now.doses));
      setConsequence({ says, of: consequenceOf(judged, after) });
      setSteps(next);
      store(next.now);
    },
    [history, draft, file, judged, store],
  );
  /** Takes a step: a hand edit, or a plan with how it was found. */
  const take = useCallback(
    (next: PlannedDose[], says: string, found?: Plan['solved']) =>
      go(stepTo(history, { doses: next, solved: found }), says),
    [go, history],
  );
  return {
    doses,
    solved,
    season,
    judged,
    consequence,
    take,
    undo: useCallback(() => go(stepBack(history), 'Undone'), [go, history]),
    redo: useCallback(() => go(stepForward(history), 'Done again'), [go, history]),
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
  };
}

export type Board = ReturnType<typeof useBoard>;
