import { useSyncExternalStore } from 'react';
import { Workbox } from 'workbox-window';

/** Whether this browser keeps the application, so that it opens and works with no network. */

export interface Offline {
  /** 'preparing' while it is fetched, 'works' once all of it is here, 'unsafe' where the address is no secure one, 'unable' otherwise. */
  standing: 'preparing' | 'works' | 'unsafe' | 'unable';
  /** A newer version lies ready and waits to be taken. */
  newer: boolean;
}

let now: Offline = { standing: 'preparing', newer: false };
const heard = new Set<() => void>();
const become = (change: Partial<Offline>) => {
  now = { ...now, ...change };
  heard.forEach((tell) => tell());
};
let workbox: Workbox | undefined;

/** Looks for a newer version when the page is seen again, at most once in this time, ms. */
const LOOK_AGAIN_MS = 3_600_000;

/** Has the browser keep the application; called once by the page's entry, after the page itself has come. */
export async function keepOffline(): Promise<void> {
  // an address without https keeps nothing; the page works as long as there is a network
  if (!window.isSecureContext) return become({ standing: 'unsafe' });
  if (!('serviceWorker' in navigator)) return become({ standing: 'unable' });
  // before anything is asked: a page that was opened without network is served by what is here
  if (navigator.serviceWorker.controller) become({ standing: 'works' });
  workbox = new Workbox('/sw.js');
  workbox.addEventListener('activated', () => become({ standing: 'works' }));
  workbox.addEventListener('waiting', () => become({ newer: true }));
  // every page that is open begins anew once with what was taken
  workbox.addEventListener('controlling', ({ isUpdate }) => {
    if (isUpdate) window.location.reload();
  });
  try {
    await workbox.register();
  } catch {
    // the network is gone, or the browser forbids it: what was kept before still serves
    if (now.standing === 'preparing') become({ standing: 'unable' });
    return;
  }
  void navigator.serviceWorker.ready.then(() => become({ standing: 'works' }));
  let looked = Date.now();
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState !== 'visible' || Date.now() - looked < LOOK_AGAIN_MS || !navigator.onLine) return;
    looked = Date.now();
    void workbox?.update().catch(() => undefined);
  });
}

/** Takes the newer version: it takes over, and every open page begins anew once. */
export const takeNewer = (): void => workbox?.messageSkipWaiting();

const subscribe = (tell: () => void) => {
  heard.add(tell);
  return () => void heard.delete(tell);
};
const AT_FIRST: Offline = { standing: 'preparing', newer: false };
export const useOffline = (): Offline =>
  useSyncExternalStore(
    subscribe,
    () => now,
    () => AT_FIRST,
  );

const onNetwork = (tell: () => void) => {
  window.addEventListener('online', tell);
  window.addEventListener('offline', tell);
  return () => {
    window.removeEventListener('online', tell);
    window.removeEventListener('offline', tell);
  };
};
/** Whether there is a network, as the browser has it. */
export const useNetwork = (): boolean =>
  useSyncExternalStore(
    onNetwork,
    () => navigator.onLine,
    () => true,
  );
