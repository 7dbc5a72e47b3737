import type { BrowserContext, Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import type { RaceDay } from '#core/days/day';
import { lookAt } from './looks';
import { atBench, BUGGY, makeCode, openPit, paired, rigIds } from './pit';
import { PIT } from './setting';
import { expect, FRESH, test } from './test';

test.describe.configure({ mode: 'serial' });

let bench: BrowserContext;
let ids: Record<string, string>;

test.beforeAll(async ({ browser }) => {
  bench = await atBench(browser);
  ids = await rigIds(bench);
  await (await openPit(bench)).close();
});
test.afterAll(() => bench.close());

test('the page of who may what, and what a guest sees, in every look', FRESH, async ({ browser }) => {
  const pit = await openPit(bench);
  await makeCode(pit, 'a visitor', 'Looked-at phone', { rig: BUGGY });
  await lookAt(pit, 'pit with a code');
  const phone = await paired(browser, pit, 'a helper', 'Looking phone');
  const page = await phone.newPage();
  for (const view of ['/', '/trust', '/not-allowed', `/rigs/${ids[BUGGY]!}/rig`]) {
    await page.goto(view);
    await lookAt(page, `helper, ${view}`);
  }
  // What has no entry says so to whoever may make none.
  for (const [who, count] of [
    [page, 1],
    [pit, 0],
  ] as const) {
    await who.goto('/rules');
    await expect(who.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(who.getByText('The owner has entered none yet.')).toHaveCount(count);
  }
  await phone.close();
  await pit.close();
});

test(
  'what one device moves the others see, also after the server was gone for a while',
  FRESH,
  async ({ browser }) => {
    const pit = await openPit(bench);
    const phone = await paired(browser, pit, 'my own', 'Driver’s phone');
    await pit.close();
    const [atPhone, atTheBench] = [await phone.newPage(), await bench.newPage()];
    for (const page of [atPhone, atTheBench]) {
      await page.goto(`/rigs/${ids[BUGGY]!}/tune`);
      // Both lines are open before anything is moved.
      await page.waitForLoadState('networkidle').catch(() => undefined);
    }
    const brake = (page: Page) => page.getByRole('slider', { name: 'Brake strength' });
    const value = (page: Page) => brake(page).getAttribute('aria-valuetext');
    const before = await value(atPhone);
    await brake(atTheBench).press('ArrowRight');
    await expect.poll(() => value(atPhone)).not.toBe(before);
    await expect(atPhone.getByText('Changed by the bench just now')).toBeVisible();
    await brake(atPhone).press('ArrowLeft');
    await expect(atTheBench.getByText('Changed by Driver’s phone just now')).toBeVisible();
    await expect.poll(() => value(atTheBench)).toBe(before);

    const { web } = JSON.parse(await readFile(`${PIT.data}/processes.json`, 'utf8')) as { web: number };
    process.kill(web, 'SIGKILL');
    // Moved while nobody answers: kept at the phone, sent when it is back, seen at the bench.
    await brake(atPhone).press('ArrowRight');
    const moved = await value(atPhone);
    await expect.poll(() => value(atTheBench), { timeout: 60_000 }).toBe(moved);
    await brake(atPhone).press('ArrowLeft');
    await expect.poll(() => value(atTheBench)).toBe(before);
    await phone.close();
    await atTheBench.close();
  },
);

test('a helper at the ESC and the driver with the phone work one load', FRESH, async ({ browser }) => {
  const pit = await openPit(bench);
  const helper = await paired(browser, pit, 'a helper', 'Anna’s phone');
  const driver = await paired(browser, pit, 'my own', 'Driver’s phone');
  await pit.close();
  const [atEsc, atTrack] = [await helper.newPage(), await driver.newPage()];
  const address = `/rigs/${ids[BUGGY]!}`;
  await atTrack.goto(`${address}/tune`);
  await atTrack.getByRole('slider', { name: 'Brake strength' }).press('ArrowRight');
  await expect(atTrack.getByText('draft saved')).toBeAttached();

  await atEsc.goto(`${address}/load?on=own`);
  await atEsc.getByRole('radio', { name: /your own ESC on the bench/ }).check();
  await atEsc
    .getByRole('radio', { name: /Wheels off the ground|wheels/i })
    .first()
    .check();
  await atEsc.getByRole('button', { name: 'Begin loading' }).click();
  const instruction = (page: Page) => page.getByTestId('instruction').innerText();
  await expect(atEsc.getByTestId('instruction')).toBeVisible();

  await atTrack.goto(`${address}/load`);
  await expect(atTrack.getByText('A load of your own ESC is under way at Anna’s phone.')).toBeVisible();
  await atTrack.getByRole('button', { name: 'Follow it here' }).click();
  await expect(atTrack.getByRole('heading', { name: 'Anna’s phone works this load' })).toBeVisible();
  const first = await instruction(atEsc);
  expect(await instruction(atTrack)).toBe(first);

  // What is ticked at the ESC moves the plan at the track, without a hand there.
  await atEsc.getByRole('button', { name: /^Done, it did that/ }).click();
  await expect.poll(() => instruction(atTrack)).not.toBe(first);
  await expect.poll(() => instruction(atEsc)).toBe(await instruction(atTrack));

  // The driver takes over: the helper is told, and ticks no more.
  await atTrack.getByRole('button', { name: 'Take over: tick here' }).click();
  await expect(atEsc.getByRole('heading', { name: 'Driver’s phone works this load' })).toBeVisible();
  const second = await instruction(atTrack);
  await atTrack.getByRole('button', { name: /^Done, it did that/ }).click();
  await expect.poll(() => instruction(atEsc)).not.toBe(second);

  // Whoever comes back later is where the others are.
  await atEsc.reload();
  await atEsc.getByRole('button', { name: 'Follow it here' }).click();
  await expect.poll(() => instruction(atEsc)).toBe(await instruction(atTrack));
  await atTrack.reload();
  await atTrack.getByRole('button', { name: 'End it' }).click();
  await expect(atEsc.getByText('This load was ended at another device.')).toBeVisible();
  await helper.close();
  await driver.close();
});

test(
  'a phone whose clock is two hours fast is told, and its run is dated by the bench',
  FRESH,
  async ({ browser }) => {
    const pit = await openPit(bench);
    const phone = await paired(browser, pit, 'a helper', 'Fast phone');
    await pit.close();
    const page = await phone.newPage();
    await page.clock.setSystemTime(Date.now() + 2 * 3_600_000);
    await page.goto(`/rigs/${ids[BUGGY]!}/runs`);
    await expect(page.getByText('This phone’s clock is 2\u00a0h ahead of the bench’s.')).toBeVisible();
    await lookAt(page, 'a phone whose clock is wrong');
    await page.getByLabel('In your words', { exact: true }).fill('two hours fast');
    await page.getByRole('button', { name: 'Save the run' }).click();
    const noted = page.getByRole('listitem').filter({ hasText: '“two hours fast”' });
    const link = await noted.getByRole('link', { name: /^Run \d+$/ }).getAttribute('href');
    const file = await bench.request.get(`${link}.json`);
    const { run } = (await file.json()) as { run: { drivenAt: string } };
    // A slow machine may take minutes for a test, and no hours.
    expect(Math.abs(Date.parse(run.drivenAt) - Date.now())).toBeLessThan(10 * 60_000);
    await phone.close();
  },
);

test('a helper ticks what is on a day, and changes nothing of its plan', FRESH, async ({ browser }) => {
  const pit = await openPit(bench);
  const helper = await paired(browser, pit, 'a helper', 'Day phone');
  await pit.close();
  const said = async (fields: Record<string, string>): Promise<string> => {
    const sent = { maxRedirects: 0, headers: { origin: PIT.network }, form: fields };
    return (await helper.request.post('/days/demo-race-day', sent)).text();
  };
  const file = (await (await helper.request.get('/days/demo-race-day.json')).json()) as { day: RaceDay };
  const page = await (await helper.request.get('/days/demo-race-day.data')).text();
  const revision = /"revision",(\d+)/.exec(page)?.[1] ?? '0';
  const REFUSED = 'Only the owner changes the plan';
  const [line, ...others] = file.day.checks;
  const ticked = { ...file.day, checks: [{ ...line!, doneAt: '2026-11-29T10:00:00.000Z' }, ...others] };
  const save = (day: RaceDay) => said({ intent: 'save', revision, day: JSON.stringify(day) });
  expect(await save({ ...file.day, name: 'Taken over' })).toContain(REFUSED);
  expect(await said({ intent: 'delete' })).toContain(REFUSED);
  expect(await save(ticked)).not.toContain(REFUSED);
  const after = (await (await helper.request.get('/days/demo-race-day.json')).json()) as { day: RaceDay };
  expect(after.day.name).toBe(file.day.name);
  expect(after.day.checks[0]!.doneAt).toBe('2026-11-29T10:00:00.000Z');
  await helper.close();
});
