import { readFile } from 'node:fs/promises';
import type { Locator, Page } from '@playwright/test';
import { loadAll } from './loadAll';
import { readBack } from './readBack';
import { openDemoRig } from './rigs';
import { expect, FRESH, test } from './test';

const openBuggy = (page: Page, name: string): Promise<string> =>
  openDemoRig(page, 'kelp-beach-buggy', name, 'runs');

const tap = (page: Page, moment: string, felt: string): Locator =>
  page.getByRole('group', { name: moment, exact: true }).getByRole('button', { name: felt });
const field = (page: Page, name: string): Locator => page.getByLabel(name, { exact: true });
const save = (page: Page): Locator => page.getByRole('button', { name: 'Save the run' });
const more = (page: Page): Locator => page.getByText('What was wrong, more numbers, place and weather');
const run = (page: Page, number: number): Locator =>
  page.getByRole('link', { name: `Run ${number}`, exact: true });

/** Takes a run of the demo's season in. */
async function importRun(page: Page, name: string): Promise<void> {
  await page.getByLabel('Import a run').setInputFiles(`demo/season/${name}.run.json`);
  await page
    .getByRole('region', { name: 'Import' })
    .getByRole('button', { name: 'Import', exact: true })
    .click();
}

test.describe('on a phone', () => {
  test.use({ hasTouch: true });
  test(
    'a run is noted in eight taps, and the next begins with its pack and time',
    FRESH,
    async ({ page }) => {
      await page.setViewportSize({ width: 390, height: 844 });
      const rigId = await openDemoRig(page, 'kelp-beach-buggy', 'Thumbed buggy', 'tune');
      await page.goto(`/rigs/${rigId}/tune`);
      let taps = 0;
      const touch = async (target: Locator): Promise<void> => {
        taps += 1;
        await target.tap();
      };
      await touch(page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /^Runs/ }));
      await touch(tap(page, 'Pull away', 'right'));
      await touch(tap(page, 'Flat out', 'less'));
      await touch(tap(page, 'Brake', 'more'));
      await touch(field(page, 'Motor can temperature'));
      await page.keyboard.type('71');
      await touch(save(page));
      await expect(page.getByText('Run noted.')).toBeVisible();
      await expect(run(page, 1)).toBeVisible();
      expect(taps).toBeLessThanOrEqual(8);
      await expect(page.getByText(/Flat out: less/)).toBeVisible();

      // The next one begins with the same pack and time, and with nothing felt.
      await field(page, 'Pack').fill('Blue');
      await field(page, 'Time, min').fill('5,5');
      await touch(tap(page, 'Let go', 'right'));
      await touch(save(page));
      await expect(run(page, 2)).toBeVisible();
      await expect(field(page, 'Pack')).toHaveValue('Blue');
      await expect(field(page, 'Time, min')).toHaveValue('5.5');
      await expect(tap(page, 'Let go', 'right')).toHaveAttribute('aria-pressed', 'false');
    },
  );

  test('the picture of a log is zoomed by two fingers', FRESH, async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    const rigId = await openDemoRig(page, 'headland-trainer', 'Pinched trainer', 'runs');
    await importRun(page, 'headland-trainer-01');
    await expect(run(page, 1)).toBeVisible();
    await page.goto(`/rigs/${rigId}/runs/1/log`);
    const picture = page.getByRole('group', { name: /^The log/ });
    const window = async (): Promise<number[]> =>
      [...(await picture.getAttribute('aria-label'))!.matchAll(/[\d.]+/g)].map(Number);
    await expect(picture.locator('canvas').first()).toBeVisible();
    const [, whole] = await window();
    const { x, y, width } = (await picture.boundingBox())!;
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart?: number): Promise<unknown> =>
      client.send('Input.dispatchTouchEvent', {
        type,
        touchPoints:
          apart === undefined
            ? []
            : [-1, 1].map((side) => ({ x: x + width / 2 + (side * apart) / 2, y: y + 60, id: side + 1 })),
      });
    const client = await page.context().newCDPSession(page);
    await touch('touchStart', 60);
    for (const apart of [80, 110, 150, 180]) await touch('touchMove', apart);
    await touch('touchEnd');
    // Three times as far apart: a third of it is seen, about the same middle.
    await expect
      .poll(async () => {
        const [from, to] = await window();
        return to! - from!;
      })
      .toBeCloseTo(whole! / 3, -0.5);
    const [from, to] = await window();
    expect((from! + to!) / 2 / whole!).toBeCloseTo(0.5, 1);
    // What happened to the rig names the run, too.
    await page.goto(`/rigs/${rigId}/history`);
    await expect(run(page, 1)).toBeVisible();
  });
});

