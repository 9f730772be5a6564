/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/// <reference types="@sveltejs/kit" />
import { build, version } from '$service-worker';

/**
 * Between the pages and a server that restarts: what changes nothing is asked for again for a while, so that moving to another screen waits where it would have
 * failed, and a page that cannot be had is one of ours, which goes on by itself. Scripts and styles are kept, since they never change under their names.
 */
const worker = globalThis as unknown as ServiceWorkerGlobalScope;

const CACHE = `odd-quill-${version}`;
/** The page that is shown while the server is away, and what it needs. */
const AWAY = '/away.html';
const AWAY_PARTS = [AWAY, '/away.js', '/away.css'];

const PAUSES_MS = [250, 500, 900, 1500, 2500, 4000];
/** A page shows that it waits, and may say after this long that it cannot be had. */
const PAGE_WAIT_MS = 2500;
const DATA_WAIT_MS = 60_000;

worker.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll([...build, ...AWAY_PARTS]))
      .then(() => worker.skipWaiting()),
  );
});

worker.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((n) => n !== CACHE).map((n) => caches.delete(n))))
      .then(() => worker.clients.claim()),
  );
});

async function tell(what: 'away' | 'back'): Promise<void> {
  for (const client of await worker.clients.matchAll({ type: 'window' })) client.postMessage(what);
}

/** Asks again while nobody answers, or a server that is just starting; gives its last answer, or throws, when the time is over. */
async function asked(request: Request, waitMs: number): Promise<Response> {
  const end = Date.now() + waitMs;
  for (let failures = 0; ; failures++) {
    const pause = PAUSES_MS[Math.min(failures, PAUSES_MS.length - 1)];
    const isOver = request.signal.aborted || Date.now() + pause > end;
    try {
      const answer = await fetch(request.clone());
      if (isOver || ![502, 503, 504].includes(answer.status)) {
        if (failures) void tell('back');
        return answer;
      }
    } catch (error) {
      if (isOver) throw error;
    }
    void tell('away');
    await new Promise((resolve) => setTimeout(resolve, pause));
  }
}

const fromCache = async (path: string): Promise<Response | undefined> => (await caches.open(CACHE)).match(path);

async function page(request: Request): Promise<Response> {
  const answer = await asked(request, PAGE_WAIT_MS).catch(() => null);
  // The application's own page of what failed is better than one that knows nothing of it.
  if (answer?.headers.get('content-type')?.startsWith('text/html') && !answer.headers.has('refresh')) return answer;
  return (await fromCache(AWAY)) ?? answer ?? Response.error();
}

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== location.origin) return;
  // Streams, what is asked only to see whether the server is there, and files that are downloaded.
  if (/^\/api\/(health|.*\/events|.*\.zip)$/.test(pathname)) return;
  if (request.mode === 'navigate') {
    if (!pathname.startsWith('/api/')) event.respondWith(page(request));
  } else if (build.includes(pathname) || AWAY_PARTS.includes(pathname))
    event.respondWith(fromCache(pathname).then((found) => found ?? fetch(request)));
  else event.respondWith(asked(request, DATA_WAIT_MS));
});
