/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { ExpirationPlugin } from 'workbox-expiration';
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';
import { fetchAhead } from './fetch-ahead';
import { answeredByServer, asKept, isKept, KEPT_ANSWERS } from './kept-answers';

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: PrecacheEntry[] };

/** Answers kept; the one used longest ago goes first. */
const MOST_KEPT = 500;

/** s after which a server that says nothing counts as away. */
const PATIENCE_S = 5;

// The program itself, whole and of one version, so that any room opens without the server.
cleanupOutdatedCaches();
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/(api|healthz|readyz)/] }));

const lastAnswers = new NetworkFirst({
  cacheName: KEPT_ANSWERS,
  networkTimeoutSeconds: PATIENCE_S,
  plugins: [
    {
      fetchDidSucceed: async ({ response }) => answeredByServer(response),
      cacheWillUpdate: async ({ response }) => (response.status === 200 ? response : null),
      cachedResponseWillBeUsed: async ({ cachedResponse }) => (cachedResponse ? asKept(cachedResponse) : null),
    },
    new ExpirationPlugin({ maxEntries: MOST_KEPT }),
  ],
});
registerRoute(
  ({ url, request }) => request.method === 'GET' && url.origin === self.location.origin && isKept(url.pathname),
  lastAnswers,
);

// What was asked before this worker was there was not kept. Not waited for: questions wait for an activation.
self.addEventListener('activate', (event) => {
  void fetchAhead((path) => lastAnswers.handle({ event, request: new Request(path) }));
});

// A new version waits until no page of the old one is open, or until its user asks for it.
self.addEventListener('message', ({ data }) => {
  if ((data as { type?: unknown } | null)?.type === 'SKIP_WAITING') void self.skipWaiting();
});
clientsClaim();
