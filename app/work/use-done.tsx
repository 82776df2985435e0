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
 * @example void done(() => send({ intent: 'remove', id }), 'The report was deleted.', (answer) => send(undoOf(answer)))
 */
export function useDone(): <Answer>(
  work: () => Promise<Answer>,
  says?: string | ((answer: Answer) => string | undefined),
  undo?: (answer: Answer) => Promise<unknown>,
) => Promise<boolean> {
  const { message } = App.useApp();
  const offerUndo = useOfferUndo();
  const key = useId();
  const attempt = async <Answer,>(work: () => Promise<Answer>, then: (answer: Answer) => void): Promise<boolean> => {
    const answer = await work();
    const fault = faultOf(answer);
    if (fault === undefined) {
      // what was done since must not be undone by an older attempt
      message.destroy(key);
      then(answer);
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
    attempt(work, (answer) => {
      const sentence = typeof says === 'function' ? says(answer) : says;
      if (sentence && undo) offerUndo(sentence, () => void attempt(() => undo(answer), nothing));
    });
}
