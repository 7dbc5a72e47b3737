import { test, type Page } from '@playwright/test';
import { handOf } from '../hand';
import { openAnswering } from '../test';

const FOLDER = 'docs/screenshots';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Four lines typed off a made-up manual. */
const MANUAL = [
  '1;Drag Brake;0 %;20 %;40 %;70 %*;100 %',
  '2;Punch;1;2;3*;4;5',
  '3;Cutoff Voltage;Off;3.0 V;3.2 V*;3.4 V;9.6 V pack',
  '4;Motor Timing;Low*;Middle;High',
].join('\n');

/** The few things that the pictures need done. @param page on which the clock was installed */
const cameraOf = (page: Page) => ({
  shot: async (name: string, waitMs = 1500): Promise<void> => {
    await page.mouse.move(0, 0);
    await page.clock.runFor(waitMs);
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `${FOLDER}/${name}.png` });
  },
  move: async (name: string, key: string, times: number): Promise<void> => {
    for (let n = 0; n < times; n += 1) await page.getByRole('slider', { name, exact: true }).press(key);
  },
  click: (name: string): Promise<void> => page.getByRole('button', { name }).first().click(),
});

test.beforeEach(({ page }) => openAnswering(page));

test('the buggy, from rig to sheet', async ({ page }) => {
  await page.clock.install();
  const hand = handOf(page);
  const { shot, move, click } = cameraOf(page);

  await page.goto('/');
  await shot('all-rigs');
  await page.getByRole('link', { name: /^Kelp-beach buggy/ }).click();
  await page.waitForURL('**/tune');
  const rig = page.url().replace('/tune', '');

  await page.goto(`${rig}/rig`);
  await shot('rig');

  await page.goto(`${rig}/endpoints`);
  await page.getByLabel('Wheels clear of the bench').check();
  await click('Done: all at 100 %');
  await page.getByText('End points at 100 % both ways', { exact: true }).waitFor();
  await click('Begin calibrating');
  await hand.follow(/^Pull the trigger/);
  await hand.follow(/^Learned/);
  await click('Keep this calibration');
  await page.getByText('The trigger and the ESC agree.').waitFor();
  await shot('endpoints');

  await page.goto(`${rig}/tune`);
  await move('Launch strength', 'ArrowLeft', 2);
  await move('Brake strength', 'ArrowLeft', 2);
  await move('Cutoff', 'Home', 1);
  await page.getByRole('tab', { name: 'Brake' }).click();
  await page.getByText('Peak brake current').waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
  await shot('tune');
  await page.setViewportSize(PHONE);
  await page.emulateMedia({ colorScheme: 'dark' });
  await shot('tune-phone-dark');
  await page.emulateMedia({ colorScheme: 'light' });
  await page.setViewportSize(DESK);
  await move('Cutoff', 'ArrowRight', 5);
  // Kept before the page is left: what was on its way would reach the server after the next page has asked.
  await page.clock.runFor(1000);
  await page.waitForLoadState('networkidle');

  await page.goto(`${rig}/load`);
  await page.getByLabel('Wheels clear of the bench').check();
  await click('Begin loading');
  await hand.follow(/^Press set/);
  await hand.press(1);
  await shot('load');
  await hand.follow(/^Every value is counted back/);
  await click('Done: go to Sheets');
  await page.getByRole('heading', { name: 'Sheet 1' }).waitFor();
  await page.getByRole('link', { name: 'Print sheet 1' }).click();
  await page.getByRole('heading', { name: 'Kelp-beach buggy: sheet 1' }).waitFor();
  await page.emulateMedia({ media: 'print' });
  await shot('sheet-on-paper');
});

