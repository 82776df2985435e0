import { type Remote, releaseProxy, wrap } from 'comlink';

/** Longest that a worker may take to say that it is there, ms. */
const LONGEST_START_MS = 5_000;

/** A worker that could not start or ended by itself: no connection for its file, or no memory. */
export class WorkerGone extends Error {
  constructor() {
    super(
      'The part of Ubertas that works beside the page could not start or was ended by the browser (no connection, or too little memory). Nothing was changed: try again, or reload the page.',
    );
    this.name = 'WorkerGone';
  }
}

/** What every worker of ours answers first. */
export interface Answering {
  here(): true;
}

/** A worker under way: calls end with `WorkerGone` where it does not start within five seconds or dies. */
export interface Link<T> {
  call<R>(work: (remote: Remote<T>) => R): Promise<Awaited<R>>;
  end(): void;
}

/**
 * Starts a worker that exposes `T` and `here`.
 *
 * @example const link = linkWorker<CaseIntake>(() => new Worker(new URL('./case-intake.ts', import.meta.url), { type: 'module' }));
 */
export function linkWorker<T extends Answering>(make: () => Worker): Link<T> {
  let worker: Worker | undefined;
  let ended = false;
  let remote: Remote<T> | undefined;
  const gone = new Promise<never>((_, fail) => {
    const fails = () => fail(new WorkerGone());
    try {
      worker = make();
    } catch {
      return fails();
    }
    worker.addEventListener('error', fails);
    worker.addEventListener('messageerror', fails);
    const late = setTimeout(fails, LONGEST_START_MS);
    remote = wrap<T>(worker);
    (remote as Remote<Answering>)
      .here()
      .then(() => clearTimeout(late))
      .catch(fails);
  });
  // nobody may be waiting when it fails; the next call hears of it
  gone.catch(() => undefined);
  return {
    call: <R>(work: (remote: Remote<T>) => R) =>
      (remote ? Promise.race([work(remote), gone]) : gone) as Promise<Awaited<R>>,
    end: () => {
      // who ends it twice, at its answer and when its page is left, ends it once
      if (ended) return;
      ended = true;
      remote?.[releaseProxy]();
      worker?.terminate();
    },
  };
}
