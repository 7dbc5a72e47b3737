import type { APIRequestContext, BrowserContext } from '@playwright/test';
import { RIGHTS } from '../server/access/rights';
import { ADDRESSES } from './addresses';
import { askAsStranger, atBench, openPit, paired, open } from './pit';
import { PIT } from './setting';
import { expect, FRESH, test } from './test';

/** The rigs of the bench, by their names. */
async function rigIds(bench: BrowserContext): Promise<Record<string, string>> {
  const page = await bench.newPage();
  await open(page, '/');
  const links = await page
    .locator('a[href^="/rigs/"]')
    .evaluateAll((all) =>
      all.map((link) => [link.textContent, link.getAttribute('href')!.split('/')[2]!] as const),
    );
  await page.close();
  return Object.fromEntries(links.filter(([, id]) => id !== 'new').map(([name, id]) => [name.trim(), id]));
}

const BUGGY = 'Kelp-beach buggy';

/** An address with its parameters filled in. */
const filled = (address: string, rigId: string): string =>
  address.replace(':rigId', rigId).replace(':number', '1').replaceAll(/:\w+/g, 'no-such');

/** What a paired device gets, without following where it is sent. */
async function ask(
  device: APIRequestContext,
  method: 'GET' | 'POST',
  path: string,
): Promise<{ status: number; to: string | undefined; body: string }> {
  const response = await device.fetch(path, {
    method,
    maxRedirects: 0,
    headers:
      method === 'GET'
        ? { accept: 'text/html' }
        : { origin: PIT.network, 'content-type': 'application/x-www-form-urlencoded' },
    ...(method === 'POST' && { data: '' }),
  });
  return { status: response.status(), to: response.headers().location, body: await response.text() };
}

/** The addresses that a stranger is turned away from. */
const CLOSED = [
  ...new Set([...ADDRESSES, '/archive', '/archive/no-such', '/live', '/healthz', '/no-such', '/__manifest']),
].filter((address) => RIGHTS[address]?.read !== 'stranger');

test.describe.configure({ mode: 'serial' });

let bench: BrowserContext;
let ids: Record<string, string>;

test.beforeAll(async ({ browser }) => {
  bench = await atBench(browser);
  ids = await rigIds(bench);
  await (await openPit(bench)).close();
});
test.afterAll(() => bench.close());

test('a stranger gets the same answer from every address: nothing says what there is', async () => {
  const seen = new Map<string, string>();
  for (const [place, address] of CLOSED.entries()) {
    // From ever other places, so that nobody is told to wait.
    const from = `127.0.1.${1 + Math.floor(place / 15)}`;
    const path = filled(address, ids[BUGGY]!);
    const answers = {
      page: await askAsStranger(path, { from, headers: { accept: 'text/html' } }),
      data: await askAsStranger(path === '/' ? '/_root.data' : `${path}.data`, { from }),
      change: await askAsStranger(path, { from, method: 'POST', headers: { origin: PIT.network } }),
    };
    for (const [kind, answer] of Object.entries(answers)) seen.set(`${kind} ${JSON.stringify(answer)}`, path);
  }
  expect([...seen].map(([answer, path]) => `${path}: ${answer}`)).toHaveLength(3);
  for (const answer of seen.keys()) expect(answer).not.toMatch(/kelp|garage|express|node|postgres/i);
});

test('every address answers each role by the table of rights', FRESH, async ({ browser }) => {
  test.setTimeout(180_000);
  const pit = await openPit(bench);
  const rigId = ids[BUGGY]!;
  const devices = {
    owner: await paired(browser, pit, 'my own', 'Own phone'),
    helper: await paired(browser, pit, 'a helper', 'Helping phone'),
    visitor: await paired(browser, pit, 'a visitor', 'Visiting phone', { rig: BUGGY }),
  };
  const order = ['visitor', 'helper', 'owner'] as const;
  const wrong: string[] = [];
  for (const [place, role] of order.entries()) {
    for (const address of ADDRESSES) {
      const { read, change } = RIGHTS[address]!;
      const path = filled(address, rigId);
      const may = (least: string): boolean => least === 'stranger' || order.indexOf(least as never) <= place;
      const page = await ask(devices[role].request, 'GET', path);
      const isShown = page.to !== '/not-allowed' && page.to !== '/pair';
      if (isShown !== may(read)) wrong.push(`${role} reads ${path}: ${page.status} ${page.to}`);
      if (page.status >= 500) wrong.push(`${role} reads ${path}: ${page.status}`);
      // An empty form is refused for what it lacks, once the role has been let in; signing out is tried elsewhere.
      if (address === '/sign-out' || address === '/pair' || address === '/sign-in') continue;
      const changed = await ask(devices[role].request, 'POST', path);
      const isTurnedAway = changed.status === 403 && changed.body.includes('This device may not do that');
      if (isTurnedAway === may(change)) wrong.push(`${role} changes ${path}: ${changed.status}`);
    }
    const elsewhere = await ask(devices[role].request, 'GET', `/rigs/${ids['Cliff-path crawler']}/rig`);
    if ((elsewhere.status === 200) !== (role !== 'visitor'))
      wrong.push(`${role} sees another rig: ${elsewhere.status}`);
  }
  expect(wrong).toEqual([]);
  for (const device of Object.values(devices)) await device.close();
  await pit.close();
});
