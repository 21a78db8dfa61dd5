// Keeps the days that somebody takes along: with a signal the newest page, without one the page as it was kept.
const ALONG = 'corrie-along';
const PATIENCE = 5000;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', event => event.waitUntil(self.clients.claim()));
self.addEventListener('fetch', event => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method === 'GET' && url.origin === self.location.origin && !url.pathname.endsWith('/events')) {
    event.respondWith(answer(request));
  }
});

async function answer(request) {
  const cache = await caches.open(ALONG);
  const kept = await cache.match(request);
  try {
    const fresh = await (kept ? Promise.race([fetch(request), new Promise((_, fail) => { setTimeout(fail, PATIENCE); })]) : fetch(request));
    if (kept && fresh.ok && !fresh.redirected) {
      await cache.put(request, fresh.clone());
    }
    return fresh;
  } catch (error) {
    if (kept) {
      return kept;
    }
    if (request.mode === 'navigate') {
      return new Response('<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>No signal</title><h1>No signal</h1><p>This page was not taken along. Go back to the day that was.</p></html>', { status: 503, headers: { 'Content-Type': 'text/html; charset=utf-8' } });
    }
    throw error;
  }
}
