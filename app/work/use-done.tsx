import { App } from 'antd';
import { useId } from 'react';
import { useOfferUndo } from '../ui/use-offer-undo';
import type { StorageRefused } from './or-fault';

/** How long a fault stays with its way on, seconds: long enough to free some space. */
const FAULT_SECONDS = 60;

const NO_ANSWER = 'This could not be done, and the reason is not known. What you see is what is stored.';

/** Why something was not done, whichever field it belongs to; no answer is no success. */
const faultOf = (answer: unknown): string | undefined =>
  answer === undefined ? NO_ANSWER : Object.values((answer as Partial<StorageRefused>).faults ?? {})[0];

/**
 * Does something and says so once it is done, with its way back, or nothing where the page shows it; where it could not be done
 * it says why, with a way to try again. Answers whether it was done.
 *
 * @example void done(() => send({ intent: 'remove', id }), 'The report was deleted.', () => send({ intent: 'restore', report }))
 */
export function useDone(): (
  work: () => Promise<unknown>,
  says?: string,
  undo?: () => Promise<unknown>,
) => Promise<boolean> {
  const { message } = App.useApp();
  const offerUndo = useOfferUndo();
  const key = useId();
  const attempt = async (work: () => Promise<unknown>, then: () => void): Promise<boolean> => {
    const fault = faultOf(await work());
    if (fault === undefined) {
      // what was done since must not be undone by an older attempt
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
          <button
            type="button"
            className="link"
            onClick={() => {
              // gone while it is tried, so that a second click does not try it twice
              message.destroy(key);
              void attempt(work, then);
            }}
          >
            Try again
          </button>
        </span>
      ),
    });
    return false;
  };
  const nothing = () => undefined;
  return (work, says, undo) =>
    attempt(work, says && undo ? () => offerUndo(says, () => void attempt(undo, nothing)) : nothing);
}
