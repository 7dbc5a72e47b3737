import { describe, expect, it } from 'vitest';
import { handlingOf, keptInstead, outdated } from './requests';

const BENCH = 'https://192.168.1.7:4243';
const get = (path: string, isNavigation = false) =>
  handlingOf({ method: 'GET', url: BENCH + path }, BENCH, isNavigation);
const post = (path: string) => handlingOf({ method: 'POST', url: BENCH + path }, BENCH, false);

describe('the service worker', () => {
  it('takes up pages, what the router asks for instead of them, and files of a build', () => {
    expect(get('/rigs/a/load', true)).toEqual({ kind: 'page', isDoorstep: false });
    expect(get('/assets/tune-1.js')).toEqual({ kind: 'asset' });
    expect(get('/rigs/a/load.data?_routes=routes%2Fload')).toEqual({
      kind: 'pageData',
      page: '/rigs/a/load',
    });
    expect(get('/rigs/a/sheets.data?page=2&_routes=x')).toEqual({
      kind: 'pageData',
      page: '/rigs/a/sheets?page=2',
    });
    expect(get('/_root.data')).toEqual({ kind: 'pageData', page: '/' });
  });

  it('leaves all else to the network: lines that stay open, files, changes, other machines', () => {
    for (const path of ['/live', '/healthz', '/kept.json', '/rigs/a/picture'])
      expect(get(path), path).toEqual({ kind: 'network' });
    expect(get('/rigs/a/rig.json', true)).toEqual({ kind: 'network' });
    expect(post('/rigs/a/keep-run')).toEqual({ kind: 'network' });
    expect(handlingOf({ method: 'GET', url: 'https://192.168.1.9/' }, BENCH, true)).toEqual({
      kind: 'network',
    });
  });

  it('notices that this device is another now, or is out', () => {
    for (const path of ['/sign-out', '/sign-out.data', '/pair', '/sign-in.data', '/garages.data'])
      expect(post(path), path).toEqual({ kind: 'otherDevice' });
    expect(get('/pair', true)).toEqual({ kind: 'page', isDoorstep: true });
  });

  it('keeps the files of the build before: an old page goes on with them', () => {
    const names = ['pages', 'assets-1', 'assets-2', 'assets-3'];
    expect(outdated(names, 'assets-', '3')).toEqual(['assets-1']);
    expect(outdated(['assets-3'], 'assets-', '3')).toEqual([]);
  });

  it('opens the page that was asked for, or the station of a rig that is kept', () => {
    const kept = ['/', '/rigs/a/load', '/rigs/a/tune', '/rigs/a/runs?day=d'];
    expect(keptInstead('/rigs/a/tune', kept)).toBe('/rigs/a/tune');
    expect(keptInstead('/rigs/a/runs?day=e', kept)).toBe('/rigs/a/runs?day=d');
    expect(keptInstead('/rigs/a', kept)).toBe('/rigs/a/load');
    expect(keptInstead('/packs', kept)).toBeUndefined();
    expect(keptInstead('/', ['/rigs/a/load'])).toBeUndefined();
    expect(keptInstead('/packs', ['/packs/blue'])).toBeUndefined();
  });
});
