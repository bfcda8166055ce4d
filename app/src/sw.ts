/// <reference lib="webworker" />
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope;

/** The shell of the program without signal: it finds the job that it shall show in the browser’s own store. */
const SHELL = '/away';

/** Milliseconds that a page is waited for where there is a shell. */
const PATIENCE = 4_000;

/** Answers of a proxy whose server is gone. */
const NOBODY_THERE = new Set([502, 503, 504]);

precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

// A newer version waits until whoever works here says so: nobody’s pour is interrupted by it.
self.addEventListener('message', ({ data }: ExtendableMessageEvent) => {
  if ((data as { readonly type?: string } | null)?.type === 'SKIP_WAITING') void self.skipWaiting();
});

/** A page from the network; the shell where that does not come, or comes too late. */
async function page(request: Request): Promise<Response> {
  const shell = await matchPrecache(SHELL);
  if (!shell) return fetch(request);
  const late = new Promise<Response>((resolve) => {
    setTimeout(() => {
      resolve(shell.clone());
    }, PATIENCE);
  });
  const answered = fetch(request).then(
    (answer) => (NOBODY_THERE.has(answer.status) ? shell.clone() : answer),
    () => shell.clone(),
  );
  return Promise.race([answered, late]);
}

// What is laid today comes from the device at once, and is brought up to date on the page.
registerRoute(
  ({ request, url }) => request.mode === 'navigate' && /^\/jobs\/[^/]+\/today\/?$/.test(url.pathname),
  async ({ request }) => (await matchPrecache(SHELL)) ?? fetch(request),
);
registerRoute(
  ({ request, url }) =>
    request.mode === 'navigate' && (url.pathname === '/' || /^\/jobs\/[^/]+(\/|$)/.test(url.pathname)),
  ({ request }) => page(request),
);

const TERMS = 'ombra-terms';

// The board’s words in other languages: the newest there are, and those of before where there is no signal.
registerRoute(
  ({ url }) => url.pathname === '/api/terms',
  async ({ request }) => {
    const cache = await caches.open(TERMS);
    try {
      const answer = await fetch(request);
      if (answer.ok) await cache.put(request, answer.clone());
      return answer;
    } catch {
      return (await cache.match(request)) ?? Response.error();
    }
  },
);
