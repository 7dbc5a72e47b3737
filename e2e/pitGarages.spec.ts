import type { BrowserContext } from '@playwright/test';
import { ADDRESSES } from './addresses';
import { atBench, BUGGY, filled, openPit, rigIds } from './pit';
import { PIT } from './setting';
import { expect, FRESH, test } from './test';

let bench: BrowserContext;
let ids: Record<string, string>;

test.beforeAll(async ({ browser }) => {
  bench = await atBench(browser);
  ids = await rigIds(bench);
  await (await openPit(bench)).close();
});
test.afterAll(() => bench.close());

test('of two garages on one bench none sees anything of the other', FRESH, async () => {
  test.setTimeout(180_000);
  const first = await bench.newPage();
  await first.goto('/garages');
  await first.getByLabel('Its name').fill('Second garage');
  await first.getByLabel('Password of its owner').fill('another wet kelp leaf');
  await first.getByRole('button', { name: 'Add it' }).click();
  await first.waitForURL('**/sign-in');
  // From now on the bench asks, too.
  await first.goto('/');
  expect(new URL(first.url()).pathname).toBe('/sign-in');
  await first.getByLabel('Garage').selectOption('Second garage');
  await first.getByLabel('Password', { exact: true }).fill('another wet kelp leaf');
  await first.getByRole('button', { name: 'Sign in' }).click();
  await first.waitForURL(`${PIT.bench}/`);
  const seen: string[] = [];
  for (const address of ADDRESSES) {
    const path = filled(address, ids[BUGGY]!);
    if (path === '/sign-out') continue;
    const response = await bench.request.get(path, { maxRedirects: 0 });
    if (/kelp-beach|cliff-path/i.test(await response.text())) seen.push(path);
    if (response.status() >= 500) seen.push(`${path}: ${response.status()}`);
    if (!address.includes(':rigId')) continue;
    const changed = await bench.request.post(path, {
      maxRedirects: 0,
      headers: { origin: PIT.bench },
      form: { intent: 'delete', name: 'Taken over' },
    });
    if (changed.status() < 400) seen.push(`${path} changed: ${changed.status()}`);
  }
  expect(seen).toEqual([]);
  await first.close();
});
