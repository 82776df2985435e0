import { App } from 'antd';
import { useId } from 'react';
import { useOfferUndo } from '../ui/use-offer-undo';
import type { StorageRefused } from './or-fault';

/** How long a fault stays with its way on, seconds: long enough to free some space. */
const FAULT_SECONDS = 60;

/** The sentence of a fault in an answer, whichever field it belongs to. */
export const faultOf = (answer: unknown): string | undefined =>
  Object.values((answer as Partial<StorageRefused> | undefined)?.faults ?? {})[0];

/**
 * Does something and says so once it is done, with its way back; where it could not be done it says why, with a way to try
 * again. Answers whether it was done.
 *
 * @example void done(() => send({ intent: 'remove', id }), 'The report was deleted.', () => send({ intent: 'restore', report }))
 */
export function useDone(): (
  work: () => Promise<unknown>,
  says: string,
  undo: () => Promise<unknown>,
) => Promise<boolean> {
  const { message } = App.useApp();
  const offerUndo = useOfferUndo();
  const key = useId();
  const attempt = async (work: () => Promise<unknown>, then: () => void): Promise<boolean> => {
    const fault = faultOf(await work());
    if (fault === undefined) {
      message.destroy(key);
      then();
      return true;
    }
    void message.error({
      key,
      duration: FAULT_SECONDS,
      content: (
        <span>
          {fault}{' '}
          <button type="button" className="link" onClick={() => void attempt(work, then)}>
            Try again
          </button>
        </span>
      ),
    });
    return false;
  };
  return (work, says, undo) => attempt(work, () => offerUndo(says, () => void attempt(undo, () => undefined)));
}
