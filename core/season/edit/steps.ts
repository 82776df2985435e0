/** Work that pauses after each small step, so that whoever does it can do other things between. */
export type Steps<T> = Generator<void, T, void>;

/** Does it all at once. */
export function allAtOnce<T>(steps: Steps<T>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
