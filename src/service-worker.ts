/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
/**
 * Keeps the built pages, so that everything but what needs the server works without it. A new version is fetched beside the
 * old one and waits until somebody wants it: no window changes under somebody's hands.
 */
import { build, files, version } from '$service-worker';

declare const self: ServiceWorkerGlobalScope;

const CACHE = `upper-line-${version}`;
/** All pages are the same page: what is shown is decided in the browser. */
const SHELL = '/';
const KEPT = [SHELL, ...build, ...files];

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll(KEPT.map((path) => new Request(path, { cache: 'reload' })))),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((keys) =>
        Promise.all(
          keys.filter((k) => k.startsWith('upper-line-') && k !== CACHE).map((k) => caches.delete(k)),
        ),
      )
      .then(() => self.clients.claim()),
  );
});

/** Somebody wants the new version now. */
self.addEventListener('message', (event) => {
  if (event.data === 'use the new version') void self.skipWaiting();
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/'))
    return;
  const kept = request.mode === 'navigate' ? SHELL : url.pathname;
  event.respondWith(
    caches
      .open(CACHE)
      .then((cache) => cache.match(kept))
      .then((found) => found ?? fetch(request)),
  );
});

/** A call that is shown while its window is hidden is answered or declined: its window is told, and shown. */
self.addEventListener('notificationclick', (event) => {
  const { action, notification } = event;
  const callId = (notification.data as { callId?: string } | null)?.callId;
  notification.close();
  if (!callId) return;
  const choice = action === 'answer' || action === 'decline' ? action : 'look';
  event.waitUntil(
    self.clients.matchAll({ type: 'window', includeUncontrolled: true }).then(async (windows) => {
      const phones = windows.filter((w) => ['/phone', '/device'].includes(new URL(w.url).pathname));
      for (const phone of phones) phone.postMessage({ kind: 'call', callId, choice });
      if (choice !== 'decline') await phones[0]?.focus();
    }),
  );
});
