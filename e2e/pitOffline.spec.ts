/** A phone that loses the bench: for a day at the track, and while it is away. */
import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import type { RaceDay } from '#core/days/day';
import { ASSETS, PAGES } from '../app/offline/keepPages';
import { lookAt } from './looks';
import { atBench, BUGGY, makeCode, openPit, paired, rigIds } from './pit';
import { CHROMIUM, CHROMIUM_FLAGS, PIT } from './setting';
import { processesOf } from './standIn';
import { expect, FRESH, test } from './test';

test.describe.configure({ mode: 'serial' });

/** A browser that takes any certificate stands for a phone that trusts the bench: only then it keeps pages. */
let trusting: Browser;
let bench: BrowserContext;
let buggy: string;

test.beforeAll(async ({ browser }) => {
  trusting = await chromium.launch({
    executablePath: CHROMIUM,
    args: [...CHROMIUM_FLAGS, '--ignore-certificate-errors'],
  });
  bench = await atBench(browser);
  buggy = (await rigIds(bench))[BUGGY]!;
});
test.afterAll(async () => {
  await trusting.close();
  await bench.close();
});

/** How many pages a phone has kept. */
const keptCount = (page: Page): Promise<number> =>
  page.evaluate(async (prefix) => {
    const names = (await caches.keys()).filter((name) => name.startsWith(prefix));
    const counts = await Promise.all(
      names.map(async (name) => (await (await caches.open(name)).keys()).length),
    );
    return counts.reduce((sum, count) => sum + count, 0);
  }, PAGES);

/** A phone that trusts the bench, and has kept its pages. @param prepare what is done before it keeps anything */
async function keeping(
  whose: 'my own' | 'a helper',
  name: string,
  prepare: (page: Page) => Promise<void> = () => Promise.resolve(),
): Promise<{ phone: BrowserContext; page: Page }> {
  const pit = await openPit(bench);
  const phone = await paired(trusting, pit, whose, name);
  await pit.close();
  const page = await phone.newPage();
  await page.goto('/');
  await prepare(page);
  await expect
    .poll(() => page.evaluate(async () => (await caches.match('/kept')) !== undefined), { timeout: 60_000 })
    .toBe(true);
  return { phone, page };
}

const AWAY = 'The bench does not answer.';
const dayFile = async (): Promise<RaceDay> =>
  ((await (await bench.request.get('/days/demo-race-day.json')).json()) as { day: RaceDay }).day;
const runsOf = async (): Promise<number> => {
  const found = /of (\d+)|"found",(\d+)/.exec(
    await (await bench.request.get(`/rigs/${buggy}/runs.data`)).text(),
  );
  return Number(found?.[2] ?? found?.[1]);
};

test(
  'a day without the bench: runs and ticks wait, and come together with what the bench did',
  FRESH,
  async () => {
    const { phone, page } = await keeping('a helper', 'Far phone');
    const before = await runsOf();
    const [first, second] = (await dayFile()).checks;
    await phone.setOffline(true);
    // From one kept page to the next, as with the bench.
    await expect(page.getByText(AWAY)).toBeVisible();
    await page.getByRole('link', { name: new RegExp(`^${BUGGY}`) }).click();
    await page.waitForURL(/\/rigs\/.+\/\w+/);
    await page.goto(`/rigs/${buggy}/runs`);
    for (const minutes of ['7', '9']) {
      await page.getByLabel('Time, min').fill(minutes);
      await page.getByRole('group', { name: 'Brake' }).getByRole('button', { name: 'less' }).click();
      await page.getByRole('button', { name: 'Save the run' }).click();
      await expect(page.getByText('Run noted.')).toBeVisible();
    }
    await page.goto('/days/demo-race-day');
    await page.getByRole('checkbox', { name: first!.words }).check();
    await expect(page.getByText('Your changes wait on this device.')).toBeVisible();
    await page.close();
    // Meanwhile the bench goes on.
    const atDesk = await bench.newPage();
    await atDesk.goto('/days/demo-race-day');
    await atDesk.getByRole('checkbox', { name: second!.words }).check();
    await expect.poll(async () => (await dayFile()).checks[1]!.doneAt).not.toBeNull();
    // The evening: the phone is opened again, still without the bench, then with it.
    const evening = await phone.newPage();
    await evening.goto('/');
    await expect(evening.getByText('2 runs wait on this device until it does.')).toBeVisible();
    await phone.setOffline(false);
    await expect.poll(runsOf, { timeout: 30_000 }).toBe(before + 2);
    await expect(evening.getByText('Changes to a day wait on this device.')).toBeVisible();
    await evening.getByRole('link', { name: 'Open it to send them' }).click();
    await expect.poll(async () => (await dayFile()).checks[0]!.doneAt, { timeout: 30_000 }).not.toBeNull();
    const merged = await dayFile();
    expect(merged.checks.map(({ doneAt }) => doneAt !== null).slice(0, 2)).toEqual([true, true]);
    await evening.reload();
    await expect(evening.getByText('wait on this device')).toHaveCount(0);
    expect(await runsOf()).toBe(before + 2);
    await phone.close();
    await atDesk.close();
  },
);

