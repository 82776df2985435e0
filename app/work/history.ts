/** What undo and redo go back to: one history for everything that is worked on in steps. */
export interface History<T> {
  past: readonly T[];
  now: T;
  future: readonly T[];
}

/** Steps back that are kept: more than an afternoon's work, and small enough to hold whole. */
const MOST_STEPS_BACK = 200;

export const historyOf = <T>(now: T): History<T> => ({ past: [], now, future: [] });

/** A step: what stood can be gone back to, and what was undone before is no longer to come. */
export const stepTo = <H extends History<unknown>>(history: H, next: H['now']): H => ({
  ...history,
  past: [...history.past, history.now].slice(-MOST_STEPS_BACK),
  now: next,
  future: [],
});

/** One step back; the same history where there is none. */
export function stepBack<H extends History<unknown>>(history: H): H {
  const { past, now, future } = history;
  return past.length === 0
    ? history
    : { ...history, past: past.slice(0, -1), now: past[past.length - 1], future: [now, ...future] };
}

/** One step forward again; the same history where nothing was undone. */
export function stepForward<H extends History<unknown>>(history: H): H {
  const { past, now, future } = history;
  return future.length === 0 ? history : { ...history, past: [...past, now], now: future[0], future: future.slice(1) };
}
