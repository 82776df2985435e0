import type { Steps } from '@core/season/edit/steps';

/** Longest that the page is kept from hearing anything, ms: half of a frame and a little. Decision. */
const AT_A_TIME_MS = 10;

/**
 * Does some works one after the other, a few steps at a time, between whatever else the page has to do. Each is begun when its turn comes.
 * Returns how to give it up.
 */
export function inSteps<T>(works: readonly (() => Steps<T>)[], onDone: (value: T, at: number) => void): () => void {
  let at = 0;
  let steps: Steps<T> | undefined;
  let next: ReturnType<typeof setTimeout> | undefined;
  const go = () => {
    const from = performance.now();
    do {
      const work = works[at];
      if (!work) return;
      steps ??= work();
      const { done, value } = steps.next();
      if (!done) continue;
      steps = undefined;
      onDone(value, at);
      at += 1;
    } while (performance.now() - from < AT_A_TIME_MS);
    next = setTimeout(go);
  };
  next = setTimeout(go);
  return () => clearTimeout(next);
}
