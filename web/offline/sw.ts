/// <reference lib="webworker" />
import { CacheableResponsePlugin } from 'workbox-cacheable-response';
import { CacheExpiration, ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';
import { FORGET, keepable, OFFLINE_CACHE, OFFLINE_CACHE_AT } from './offline-cache.ts';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };

// The program itself: its files are kept whole when a new version comes, and the old ones go.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

const SHELL = 'shell';
const shellAlone = { cacheKeyWillBeUsed: async () => '/' };
const pages = new NetworkFirst({
  cacheName: SHELL,
  networkTimeoutSeconds: 4,
  plugins: [shellAlone, new CacheableResponsePlugin({ statuses: [200] })],
});
registerRoute(new NavigationRoute(pages, { denylist: [/^\/api\//] }));

// What the studio's book said last, for when it cannot be reached; a server's refusal is never covered by it.
const asTold = {
  cachedResponseWillBeUsed: async ({ cachedResponse }: { cachedResponse?: Response }) => {
    if (!cachedResponse) return null;
    const headers = new Headers(cachedResponse.headers);
    headers.set(OFFLINE_CACHE_AT, headers.get('date') ?? new Date(0).toUTCString());
    headers.delete('etag');
    return new Response(await cachedResponse.blob(), { headers });
  },
};
const LIMITS = { maxEntries: 300, maxAgeSeconds: 86_400 };
/** How often this device was told to forget: an answer asked for before that is kept no more. */
let forgotten = 0;
const ofThisHand = {
  handlerWillStart: async ({ state }: { state?: { asked?: number } }) => {
    if (state) state.asked = forgotten;
  },
  cacheWillUpdate: async ({ response, state }: { response: Response; state?: { asked?: number } }) =>
    state?.asked === forgotten ? response : null,
};
const book = new NetworkFirst({
  cacheName: OFFLINE_CACHE,
  plugins: [
    asTold,
    ofThisHand,
    new CacheableResponsePlugin({ statuses: [200] }),
    new ExpirationPlugin({ ...LIMITS, purgeOnQuotaError: true }),
  ],
});
/** What is still being kept, each until it is. */
const inHand = new Set<Promise<unknown>>();
const clear = async () => {
  await caches.delete(OFFLINE_CACHE);
  // The addresses that were asked for, and when, stand in a table beside the cache.
  await new CacheExpiration(OFFLINE_CACHE, LIMITS).delete();
};
/** Takes away what the book said; what was being kept just then goes too. */
const forget = async () => {
  forgotten += 1;
  const before = [...inHand];
  await clear();
  if (before.length === 0) return;
  await Promise.allSettled(before);
  await clear();
};
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && keepable(url),
  async (options) => {
    const [answering, kept] = book.handleAll(options);
    inHand.add(kept);
    void kept.catch(() => undefined).then(() => inHand.delete(kept));
    const answer = await answering;
    // Whoever is signed out, or may no longer, leaves nothing behind on this device.
    if (answer.status === 401) await forget();
    return answer;
  },
);
self.addEventListener('message', (e) => {
  if (e.data === FORGET) e.waitUntil(forget().then(() => e.ports[0]?.postMessage(FORGET)));
});

self.addEventListener('install', (e) => {
  e.waitUntil(caches.open(SHELL).then((c) => c.add('/')));
  void self.skipWaiting();
});
self.addEventListener('activate', (e) => e.waitUntil(self.clients.claim()));