test('what cannot be is said at its field, and nothing typed is lost, not even by a reload', async ({
  page,
}) => {
  await openBuggy(page, 'Mistyped buggy');
  await field(page, 'Motor can temperature').fill('710');
  await field(page, 'In your words').fill('low tide, wet sand');
  await tap(page, 'Brake', 'more').click();
  await page.reload();
  await expect(field(page, 'In your words')).toHaveValue('low tide, wet sand');
  await expect(tap(page, 'Brake', 'more')).toHaveAttribute('aria-pressed', 'true');
  await save(page).click();
  await expect(page.getByText(/710 °C cannot be/)).toBeVisible();
  await field(page, 'Motor can temperature').fill('71');
  await save(page).click();
  await expect(run(page, 1)).toBeVisible();
  await expect(page.getByText('“low tide, wet sand”')).toBeVisible();
});

test(
  'a run that is noted while the server is away waits here, outlives the page, and is kept once',
  FRESH,
  async ({ page }) => {
    await openBuggy(page, 'Far-away buggy');
    let isAway = true;
    await page.route('**/keep-run', (route) => (isAway ? route.abort() : route.continue()));
    await tap(page, 'Brake', 'right').click();
    await save(page).click();
    await expect(page.getByText(/One run waits in this browser/)).toBeVisible();
    await page.reload();
    await expect(page.getByText(/One run waits in this browser/)).toBeVisible();
    // It goes on being sent wherever one is with this rig.
    const station = (name: RegExp): Locator =>
      page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name });
    await station(/^Tune/).click();
    await page.waitForURL('**/tune');
    const sent = page.waitForResponse((response) => response.url().endsWith('/keep-run') && response.ok());
    isAway = false;
    await sent;
    await station(/^Runs/).click();
    await expect(run(page, 1)).toBeVisible();
    await expect(page.getByText(/waits in this browser/)).toBeHidden();
    await page.reload();
    await expect(page.getByRole('link', { name: /^Run \d+$/ })).toHaveCount(1);
  },
);

test('from “brake weak when slow” to the change, the load, and “held”', FRESH, async ({ page }) => {
  await page.clock.install();
  const rigId = await openBuggy(page, 'Weak-braked buggy');
  await readBack(page, rigId);
  await page.goto(`/rigs/${rigId}/runs`);
  await more(page).press('Enter');
  await page.getByLabel('The brake is weak when it is slow').check();
  await save(page).press('Enter');
  await page.clock.runFor(3000);
  const after = page.getByRole('region', { name: 'After run 1' });
  await expect(after).toContainText('A high brake frequency is weak at low speed.');
  await expect(after).toContainText(/Predicted: .*\d\sm → \d/);
  await after.getByRole('button', { name: 'Draft it: Brake frequency 8 kHz → 5 kHz' }).press('Enter');
  await after.getByRole('link', { name: 'Load it' }).press('Enter');
  await page.waitForURL('**/load');
  await loadAll(page, 'Pinion out of mesh');

  // The route line waits for a drive; the note of it says that the change held.
  const station = page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /^Runs/ });
  await expect(station).toHaveAttribute('aria-label', /due: drive it: Stopper pitch 5 kHz/);
  await station.press('Enter');
  await page.waitForURL('**/runs');
  await tap(page, 'Brake', 'right').press('Enter');
  await save(page).press('Enter');
  await page.clock.runFor(3000);
  await expect(page.getByRole('region', { name: 'After run 2' })).toContainText(
    /held.*It was not named again/,
  );
  await page.getByRole('link', { name: 'Keep it, put it back, or one more step' }).press('Enter');
  await expect(
    page.getByText('Item 7, Stopper pitch: from 5 kHz (number 4) to 3 kHz (number 3).'),
  ).toBeVisible();
  await expect(page.getByText(/about \d+/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).press('Enter');
  await expect(page.getByText('No change is being tried.')).toBeVisible();
});