test(
  'a page that was not kept says so, and a phone that is removed has nothing any more',
  FRESH,
  async () => {
    const { phone, page } = await keeping('a helper', 'Lost phone');
    await phone.setOffline(true);
    await page.goto('/rules');
    await expect(page.getByRole('heading', { name: 'What this phone has kept' })).toBeVisible();
    await expect(page.getByText(AWAY)).toBeVisible();
    await lookAt(page, 'what a phone has kept, without the bench');
    await page.getByRole('link', { name: 'Days' }).first().click();
    await expect(page.getByRole('heading', { name: 'Days', exact: true })).toBeVisible();
    await phone.setOffline(false);
    const pit = await openPit(bench);
    await pit.getByRole('button', { name: 'Remove Lost phone' }).click();
    await page.waitForURL('**/pair', { timeout: 60_000 });
    await expect.poll(() => keptCount(page)).toBe(0);
    await phone.close();
    await pit.close();
  },
);

test(
  'it can be installed, and the files of the build before stay for a page that is open',
  FRESH,
  async () => {
    const OLD = '/assets/of-the-build-before.js';
    const OLDER = '/assets/of-an-older-build.js';
    const { phone, page } = await keeping('my own', 'Patient phone', (before) =>
      before.evaluate(
        async ([prefix, ...files]) => {
          for (const [build, file] of [
            ['1', files[1]],
            ['2', files[0]],
          ] as const)
            await (await caches.open(`${prefix}${build}`)).put(file, new Response('kept'));
        },
        [ASSETS, OLD, OLDER] as const,
      ),
    );
    const cdp = await phone.newCDPSession(page);
    expect(await cdp.send('Page.getInstallabilityErrors')).toEqual({ installabilityErrors: [] });
    // The bench has neither of them any more.
    const statusOf = (file: string): Promise<number> =>
      page.evaluate(async (path) => (await fetch(path)).status, file);
    expect(await statusOf(OLD)).toBe(200);
    expect(await statusOf(OLDER)).toBe(404);
    await phone.close();
  },
);

test('a bench that is slow is not waited for, and the page is renewed once it answers', FRESH, async () => {
  const { phone, page } = await keeping('a helper', 'Hasty phone');
  const { web } = await processesOf(PIT.data);
  process.kill(web, 'SIGSTOP');
  try {
    await page.goto('/days');
    await expect(page.getByRole('heading', { name: 'Days', exact: true })).toBeVisible();
    await expect(page.getByText(AWAY)).toBeVisible();
  } finally {
    process.kill(web, 'SIGCONT');
  }
  await expect(page.getByText(AWAY)).toHaveCount(0);
  await phone.close();
});

test(
  'a phone that is removed with notes on it gets to the pairing page, and sends them when it is paired again',
  FRESH,
  async () => {
    const { phone, page } = await keeping('a helper', 'Forgotten phone');
    const before = await runsOf();
    await phone.setOffline(true);
    await page.goto(`/rigs/${buggy}/runs`);
    for (let n = 0; n < 6; n += 1) {
      await page.getByRole('group', { name: 'Brake' }).getByRole('button', { name: 'more' }).click();
      await page.getByRole('button', { name: 'Save the run' }).click();
      await expect(page.getByText('Run noted.')).toBeVisible();
    }
    const pit = await openPit(bench);
    await pit.getByRole('button', { name: 'Remove Forgotten phone' }).click();
    await expect(pit.getByText('Removed.')).toBeVisible();
    await phone.setOffline(false);
    await page.waitForURL('**/pair', { timeout: 60_000 });
    const refused: number[] = [];
    page.on('response', (response) => {
      if (response.url().endsWith('/keep-run')) refused.push(response.status());
    });
    const code = await makeCode(pit, 'a helper', 'Forgotten phone again');
    await page.waitForTimeout(6000);
    expect(refused).toEqual([]);
    await page.goto(`/pair#${code}`);
    await page.getByRole('button', { name: 'Pair', exact: true }).click();
    await expect.poll(runsOf, { timeout: 30_000 }).toBe(before + 6);
    await phone.close();
    await pit.close();
  },
);
