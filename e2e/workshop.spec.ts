import type { Page } from '@playwright/test';
import { handOf } from './hand';
import { openDemoRig } from './rigs';
import { FRESH, expect, moveRail, test, station } from './test';

/** Fifteen items as somebody might type them off a manual, one a column, decimal commas, brackets. */
const COLUMNS: [name: string, stops: string[]][] = [
  ['Running Mode', ['Forward/Brake', '(Forward/Brake/Reverse)', 'Forward/Reverse']],
  ['Drag Brake', ['(0 %)', '5 %', '10 %', '20 %', '40 %']],
  ['Cutoff Voltage', ['Off', '3,0 V', '(3,2 V)', '3,4 V']],
  ['Start Power', ['1', '2', '(3)', '4', '5']],
  ['Max Brake', ['25 %', '50 %', '62,5 %', '(75 %)', '100 %']],
  ['Max Reverse', ['25 %', '(50 %)', '100 %']],
  ['Initial Brake', ['(Same as drag)', '0 %', '20 %']],
  ['Dead Band', ['0,05 ms', '(0,1 ms)', '0,15 ms']],
  ['Timing', ['0°', '3,75°', '(7,5°)', '11,25°']],
  ['PWM Frequency', ['(8 kHz)', '12 kHz', '16 kHz']],
  ['Lipo Cells', ['(Auto)', '2', '3']],
  ['BEC Voltage', ['(6,0 V)', '7,4 V']],
  ['Motor Rotation', ['(Normal)', 'Reverse']],
  ['Overheat Protection', ['95 °C', '(105 °C)']],
  ['Idle Beep', ['(On)', 'Off']],
];
const TABLE = Array.from({ length: 6 }, (_, r) =>
  COLUMNS.map(([name, stops]) => (r === 0 ? name : (stops[r - 1] ?? ''))).join(';'),
).join('\n');

async function confirmAll(page: Page): Promise<void> {
  const one = page.getByRole('button', { name: /^It is |^As in the manual/ }).first();
  while (await one.isVisible()) await one.click();
}
const answer = (page: Page, item: number, words: RegExp) =>
  page.locator(`[data-item="${item}"]`).getByRole('button', { name: words }).click();

test('a manual’s page becomes a profile, a rig and rails, without a line of code', async ({ page }) => {
  await page.goto('/profiles');
  await page.getByRole('link', { name: 'Describe an ESC' }).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'one key' })
    .getByRole('link', { name: /own items/ })
    .click();
  await page.getByLabel('Name', { exact: true }).fill('Driftwood 80');
  await page.getByLabel('Table', { exact: true }).fill(TABLE);
  await expect(page.getByText('Read as one item a column, its stops down: 15 items.')).toBeVisible();
  await page.getByRole('button', { name: 'Use these 15 items' }).click();
  await expect(page.getByText('14 suggestions wait')).toBeVisible();
  await expect(page.getByText('2 items have a question')).toBeVisible();
  const keep = page.getByRole('button', { name: 'Keep this profile' });
  await expect(keep).toBeDisabled();
  await confirmAll(page);
  await answer(page, 8, /^ms, each side/);
  await answer(page, 14, /^ESC temperature limit/);
  await expect(page.getByText('In order.')).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Preview' })).toContainText('0,1 ms');
  await keep.click();
  await expect(
    page.getByText('15 items · 2 to 6 cells · one key, flashes and beeps · revision 1').first(),
  ).toBeVisible();

  await page.goto('/rigs/new?class=basher');
  await page.getByLabel('Name', { exact: true }).fill('Driftwood basher');
  await page.getByLabel('Profile').selectOption('driftwood-80');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await station(page, 'Tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 1);
  await expect(page.getByRole('slider', { name: 'Brake strength' })).toHaveAttribute(
    'aria-valuetext',
    /62,5 %/,
  );
  // What a level means is not stated anywhere, and says so.
  await expect(page.getByRole('slider', { name: 'Start power' })).toHaveAttribute(
    'aria-valuetext',
    /assumed/,
  );
});

