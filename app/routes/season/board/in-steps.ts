import type { Steps } from '@core/season/edit/steps';

/** Longest that the page is kept from hearing anything, ms: half of a frame and a little. */
const AT_A_TIME_MS = 10;

/** Takes the steps of some work a few at a time, between whatever else the page has to do. Returns how to give it up. */
export function inSteps<T>(steps: Steps<T>, onDone: (value: T) => void): () => void {
  let next: ReturnType<typeof setTimeout> | undefined;
  const go = () => {
    const from = performance.now();
    do {
      const { done, value } = steps.next();
      if (done) return onDone(value);
    } while (performance.now() - from < AT_A_TIME_MS);
    next = setTimeout(go);
  };
  next = setTimeout(go);
  return () => clearTimeout(next);
}
