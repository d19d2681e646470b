/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };

// The code of every view, so that one that was not opened yet opens without a network, too.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

// There is one page behind every address. It is asked for anew as long as there is a network; its nonce is kept with its policy.
registerRoute(
  // What the server itself answers, such as the way back from the school's sign-in, is no page of ours.
  ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
  new NetworkFirst({
    cacheName: 'page',
    networkTimeoutSeconds: 5,
    plugins: [{ cacheKeyWillBeUsed: async () => '/' }],
  }),
);

self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