test('an aeroplane’s ESC is typed by hand, and kept through a reload', async ({ page }) => {
  await page.goto('/profiles/new?from=pattern-stick-tones&empty');
  await page.getByLabel('Name', { exact: true }).fill('Gannet 40');
  await page.getByRole('button', { name: 'Put the table away' }).click();
  const typed: [string, string][] = [
    ['Brake', 'Off* / Soft / Hard'],
    ['Battery Type', 'Lipo* / NiMH'],
    ['Cutoff Type', 'Reduce power* / Cut off'],
    ['Cutoff Voltage', 'Low / Middle* / High'],
    ['Start Mode', 'Normal* / Soft / Super soft'],
    ['Timing', 'Low / Middle* / High'],
  ];
  for (const [place, [label, stops]] of typed.entries()) {
    await page.getByRole('button', { name: 'Add an item' }).click();
    const item = page.locator(`[data-item="${place + 1}"]`);
    await item.getByLabel('Printed name').fill(label);
    await item.getByLabel(/^Stops in its order/).fill(stops);
    await item.getByLabel(/^Stops in its order/).press('Enter');
  }
  await page.locator('[data-item="1"]').getByLabel('It is', { exact: true }).selectOption('Propeller brake');
  await page.reload();
  await expect(page.getByText('Your unsaved work is back.')).toBeVisible();
  await expect(page.locator('[data-item="6"]').getByLabel('Printed name')).toHaveValue('Timing');
  await answer(page, 5, /^Start acceleration/);
  await confirmAll(page);
  await expect(page.getByText('In order.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this profile' }).click();
  await expect(page.getByRole('link', { name: 'Gannet 40', exact: true })).toBeVisible();
  // Saved once, it does not come back as unsaved work.
  await page.goto('/profiles/new?from=pattern-stick-tones&empty');
  await expect(page.getByText('Work from earlier')).toBeHidden();
});

test('whatever is wrong is said where it is, and nothing wrong is stored', async ({ page }) => {
  await page.goto('/profiles/new?from=pattern-one-key');
  await page.getByLabel('Name', { exact: true }).fill('<script>alert(1)</script>');
  await page.getByLabel('Most cells').fill('99');
  const first = page.locator('[data-item="1"]');
  await first.getByLabel(/^Stops in its order/).fill('Off* / 3.2* / 9.6');
  await first.getByLabel(/^Stops in its order/).press('Enter');
  await expect(page.getByText('The ESC has markup (< and a letter)').first()).toBeVisible();
  await expect(
    page.getByText('Most cells is “99”; it must be a number between 1 and 30.').first(),
  ).toBeVisible();
  await expect(first.getByText('2 stops are marked as factory stop. Mark only one.').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep this profile' })).toBeDisabled();
  await page.getByRole('button', { name: 'Show me' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  await page.getByRole('button', { name: 'Paste a table' }).click();
  await page.getByLabel('Table from a file').setInputFiles({
    name: 'nonsense.csv',
    mimeType: 'text/csv',
    buffer: Buffer.alloc(2_000_000, 'x,'),
  });
  await expect(page.getByText('This is 2000 kB. A table from a manual has only a few.')).toBeVisible();
  await page.goto('/profiles');
  await expect(page.getByText('script')).toBeHidden();
});

test('what a setting means is one press away from its rail, false friends and all', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Explained', 'tune');
  await page.getByRole('button', { name: 'What Launch strength means' }).click();
  await expect(page.getByRole('dialog')).toContainText('Punch and punch control');
  await page.getByRole('link', { name: 'In the glossary' }).click();
  await expect(page.getByRole('heading', { name: 'Launch strength' })).toBeInViewport();
  await page.getByLabel('Find').fill('lvc');
  await expect(page.getByText('2 settings, 1 false friend', { exact: true })).toBeVisible();
});

test('a level nobody has published is measured, and from then on it is known', async ({ page }) => {
  await page.goto('/rigs/new?class=sportPlane');
  await page.getByLabel('Name', { exact: true }).fill('Measured glider');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(page.getByRole('heading', { name: /^Teach the ESC/ })).toBeVisible();
  const esc = page.url().replace('/endpoints', '/esc');
  await page.goto(esc);
  await page.getByText('a size that is only assumed: measure it').click();
  await page.getByLabel('Which one').selectOption({ label: '2 Low volts: Middle, assumed 3.25 V/cell' });
  await page.getByLabel('Propeller off the shaft').check();
  const reading = page.getByLabel('Pack volts when it cut');
  await reading.fill('99');
  await page.getByRole('button', { name: 'Save this measurement' }).click();
  await expect(page.getByText('33 V per cell')).toBeVisible();
  await reading.fill('9,9');
  await page.getByRole('button', { name: 'Save this measurement' }).click();
  await expect(page.getByText('“Middle” of “Low volts” is measured now.')).toBeVisible();
  await page.goto(esc.replace('/esc', '/tune'));
  await expect(page.getByRole('slider', { name: 'Cutoff', exact: true })).toHaveAttribute(
    'aria-valuetext',
    /Middle, 3\.3.V\/cell/,
  );
});

test('an ESC with a text box is loaded by its keys, from an archetype', FRESH, async ({ page }) => {
  await page.clock.install();
  await page.goto('/rigs/new?class=eighthBuggy');
  await page.getByLabel('Name', { exact: true }).fill('Box-set buggy');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await station(page, 'Tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
  await station(page, 'Load');
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
  const hand = handOf(page);
  await hand.follow(/^What does the box show/);
  await page.getByRole('button', { name: '50 %', exact: true }).click();
  await expect(page.getByText('1 of 1 counted back')).toBeVisible();
});
