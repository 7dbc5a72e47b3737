/** The pages that the service worker has kept on this device, for whoever wants to open one. */
import { PAGES } from './keepPages';

export interface KeptHere {
  path: string;
  title: string;
  /** When the bench sent it, ISO 8601. */
  at: string;
}

/** The newest of each, as their titles are in order. */
export async function keptHere(): Promise<KeptHere[]> {
  if (!('caches' in globalThis)) return [];
  const found = new Map<string, KeptHere>();
  for (const name of (await caches.keys()).filter((one) => one.startsWith(PAGES))) {
    const cache = await caches.open(name);
    for (const request of await cache.keys()) {
      const page = await cache.match(request);
      const { pathname, search } = new URL(request.url);
      if (!page || pathname === '/kept') continue;
      const sent = Date.parse(page.headers.get('date') ?? '');
      found.set(pathname + search, {
        path: pathname + search,
        title: titleOf(await page.text(), pathname),
        at: new Date(Number.isNaN(sent) ? 0 : sent).toISOString(),
      });
    }
  }
  return [...found.values()].toSorted((a, b) => a.title.localeCompare(b.title));
}

function titleOf(html: string, path: string): string {
  const page = new DOMParser().parseFromString(html, 'text/html');
  const heading = page.querySelector('h1')?.textContent.trim() ?? '';
  const title = page.title.replace(/ · Live Tune$/, '');
  return [title, heading].filter((part, n, all) => part !== '' && all.indexOf(part) === n).join(': ') || path;
}
