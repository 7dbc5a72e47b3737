/** What the service worker does with which request. */

export type Handling =
  /** A script, style or font of a build: the same for ever. */
  | { kind: 'asset' }
  /** A page that is opened; `isDoorstep` where a device comes to that is not, or no longer, let in. */
  | { kind: 'page'; isDoorstep: boolean }
  /** What the router asks for instead of a page, and the page that it stands for. */
  | { kind: 'pageData'; page: string }
  /** Who this device is changes: what it has kept may be another’s then. */
  | { kind: 'otherDevice' }
  /** None of the worker’s business. */
  | { kind: 'network' };

const DOORSTEPS = new Set(['/pair', '/sign-in']);
const CHANGE_WHO = new Set([...DOORSTEPS, '/sign-out', '/garages']);
/** Of the query of a request for data, what the router added. */
const ROUTERS_OWN = ['_routes', 'index'];

const IS_RIG = /^\/rigs\/[^/]+$/;

/** @param origin of the worker itself @param isNavigation whether a page is opened with it */
export function handlingOf(
  request: { method: string; url: string },
  origin: string,
  isNavigation: boolean,
): Handling {
  const url = new URL(request.url);
  if (url.origin !== origin) return { kind: 'network' };
  const path = url.pathname;
  const page = path === '/_root.data' ? '/' : path.replace(/\.data$/, '');
  if (request.method !== 'GET') return { kind: CHANGE_WHO.has(page) ? 'otherDevice' : 'network' };
  if (path.startsWith('/assets/')) return { kind: 'asset' };
  if (path.endsWith('.data')) {
    for (const name of ROUTERS_OWN) url.searchParams.delete(name);
    return { kind: 'pageData', page: page + url.search };
  }
  // A file that is saved, or a picture, is opened like a page, too.
  const isPage = isNavigation && !/\.\w+$/.test(path);
  return isPage ? { kind: 'page', isDoorstep: DOORSTEPS.has(path) } : { kind: 'network' };
}

/** Which caches of builds are let go of. @param names in the order in which they were made */
export function outdated(names: readonly string[], prefix: string, build: string): string[] {
  const others = names.filter((name) => name.startsWith(prefix) && name !== prefix + build);
  // An old page that is still open goes on with the files of the build before.
  return others.slice(0, -1);
}

/**
 * The page that is opened where another was asked for: itself, itself with another query, or where a rig was asked for, one of its
 * stations. @param kept addresses with their query
 */
export function keptInstead(asked: string, kept: readonly string[]): string | undefined {
  const [path = '/'] = asked.split('?');
  const pathOf = (address: string): string => address.split('?')[0]!;
  return (
    kept.find((address) => address === asked) ??
    kept.find((address) => pathOf(address) === path) ??
    (IS_RIG.test(path) ? kept.find((address) => address.startsWith(`${path}/`)) : undefined)
  );
}