test('a question is driven A, B, A, and becomes a sentence with an interval', async ({ page }) => {
  const rigId = await openBuggy(page, 'Curious buggy');
  await readBack(page, rigId);
  await page.goto(`/rigs/${rigId}/runs/questions`);
  await page.getByRole('combobox', { name: 'Of', exact: true }).selectOption({ label: 'Stopper pitch' });
  await page.getByRole('combobox', { name: 'B', exact: true }).selectOption({ label: '3 kHz' });
  await page.getByRole('button', { name: 'Ask it' }).click();
  const card = page.getByRole('article', { name: 'Stopper pitch: 3 kHz or 8 kHz?' });
  await expect(card).toContainText('The ESC holds side A, 8 kHz.');
  const driven = [
    ['stopper-pitch-5', '0.52'],
    ['stopper-pitch-3', '0.31'],
    ['stopper-pitch-5', '0.53'],
    ['stopper-pitch-3', '0.30'],
    ['stopper-pitch-5', '0.52'],
  ] as const;
  for (const [index, [pitch, metres]] of driven.entries()) {
    await readBack(page, rigId, { 'stopper-pitch': pitch });
    await page.goto(`/rigs/${rigId}/runs`);
    await more(page).click();
    await field(page, 'Stop from walking pace').fill(metres);
    await save(page).click();
    // The next page may be read before a run on its way is kept, and would not know of it.
    await expect(run(page, index + 1)).toBeVisible();
  }
  await page.goto(`/rigs/${rigId}/runs/questions`);
  await expect(card).toContainText(
    '3 kHz against 8 kHz: stop from walking pace is 0.22\u00a0m less (shorter).',
  );
  await expect(card).toContainText(/With 95 % certainty it is between 0\.1\d and 0\.2\d\sm/);
  // And two of them side by side.
  await page.goto(`/rigs/${rigId}/runs/compare?a=1&b=2`);
  await expect(page.getByText('One thing that matters was changed: Stopper pitch.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Stop from walking pace/ })).toContainText(
    'with 95 % certainty',
  );
});

/** Four minutes of a device that writes decimal commas, a temperature of nothing in particular, and an error in one row. */
function deviceLog(): string {
  const rows = Array.from({ length: 2400 }, (_, n) => {
    const full = n % 60 < 30;
    const volts = (full ? 7.6 : 8.2).toFixed(2).replace('.', ',');
    const spike = n === 1234 ? 45_000 : full ? 22_000 : 4000;
    return `${(n / 10).toFixed(1).replace('.', ',')};${full ? 100 : 0};${volts};${spike};${n === 77 ? 'ERR' : 20 + Math.floor(n / 60)};31`;
  });
  return ['Time (s);Throttle (%);Voltage (V);rpm;Motor temp (C);Temp', ...rows].join('\n');
}

test('a device’s log is asked about, read, looked at before it is kept, and kept with its run', async ({
  page,
}) => {
  const rigId = await openBuggy(page, 'Logged buggy');
  const file = { name: 'quay.csv', mimeType: 'text/csv', buffer: Buffer.from(deviceLog()) };
  for (const number of [1, 2]) {
    await tap(page, 'Brake', 'right').click();
    await save(page).click();
    await expect(run(page, number)).toBeVisible();
  }
  await run(page, 1).click();
  await page.getByRole('link', { name: 'Add a log' }).click();
  await page.getByLabel('A log as CSV, of any device').setInputFiles(file);
  const read = page.getByRole('button', { name: 'Read the log' });
  await expect(read).toBeDisabled();
  await expect(page.getByText('What is “Temp” the temperature of?')).toBeVisible();
  await page.getByRole('combobox', { name: 'Temp is', exact: true }).selectOption({ label: 'ESC, °C' });
  await expect(page.getByText('What is “Temp” counted in?')).toBeVisible();
  await page.getByRole('button', { name: '°C', exact: true }).click();
  await read.click();
  await expect(page.getByText('2,400 rows, 4\u00a0min.')).toBeVisible();
  await expect(page.getByRole('row', { name: /79 Motor temp “ERR” is no number/ })).toBeVisible();
  await expect(page.getByText('the model, for the same trigger')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it with run 1' }).click();

  // Kept: it is there after a reload, with its numbers, and a file with the same heads asks nothing.
  await page.getByRole('button', { name: 'Note them with the run' }).click();
  await expect(page.getByText('noted with the run')).toBeVisible();
  await page.reload();
  await expect(page.getByText(/From the log: .*highest rpm 45000\srpm/)).toBeVisible();
  await expect(page.getByTestId('log-plots').locator('canvas')).toHaveCount(5);
  const plots = page.getByRole('group', { name: 'The log, 0 to 239.9 seconds' });
  await plots.press('+');
  await expect(page.getByRole('group', { name: /The log, 3\d\.\d to 20\d\.\d seconds/ })).toBeVisible();
  await page.goto(`/rigs/${rigId}/runs/2/log`);
  await page.getByLabel('A log as CSV, of any device').setInputFiles(file);
  await expect(page.getByText('A file with these heads was read before')).toBeVisible();
  await read.click();
  await page.getByRole('button', { name: 'Keep it with run 2' }).click();
  await page.getByRole('combobox', { name: 'Lay over it' }).selectOption({ label: 'run 1' });
  await expect(page.getByTestId('log-plots')).toBeVisible();
  await expect(
    page.getByRole('region', { name: 'The picture' }).getByText('run 1', { exact: true }),
  ).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export as CSV' }).click();
  const written = await readFile(await (await download).path(), 'utf8');
  expect(written.split('\r\n')[1235]).toBe('123.4,0,8.2,45000,40,31');
});

test('rolling on a slope stands beside the model at once, and goes into the rig as measured', async ({
  page,
}) => {
  const rigId = await openBuggy(page, 'Measured buggy');
  await page.goto(`/rigs/${rigId}/runs/measure`);
  await page.getByLabel('Rolling on a slope').check();
  await expect(page.getByText('Take the pinion out of mesh')).toBeVisible();
  await page.getByLabel('It rises by').fill('300');
  await page.getByLabel('over a length of').fill('200');
  await expect(page.getByText('steeper than 45°')).toBeVisible();
  await page.getByLabel('It rises by').fill('12,5');
  const row = page.getByRole('row', { name: /^Rolling resistance/ });
  await expect(row).toContainText('0.063');
  await expect(row).toContainText(/\d %/);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.getByRole('button', { name: /^Take 0\.063 as measured/ }).click();
  await expect(page.getByText('The rig has what you measured.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('region', { name: 'Measured before' })).toContainText(
    'rolling resistance 0.063',
  );
});

test('three logged flights are fitted, taken into the rig, change its trace, and are taken back', async ({
  page,
}) => {
  const rigId = await openDemoRig(page, 'headland-trainer', 'Taught trainer', 'runs');
  for (const number of [1, 2, 3]) {
    await importRun(page, `headland-trainer-0${number}`);
    await expect(run(page, number)).toBeVisible();
  }
  // What the drill comes to for the draft: the picture beside it is drawn a little later.
  const drillNumbers = page.getByLabel('What the draft does').locator('tbody td:nth-of-type(2)');
  await page.goto(`/rigs/${rigId}/tune`);
  await expect(drillNumbers.first()).toContainText(/\d/);
  const before = await drillNumbers.allInnerTexts();

  await page.goto(`/rigs/${rigId}/runs/learned`);
  await page.getByRole('button', { name: 'Fit the model to 3 runs' }).click();
  const told = page.getByRole('group', { name: 'What the runs tell' });
  await expect(told).toBeVisible({ timeout: 120_000 });
  await expect(told.getByRole('row', { name: /Motor kV fitted from runs 1 and 2/ })).toContainText('880');
  await expect(page.getByText(/These runs say nothing of .*thrust coefficient/)).toBeVisible();
  const unseen = page.getByRole('group', { name: 'Run 3 as it was predicted' });
  await expect(unseen.getByRole('row', { name: /Highest rpm/ })).toContainText('nearer');
  await page.getByRole('button', { name: 'Take them into the rig' }).click();
  await expect(page.getByRole('button', { name: 'Take all of them back' })).toBeVisible();

  await page.goto(`/rigs/${rigId}/tune`);
  await expect(drillNumbers.first()).toContainText(/\d/);
  await expect.poll(() => drillNumbers.allInnerTexts()).not.toEqual(before);
  await page.goto(`/rigs/${rigId}/rig`);
  await expect(
    page.getByText(/It is fitted from runs 1 and 2; before it was 880\srpm\/V, given/),
  ).toBeVisible();
  // A form that is saved as it stands keeps what runs told.
  await page.getByRole('button', { name: 'Save' }).first().click();
  await page.goto(`/rigs/${rigId}/runs/learned`);
  await page.getByRole('button', { name: 'Take all of them back' }).click();
  await expect(page.getByRole('group', { name: 'Learned numbers' })).toBeHidden();
  await page.goto(`/rigs/${rigId}/tune`);
  await expect.poll(() => drillNumbers.allInnerTexts()).toEqual(before);
});
