import { afterEach, describe, expect, it, vi } from 'vitest';
import { storageFault } from '../storage/storage-fault';
import { linkWorker, WorkerGone } from './worker-link';

type Listener = () => void;
/** A worker that answers, or does not; `fail` is the browser's word that it could not start or died. */
class FakeWorker {
  static answers = true;
  static last: FakeWorker;
  listeners = new Map<string, Listener[]>();
  ended = false;
  constructor() {
    FakeWorker.last = this;
  }
  addEventListener(kind: string, listener: Listener) {
    this.listeners.set(kind, [...(this.listeners.get(kind) ?? []), listener]);
  }
  fail() {
    this.listeners.get('error')?.forEach((each) => each());
  }
  terminate() {
    this.ended = true;
  }
}
vi.mock('comlink', () => ({
  releaseProxy: 'release',
  wrap: () => ({
    release: () => undefined,
    here: () => (FakeWorker.answers ? Promise.resolve(true) : new Promise(() => undefined)),
    read: () => Promise.resolve('read'),
    hang: () => new Promise(() => undefined),
  }),
}));
const link = () =>
  linkWorker<{ here(): true; read(): string; hang(): string }>(() => new FakeWorker() as unknown as Worker);
afterEach(() => {
  FakeWorker.answers = true;
  vi.useRealTimers();
});

describe('a worker', () => {
  it('that is there answers', async () => {
    expect(await link().call((remote) => remote.read())).toBe('read');
  });
  it('that does not say that it is there within five seconds is given up, in words', async () => {
    vi.useFakeTimers();
    FakeWorker.answers = false;
    const asked = link().call((remote) => remote.hang());
    const told = asked.catch((fault: unknown) => fault);
    await vi.advanceTimersByTimeAsync(4_900);
    await expect(Promise.race([asked, Promise.resolve('waiting')])).resolves.toBe('waiting');
    await vi.advanceTimersByTimeAsync(200);
    expect(await told).toBeInstanceOf(WorkerGone);
    expect(storageFault(await told)).toMatch(/could not start .* try again/);
  });
  it('that dies in the middle of its work ends the wait at once', async () => {
    const asked = link().call((remote) => remote.hang());
    FakeWorker.last.fail();
    await expect(asked).rejects.toBeInstanceOf(WorkerGone);
  });
  it('that the browser does not even make is one that could not start', async () => {
    const none = linkWorker<{ here(): true }>(() => {
      throw new Error('no memory');
    });
    await expect(none.call(() => 1)).rejects.toBeInstanceOf(WorkerGone);
    expect(() => none.end()).not.toThrow();
  });
  it('is ended with its link', () => {
    link().end();
    expect(FakeWorker.last.ended).toBe(true);
  });
});