test('the crawler by its card and by its link, unknown values in the dark', async ({ page }) => {
  await page.clock.install();
  const hand = handOf(page);
  const { move, click } = cameraOf(page);
  await page.goto('/');
  await page.getByRole('link', { name: /^Cliff-path crawler/ }).click();
  await page.waitForURL('**/tune');
  const rig = page.url().replace('/tune', '');
  await move('Cutoff', 'ArrowRight', 1);
  await move('Drag brake', 'ArrowRight', 1);
  await page.goto(`${rig}/load`);
  await page.getByLabel('Wheels clear of the bench').check();
  await click('Begin loading');
  await hand.follow(/^Press choice/);
  await page.goto(`${rig}/load`);
  await page.getByLabel('the link').check();
  await page.getByLabel('Wheels clear of the bench').check();
  await click('Load by link');
  await page.clock.resume();
  await page.getByText('Every value is read back.').waitFor();
  await page.screenshot({ path: `${FOLDER}/load-link.png` });
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${rig}/esc`);
  await click('I updated its firmware');
  await page.getByRole('button', { name: 'Yes, note it' }).click();
  await page.getByText('18 values are unknown.').waitFor();
  await page.screenshot({ path: `${FOLDER}/esc-dark.png` });
});

test('the trainer by its stick, and the places outside of any rig', async ({ page }) => {
  await page.clock.install();
  const hand = handOf(page);
  const { shot, move, click } = cameraOf(page);
  await page.goto('/');
  await page.getByRole('link', { name: /^Headland trainer/ }).click();
  await page.waitForURL('**/tune');
  const rig = page.url().replace('/tune', '');
  await move('Start acceleration', 'ArrowRight', 1);
  await move('Timing', 'ArrowRight', 1);
  await page.locator('[data-trace=draft]').first().waitFor();
  await page.goto(`${rig}/load`);
  await page.getByLabel('Propeller off').check();
  await click('Begin loading');
  await hand.follow(/^Stick all the way down/);
  await page.setViewportSize(PHONE);
  await shot('load-stick-phone', 12_000);
  await page.setViewportSize(DESK);
  await page.clock.resume();
  await page.goto('/profiles/new?from=pattern-lamp-card&empty');
  await page.getByLabel('Name', { exact: true }).fill('Marram 60');
  await page.getByLabel('Table', { exact: true }).fill(MANUAL);
  await click('Use these 4 items');
  await page
    .getByRole('button', { name: /^It is / })
    .nth(0)
    .click();
  await page.locator('[data-item="1"]').scrollIntoViewIfNeeded();
  await page.getByRole('heading', { name: /^Its items/ }).evaluate((heading) => heading.scrollIntoView());
  await page.screenshot({ path: `${FOLDER}/workshop.png` });
});

test('set-ups: the tree', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /^Kelp-beach buggy/ }).click();
  await page.waitForURL('**/tune');
  await page.goto(`${page.url().replace('/tune', '')}/set-ups`);
  await page.screenshot({ path: `${FOLDER}/set-ups.png` });
});

test('runs: noted, a log with the model’s own trace, and what runs told', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /^Kelp-beach buggy/ }).click();
  await page.waitForURL('**/tune');
  const rig = page.url().replace('/tune', '');
  await page.goto(`${rig}/runs`);
  const tap = (moment: string, felt: string) =>
    page.getByRole('group', { name: moment, exact: true }).getByRole('button', { name: felt }).click();
  await tap('Pull away', 'right');
  await tap('Brake', 'more');
  await page.getByLabel('Motor can temperature', { exact: true }).fill('71');
  await page.getByLabel('Pack', { exact: true }).fill('Blue');
  await page.getByLabel('Time, min').fill('4');
  await page.getByLabel('In your words').fill('wet sand, long straight');
  await page.getByRole('button', { name: 'Save the run' }).click();
  await page.getByRole('link', { name: 'Run 13', exact: true }).waitFor();
  await page
    .getByRole('button', { name: /^Draft it/ })
    .first()
    .waitFor();
  await tap('Flat out', 'right');
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.screenshot({ path: `${FOLDER}/runs.png` });

  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${rig}/runs/1/log`);
  await page.getByText('the model, for the same trigger').waitFor();
  const plots = page.getByRole('group', { name: /^The log/ });
  for (let n = 0; n < 7; n += 1) await plots.press('+');
  await page.waitForTimeout(1000);
  await page.evaluate(() => window.scrollTo(0, 90));
  await page.screenshot({ path: `${FOLDER}/log-dark.png` });

  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto('/');
  await page.getByRole('link', { name: /^Headland trainer/ }).click();
  await page.waitForURL('**/tune');
  await page.goto(`${page.url().replace('/tune', '')}/runs/learned`);
  await page.getByRole('button', { name: 'Fit the model to 4 runs' }).click();
  const told = page.getByRole('group', { name: 'What the runs tell' });
  await told.waitFor({ timeout: 120_000 });
  await told.evaluate((table) => window.scrollTo(0, table.getBoundingClientRect().top - 80));
  await page.screenshot({ path: `${FOLDER}/learned.png` });
});

test('days: a test day on a desk, a race day on a phone', async ({ page }) => {
  await page.goto('/days');
  await page.getByRole('link', { name: 'Club test day' }).click();
  await page.getByRole('heading', { level: 1, name: 'Club test day' }).waitFor();
  const date = await page.getByLabel('From', { exact: true }).inputValue();
  // Its plan as it stands on its morning, wherever in the week the pictures are made.
  await page.clock.install({ time: new Date(`${date}:00Z`) });
  await page.reload();
  const plan = page.getByRole('group', { name: 'The plan along the clock' });
  await plan.waitFor({ timeout: 60_000 });
  await page.screenshot({ path: `${FOLDER}/test-day.png` });

  await page.emulateMedia({ colorScheme: 'dark' });
  await page.setViewportSize(PHONE);
  await page.clock.setSystemTime(new Date(Date.parse(`${date}:00Z`) + 22 * 3_600_000));
  await page.goto('/days/demo-race-day');
  await page.getByText('Lasts.').nth(2).waitFor({ timeout: 60_000 });
  await page.screenshot({ path: `${FOLDER}/race-day-phone-dark.png` });
});

test('rehearse', async ({ page }) => {
  await page.clock.install();
  await page.setViewportSize(DESK);
  await page.goto('/rehearse/tamsel-r60/changeOne?by=oneKey');
  await page.getByLabel(/As an exam/).check();
  await page.getByRole('button', { name: 'Start as an exam' }).click();
  const hold = async (ms: number): Promise<void> => {
    await page.keyboard.down(' ');
    await page.clock.runFor(ms);
    await page.keyboard.up(' ');
  };
  await page.keyboard.press('p');
  await page.clock.runFor(2500);
  await hold(1500);
  for (let n = 0; n < 5; n += 1) await page.keyboard.press(' ');
  await hold(2800);
  await page.keyboard.press(' ');
  await hold(2800);
  await page.getByRole('button', { name: 'I am done' }).click();
  await page.getByRole('heading', { name: /^Not passed/ }).waitFor();
  await page.screenshot({ path: `${FOLDER}/rehearse-report.png` });
});

test('the pit, with a code for a helper’s phone', async ({ page }) => {
  await page.clock.install();
  const { shot, click } = cameraOf(page);
  await page.goto('/pit');
  await page.getByLabel('Password of the owner').first().fill('four wet kelp leaves');
  await click('Keep the password');
  await page.getByText('Password kept.').waitFor();
  await page.getByRole('radio', { name: /^a helper/ }).check();
  await page.getByLabel('Name of the phone, for your list').fill('Phone at the ESC');
  await click('Make a code');
  await page.getByRole('heading', { name: 'Code for “Phone at the ESC”' }).waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
  await shot('pit');
});
