/**
 * Between the pages of a paired phone and the network: pages come from the bench while it answers, and as they were kept while it
 * does not. Written by hand: the kept libraries for it let go of the files of an old build at once, which strands a page that is open.
 */
import { ASSETS, PAGES, WRITTEN, type KeepPages, type PageToKeep } from '../keepPages';
import { handlingOf, keptInstead, outdated } from '../requests';

declare const self: ServiceWorkerGlobalScope;

const BUILD = new URL(self.location.href).searchParams.get('build') ?? '';
/** On a poor network, a page as it was kept goes before none. */
const PATIENCE_MS = 3500;
/** Whatever was opened is kept, too, but not without end. */
const MOST_PAGES = 150;

self.addEventListener('install', (event) => event.waitUntil(keepShell()));
self.addEventListener('activate', (event) => event.waitUntil(takeOver()));
self.addEventListener('message', (event) => event.waitUntil(keep((event.data as KeepPages).keep)));
self.addEventListener('fetch', (event) => {
  const answer = answerTo(event);
  if (answer) event.respondWith(answer);
});

/** @returns undefined for what is none of the worker's business: the browser asks itself then */
function answerTo(event: FetchEvent): Promise<Response> | undefined {
  const { request } = event;
  const handling = handlingOf(request, self.location.origin, request.mode === 'navigate');
  switch (handling.kind) {
    case 'asset':
      return asset(request);
    case 'page':
      return page(event, handling.isDoorstep);
    case 'pageData':
      return pageData(request, handling.page);
    case 'otherDevice':
      return asAnother(request);
    case 'network':
      return undefined;
  }
}

/** Everything that any page of this build needs. */
async function keepShell(): Promise<void> {
  const shell = (await (await fetch('/shell.json', { cache: 'no-store' })).json()) as {
    build: string;
    files: string[];
  };
  if (shell.build !== BUILD) throw new Error('there is another build by now');
  const cache = await caches.open(ASSETS + BUILD);
  await cache.addAll(shell.files);
  await self.skipWaiting();
}

async function takeOver(): Promise<void> {
  const names = await caches.keys();
  const old = [ASSETS, PAGES].flatMap((prefix) => outdated(names, prefix, BUILD));
  await Promise.all(old.map((name) => caches.delete(name)));
  await self.clients.claim();
}

/** Whatever comes of it: what is kept may be another’s from then on. */
async function asAnother(request: Request): Promise<Response> {
  try {
    return await fetch(request);
  } finally {
    await forgetPages();
  }
}

async function asset(request: Request): Promise<Response> {
  const kept = await caches.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) await (await caches.open(ASSETS + BUILD)).put(request, answer.clone());
  return answer;
}

async function page(event: FetchEvent, isDoorstep: boolean): Promise<Response> {
  const { request } = event;
  const answering = fetch(request).then(async (answer) => {
    if (isDoorstep) await forgetPages();
    else if (isPage(answer)) await (await caches.open(PAGES + BUILD)).put(request, answer.clone());
    return answer;
  });
  event.waitUntil(answering.catch(() => undefined));
  const kept = await keptFor(request.url);
  if (!kept)
    return answering.catch(async () => ((await keptPath('/kept')) ? redirectTo('/kept') : Response.error()));
  const late = new Promise<Response>((resolve) => setTimeout(() => resolve(kept), PATIENCE_MS));
  return Promise.race([answering.catch(() => kept), late]);
}

/** What is kept for an address: the page, or the way to the one in its place. The router must find each under its own address. */
async function keptFor(url: string): Promise<Response | undefined> {
  const { pathname, search } = new URL(url, self.location.origin);
  const instead = await keptPath(pathname + search);
  if (instead === undefined) return undefined;
  const isSame = new URL(instead, self.location.origin).pathname === pathname;
  return isSame ? keptPage(instead) : redirectTo(instead);
}

const redirectTo = (path: string): Response => Response.redirect(path, 302);

/** Where the bench is away, the router is told to open the page itself, which is kept. */
async function pageData(request: Request, path: string): Promise<Response> {
  try {
    return await fetch(request);
  } catch (error) {
    const instead = await keptPath(path);
    if (instead === undefined) throw error;
    return new Response(null, {
      status: 204,
      headers: { 'X-Remix-Redirect': instead, 'X-Remix-Status': '302', 'X-Remix-Reload-Document': 'true' },
    });
  }
}

async function keptPath(path: string): Promise<string | undefined> {
  const kept = await Promise.all(
    (await pageCaches()).map(async (cache) => (await cache.keys()).map(({ url }) => url)),
  );
  const addresses = kept.flat().map((url) => url.slice(self.location.origin.length));
  return keptInstead(path, addresses);
}

/** The newest that is kept of a page. */
async function keptPage(path: string): Promise<Response | undefined> {
  for (const cache of await pageCaches()) {
    const kept = await cache.match(path, { ignoreVary: true });
    if (kept) return kept;
  }
  return undefined;
}

/** Those of the newest build first. */
async function pageCaches(): Promise<Cache[]> {
  const names = (await caches.keys()).filter((name) => name.startsWith(PAGES)).toReversed();
  return Promise.all(names.map((name) => caches.open(name)));
}

const isPage = (answer: Response): boolean =>
  answer.status === 200 &&
  !answer.redirected &&
  (answer.headers.get('content-type') ?? '').startsWith('text/html');

/** Fetches the pages that were written since they were kept, one after the other: others are at the bench, too. */
async function keep(pages: readonly PageToKeep[]): Promise<void> {
  const cache = await caches.open(PAGES + BUILD);
  for (const { path, written } of pages) {
    const kept = await cache.match(path, { ignoreVary: true });
    if (kept?.headers.get(WRITTEN) === written) continue;
    const answer = await fetch(path, { headers: { accept: 'text/html' } }).catch(() => undefined);
    if (answer === undefined) return;
    if (isPage(answer)) await cache.put(path, stamped(answer, written));
  }
  for (const oldest of (await cache.keys()).slice(0, -MOST_PAGES)) await cache.delete(oldest);
}

function stamped(answer: Response, written: string): Response {
  const headers = new Headers(answer.headers);
  // What is kept is unpacked.
  for (const name of ['content-encoding', 'content-length']) headers.delete(name);
  headers.set(WRITTEN, written);
  return new Response(answer.body, { headers });
}

async function forgetPages(): Promise<void> {
  for (const name of await caches.keys()) if (name.startsWith(PAGES)) await caches.delete(name);
}
