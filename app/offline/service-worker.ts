import { cleanupOutdatedCaches, matchPrecache, type PrecacheEntry, precacheAndRoute } from 'workbox-precaching';
import { registerRoute, setCatchHandler } from 'workbox-routing';
import { isOfPattern, type Shell } from './shells';

/**
 * Keeps the whole application in the browser: every built file, and one drawn page of each kind. Nothing of anybody is in it; what is
 * theirs stands in the browser's database. Bundled on its own by `scripts/service-worker.mjs`.
 */

/** What this file uses of a service worker: the types of workers and of pages cannot stand in one program. */
interface ServiceWorker {
  __WB_MANIFEST: PrecacheEntry[];
  skipWaiting: () => Promise<void>;
  clients: { claim: () => Promise<void> };
  addEventListener: (
    kind: 'message' | 'activate',
    heard: (event: { data?: { type?: string }; waitUntil: (work: Promise<unknown>) => void }) => void,
  ) => void;
}
declare const self: ServiceWorker;
/** Put in by the bundling, from the routes. */
declare const SHELLS: readonly Shell[];

precacheAndRoute(self.__WB_MANIFEST);
// at activation only: pages that are open keep their pieces until they are told to begin anew
cleanupOutdatedCaches();

const shellOf = (pathname: string) => SHELLS.find(({ pattern }) => isOfPattern(pathname, pattern));

registerRoute(
  ({ request, url, sameOrigin }) => sameOrigin && request.mode === 'navigate' && shellOf(url.pathname) !== undefined,
  async ({ request, url }) => (await matchPrecache(shellOf(url.pathname)?.address ?? '/')) ?? fetch(request),
);
// an address that is no page of ours is the server's to answer; without a network this says so
registerRoute(
  ({ request, sameOrigin }) => sameOrigin && request.mode === 'navigate',
  ({ request }) => fetch(request),
);
setCatchHandler(({ request }) =>
  Promise.resolve(
    request.mode === 'navigate'
      ? new Response(
          'There is no such page here, and no network to ask for it. Ubertas itself works: open its start.',
          {
            status: 404,
            headers: { 'Content-Type': 'text/plain; charset=utf-8' },
          },
        )
      : Response.error(),
  ),
);

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
// a new version waits until somebody takes it
self.addEventListener('message', ({ data }) => {
  if (data?.type === 'SKIP_WAITING') void self.skipWaiting();
});
