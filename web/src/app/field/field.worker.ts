/**
 * Stands between the page and the server, so that the program opens without a network. The program's own files are kept by
 * Angular's service worker, which is taken in below; answers of the server, for jobs that are taken along, here.
 */
import { roadAnswer, roadCache } from './road-answers';

/** What of a service worker is used here; the compiler's library of workers has no types of it. */
declare const self: {
  readonly location: { readonly origin: string };
  readonly caches: CacheStorage;
  importScripts(file: string): void;
  addEventListener(type: 'fetch', listener: (event: FetchEvent) => void): void;
};
interface FetchEvent extends Event {
  readonly request: Request;
  respondWith(answer: Promise<Response>): void;
}

const patienceMs = 4000;

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (origin !== self.location.origin || !pathname.startsWith('/api/')) return;
  event.stopImmediatePropagation();
  // The browser asks for itself where something is changed, opened as a page, or goes on for long.
  if (request.method !== 'GET' || request.mode === 'navigate' || pathname.endsWith('/live')) return;
  event.respondWith(answer(request));
});

async function answer(request: Request): Promise<Response> {
  const cache = await self.caches.open(roadCache);
  return roadAnswer(request, { cache, ask: (asked) => fetch(asked), patienceMs });
}

self.importScripts('./ngsw-worker.js');
