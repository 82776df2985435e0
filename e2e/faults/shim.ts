/**
 * Runs inside the page and its workers, before anything of ours: writes to the browser's database are counted, and the one that
 * was armed fails in one of the ways that browsers fail. Written as one function, because it travels as text.
 */
export const FAULTS = ['abort', 'quota', 'throw', 'unknown', 'commit'] as const;
export type FaultKind = (typeof FAULTS)[number];

export function faultShim(): void {
  interface Armed {
    at: number;
    kind: string;
  }
  const state = { count: 0, armed: undefined as Armed | undefined };
  const channel = new BroadcastChannel('fault-shim');
  const heed = ({ data }: { data: { do: string; armed?: Armed } }) => {
    if (data.do === 'arm') {
      state.count = 0;
      state.armed = data.armed;
    }
  };
  channel.onmessage = heed;
  const store = IDBObjectStore.prototype as unknown as Record<
    string,
    (this: IDBObjectStore, ...args: unknown[]) => unknown
  >;
  for (const name of ['put', 'add', 'delete', 'clear']) {
    const real = store[name]!;
    store[name] = function (this: IDBObjectStore, ...args: unknown[]) {
      // how many changes no backup holds is counted beside every write; nothing depends on that count, and it may be lost
      if (this.name === 'notes' && (args[0] as { key?: string } | undefined)?.key === 'changes-since-backup')
        return real.apply(this, args);
      state.count++;
      const hit = state.armed && state.count === state.armed.at ? state.armed.kind : undefined;
      if (hit === 'throw') throw new DOMException('injected', 'DataError');
      if (hit === 'unknown') throw new DOMException('injected', 'UnknownError');
      if (hit === 'abort' || hit === 'quota' || hit === 'commit') {
        const { transaction } = this;
        const request = real.apply(this, args);
        if (hit === 'quota')
          Object.defineProperty(transaction, 'error', { value: new DOMException('injected', 'QuotaExceededError') });
        // at once, or only when the write itself had succeeded
        if (hit === 'commit') (request as IDBRequest).addEventListener('success', () => transaction.abort());
        else queueMicrotask(() => transaction.abort());
        return request;
      }
      return real.apply(this, args);
    };
  }
  Object.assign(globalThis, {
    faultShim: {
      arm: (armed?: Armed) => {
        heed({ data: { do: 'arm', armed } });
        channel.postMessage({ do: 'arm', armed });
      },
      count: () => state.count,
    },
  });
}
