import { App } from 'antd';
import { useId } from 'react';

/** How long an undo stays on offer, seconds. */
const OFFERED_SECONDS = 12;

/** Says what was done and offers to take it back. */
export function useOfferUndo(): (says: string, undo: () => void) => void {
  const { message } = App.useApp();
  const key = useId();
  return (says, undo) =>
    void message.open({
      key,
      duration: OFFERED_SECONDS,
      content: (
        <span>
          {says}{' '}
          <button
            type="button"
            className="link"
            onClick={() => {
              message.destroy(key);
              undo();
            }}
          >
            Undo
          </button>
        </span>
      ),
    });
}
