import { expect, test, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { control, processesOf } from './standIn';
import { openAnswering } from './test';

// A Live Tune of its own, since its parts are killed one after the other.
test.describe.configure({ mode: 'serial' });

const PORT = 4397;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const DATA = '.data/kill';
let live: ChildProcess;

test.beforeAll(async () => {
  test.setTimeout(120_000);
  live = spawn('./start', ['--fresh', '--yes', '--port', String(PORT)], {
    env: { ...process.env, LIVE_TUNE_DATA: DATA },
    stdio: 'ignore',
  });
  await expect
    .poll(
      () =>
        fetch(`${ADDRESS}/healthz`).then(
          (r) => r.ok,
          () => false,
        ),
      { timeout: 90_000 },
    )
    .toBe(true);
});
test.beforeEach(({ page }) => openAnswering(page));
test.afterAll(async () => {
  const gone = new Promise((resolve) => live.once('exit', resolve));
  live.kill('SIGTERM');
  await gone;
});

const kill = async (part: 'web' | 'database' | 'standIn'): Promise<void> => {
  process.kill((await processesOf(DATA))[part], 'SIGKILL');
};

async function openBuggy(page: Page, station: string): Promise<void> {
  await page.goto(ADDRESS);
  await page.getByRole('link', { name: /^Kelp-beach buggy/ }).click();
  await page.waitForURL('**/tune');
  if (station !== 'tune') await page.goto(page.url().replace('tune', station));
}

const brake = (page: Page) => page.getByRole('slider', { name: 'Brake strength' });
const saved = (page: Page): Promise<void> =>
  expect(page.getByText('draft saved')).toBeAttached({ timeout: 30_000 });
const AWAY = 'The server does not answer. Your draft is kept here';

for (const part of ['web', 'database'] as const) {
  test(`${part} killed: what was called saved is there, what was not is saved when it is back`, async ({
    page,
  }) => {
    test.setTimeout(90_000);
    await openBuggy(page, 'tune');
    await brake(page).press('Home');
    await brake(page).press('ArrowRight');
    await saved(page);
    await kill(part);
    // Moved while nobody is there.
    await brake(page).press('ArrowRight');
    await expect(page.getByText(AWAY)).toBeVisible({ timeout: 15_000 });
    await expect(page.getByText(AWAY)).toBeHidden({ timeout: 30_000 });
    await saved(page);
    await page.evaluate(() => localStorage.clear());
    await page.reload();
    await expect(brake(page)).toHaveAttribute('aria-valuetext', /^45 %/);
    await brake(page).press('Backspace');
    await saved(page);
  });
}

test('the database killed before a page is opened: the page says so, and goes on by itself', async ({
  page,
}) => {
  test.setTimeout(90_000);
  await openBuggy(page, 'tune');
  await kill('database');
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /^Sheets/ })
    .click();
  await expect(page.getByRole('heading', { name: /Live Tune does not answer|^Sheets$/ })).toBeVisible({
    timeout: 15_000,
  });
  await expect(page.getByRole('heading', { name: 'Sheets', exact: true })).toBeVisible({ timeout: 30_000 });
});

/**
 * Begins a load by link and waits until it writes: the ESC does not answer then, and is asked for three seconds. Each
 * test writes towards ends of the rails of its own, since nobody knows what the load before it had stored when it was
 * killed.
 */
async function loadUntilItWrites(
  page: Page,
  to: { brake: 'Home' | 'End'; dragBrake: 'Home' | 'End' },
): Promise<void> {
  await openBuggy(page, 'tune');
  await brake(page).press(to.brake);
  await page.getByRole('slider', { name: 'Drag brake' }).press(to.dragBrake);
  await saved(page);
  await page.goto(page.url().replace('tune', 'load'));
  await page.getByLabel('the link').check();
  await page.getByLabel('Wheels clear of the bench').check();
  await control(DATA, { do: 'fault', fault: { kind: 'silent', verb: 'WRITE' } });
  await page.getByRole('button', { name: 'Load by link' }).click();
  // Looked for often, since the step is over soon.
  const step = page.locator('[aria-current=step]');
  await expect
    .poll(() => step.textContent(), { timeout: 30_000, intervals: [100] })
    .toContain('Write the changes');
}

/** What the brake was before the loads, and what each of them was to make it. */
const LABELS = { 'stopper-7': '85 %', 'stopper-1': '20 %', 'stopper-8': '100 %' };

/** Reads by link and says what the app and the stand-in then hold for the brake. */
async function readBack(page: Page): Promise<void> {
  const esc = page.url().replace(/\/(load|esc)$/, '/esc');
  const rigId = /rigs\/([0-9a-f-]{36})/.exec(esc)![1]!;
  await page.goto(esc);
  await expect(page.getByRole('row', { name: /6 Stopper .*unknown/ })).toBeVisible();
  await page.getByRole('button', { name: 'Read everything by link' }).click();
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'It is safe: read' }).click();
  await expect(page.getByText('Every value is read.')).toBeVisible({ timeout: 30_000 });
  const { memory } = await control(DATA, { do: 'memory', serial: rigId });
  // Whether the value was kept before the kill came, the machine's speed decides; the page must say which.
  const label = LABELS[memory!.memory.stops.stopper as keyof typeof LABELS];
  await page.goto(esc);
  await expect(page.getByRole('row', { name: new RegExp(`6 Stopper .*${label} read back`) })).toBeVisible();
}

test('the stand-in killed while values are written: they are unknown until they are read', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await loadUntilItWrites(page, { brake: 'Home', dragBrake: 'End' });
  await kill('standIn');
  await expect(page.getByText('It is unknown what the ESC holds for “Roll-off”, “Stopper”.')).toBeVisible({
    timeout: 30_000,
  });
  await expect
    .poll(() => control(DATA, { do: 'fault', fault: { kind: 'none' } }).catch(() => null), {
      timeout: 20_000,
    })
    .toBeTruthy();
  await readBack(page);
});

test('the web server killed while values are written: the page says that nobody can tell, and so does the rig', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await loadUntilItWrites(page, { brake: 'End', dragBrake: 'Home' });
  await kill('web');
  await expect(page.getByText('The server restarted in the middle of this.')).toBeVisible({
    timeout: 40_000,
  });
  await control(DATA, { do: 'fault', fault: { kind: 'none' } });
  await readBack(page);
});
