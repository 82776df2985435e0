import { useEffect, useState } from 'react';
import type { FetcherWithComponents } from 'react-router';
import { type Intent, useSend } from './send';
import { useDraft } from './use-draft';

/** What an action says to a slip: its faults by field, none where it was kept. */
type SlipAnswer = { faults?: Record<string, string> };

/**
 * A slip of typed fields over a page: what was typed outlives leaving and reloading, faults stand by their fields, and the slip
 * closes once the action has kept it.
 *
 * @param place what the slip is of: property, kind and id
 * @param start what the fields hold when it opens
 * @param onClose closes it
 */
export function useTypedSlip<T extends object, Sent extends Intent, Answer extends SlipAnswer>(
  place: string,
  start: () => T,
  onClose: () => void,
) {
  const [typed, setTyped] = useState(start);
  const [first] = useState(typed);
  const { fetcher, send } = useSend<Sent, Answer>();
  const answer = (fetcher as FetcherWithComponents<SlipAnswer>).data;
  const keptBy = answer && !answer.faults ? answer : undefined;
  const { offered } = useDraft({
    place,
    typed,
    dirty: JSON.stringify(typed) !== JSON.stringify(first),
    savedBy: keptBy,
    load: setTyped,
  });
  const idle = fetcher.state === 'idle';
  const kept = idle && keptBy !== undefined;
  useEffect(() => {
    if (kept) onClose();
  }, [kept, onClose]);
  return {
    typed,
    /** Puts what was typed in some fields. */
    type: (over: Partial<T>) => setTyped((before) => ({ ...before, ...over })),
    faults: (idle ? answer?.faults : undefined) ?? {},
    offered,
    send,
  };
}
