import { useEffect, useRef, useState } from 'react';
import type { Plan, PlannedDose } from '@core/records/case';
import { keptDoses } from '@core/season/plan/worked-doses';
import type { UndoSent } from '../../work/property-action';
import type { PropertyWork } from '../../work/property-work';
import { planStampIn, type SeasonAnswer, type SeasonSent } from './season-action';

type Send = (sent: SeasonSent | UndoSent) => Promise<SeasonAnswer | undefined>;

/**
 * Stores doses over the version of the plan that the board shows: each write waits for the one before it and goes on from what
 * that left. A version that another tab wrote meanwhile refuses the write, and both are shown.
 */
export function usePlanVersion({ plan, year, file }: PropertyWork, sendOn: Send) {
  const planId = plan?.id ?? `plan-${year}`;
  const loaded = plan?.changedAt ?? null;
  /** What the last write of this page left; undefined as long as the board shows what was loaded. */
  const left = useRef<string | null>(undefined);
  const latest = useRef(loaded);
  const before = useRef<Promise<unknown>>(Promise.resolve());
  /** Writes that are on their way or wait for their turn. */
  const [pending, setPending] = useState(0);
  useEffect(() => {
    if (pending === 0) return undefined;
    // a step of the work is not lost by leaving the page in the moment it is stored
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [pending]);
  useEffect(() => {
    latest.current = loaded;
  }, [loaded]);
  const send: Send = async (sent) => {
    const answer = await sendOn(sent);
    const stamp = answer && planStampIn(answer, planId);
    if (stamp !== undefined) left.current = stamp;
    return answer;
  };
  // of what was given the plan keeps what it had planned: the log has the rest
  const kept = (worked: readonly PlannedDose[]) => keptDoses(worked, plan?.doses ?? [], file);
  const inTurn = (sent: (over: string | null) => SeasonSent): Promise<SeasonAnswer | undefined> => {
    const turn = before.current.then(() => send(sent(left.current === undefined ? latest.current : left.current)));
    setPending((writes) => writes + 1);
    before.current = turn.catch(() => undefined).then(() => setPending((writes) => writes - 1));
    return turn;
  };
  return {
    pending: pending > 0,
    send,
    storeDoses: (step: { doses: PlannedDose[]; solved?: Plan['solved'] }) =>
      inTurn((over) => ({ intent: 'doses', ...step, doses: kept(step.doses), over })),
    keepDoses: (doses: PlannedDose[]) => inTurn((over) => ({ intent: 'keep', doses: kept(doses), over })),
  };
}
