import { useCallback, useMemo, useState } from 'react';
import type { PlannedDose } from '@core/formats/case';
import { consequenceOf, type Consequence, judgePlan } from '@core/season/edit-consequence';
import { plannedOf } from '@core/season/planned-of';
import { withDoses } from '@core/season/with-doses';
import type { PropertyWork } from '../../work/property-work';

/** Steps back that are kept. */
const MOST_STEPS = 100;

export interface Step {
  doses: PlannedDose[];
  says: string;
}

/**
 * The plan on the board: its doses, every step of the work undoable, each change judged at once. What is shown is kept
 * in the browser by `store` after every step; undo and redo are kept while the page is open.
 */
export function useBoard({ file, draft, season: stored, plan }: PropertyWork, store: (doses: PlannedDose[]) => void) {
  const [steps, setSteps] = useState<{ past: PlannedDose[][]; now?: PlannedDose[]; future: PlannedDose[][] }>({
    past: [],
    future: [],
  });
  const [consequence, setConsequence] = useState<{ says: string; of: Consequence } | undefined>();
  const doses = useMemo(() => steps.now ?? plan?.doses ?? plannedOf(stored, new Set()), [steps.now, plan, stored]);
  const season = useMemo(() => withDoses(draft, file, doses), [draft, file, doses]);
  const judged = useMemo(() => judgePlan(file, season), [file, season]);

  const show = useCallback(
    (next: PlannedDose[], says: string) => {
      const after = judgePlan(file, withDoses(draft, file, next));
      setConsequence({ says, of: consequenceOf(judged, after) });
      store(next);
    },
    [draft, file, judged, store],
  );
  /** Takes a step: a hand edit, a new plan. */
  const take = useCallback(
    (next: PlannedDose[], says: string) => {
      show(next, says);
      setSteps(({ past }) => ({ past: [...past, doses].slice(-MOST_STEPS), now: next, future: [] }));
    },
    [show, doses],
  );
  const undo = useCallback(() => {
    const before = steps.past.at(-1);
    if (!before) return;
    show(before, 'Undone');
    setSteps({ past: steps.past.slice(0, -1), now: before, future: [doses, ...steps.future] });
  }, [steps, doses, show]);
  const redo = useCallback(() => {
    const next = steps.future[0];
    if (!next) return;
    show(next, 'Done again');
    setSteps({ past: [...steps.past, doses], now: next, future: steps.future.slice(1) });
  }, [steps, doses, show]);
  return {
    doses,
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
