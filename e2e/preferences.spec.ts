import { handOf } from './hand';
import { axe } from './looks';
import { openNewRig } from './rigs';
import { FRESH, draftSaved, expect, moveRail, test } from './test';

test('the look that is chosen stays, and the server draws it', async ({ page, request }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Keys, look and sound' }).click();
  await page.getByLabel('dark', { exact: true }).check();
  const ground = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  await expect.poll(ground).toBe('rgb(20, 24, 29)');
  await page.reload();
  expect(await ground()).toBe('rgb(20, 24, 29)');
  const drawn = await request.get('/', { headers: { cookie: 'look=dark' } });
  expect(await drawn.text()).toContain('data-look="dark"');
});

test('from end to end by keys: stations, rails, advice; keys can be changed and switched off', async ({
  page,
}) => {
  await openNewRig(page, 'Keyed rig', 'endpoints');
  await page.keyboard.press('3');
  await page.waitForURL('**/tune');
  const launch = page.getByRole('slider', { name: 'Launch strength' });
  await expect(launch).toBeVisible();
  await page.keyboard.press('j');
  await expect(launch).toBeFocused();
  await page.keyboard.press('j');
  await expect(page.getByRole('slider', { name: 'Start power' })).toBeFocused();
  await page.keyboard.press('k');
  await page.keyboard.press('a');
  await expect(launch).toHaveAttribute('aria-valuetext', /^3/);
  await draftSaved(page);

  await page.keyboard.press('?');
  await page.getByLabel('Key for: Go to Load').press('q');
  await page.keyboard.press('Escape');
  await page.keyboard.press('4');
  await expect(page).toHaveURL(/tune$/);
  await page.keyboard.press('q');
  await page.waitForURL('**/load');

  await page.keyboard.press('?');
  await page.getByLabel('use letter, digit and sign keys').uncheck();
  await page.keyboard.press('Escape');
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/load$/);
});

test('no key acts while something is typed', async ({ page }) => {
  await openNewRig(page, 'Typing rig', 'endpoints');
  await page.keyboard.press('1');
  await page.waitForURL('**/rig');
  await page.getByLabel('Name', { exact: true }).fill('');
  await page.getByLabel('Name', { exact: true }).pressSequentially('Rig 2345 ? jkpu');
  await expect(page).toHaveURL(/rig$/);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Rig 2345 ? jkpu');
});

test('a sheet has a page for paper, without the frame', FRESH, async ({ page }) => {
  await page.clock.install();
  await openNewRig(page, 'Paper rig', 'tune');
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await draftSaved(page);
  await page.goto(page.url().replace('tune', 'load'));
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
  await handOf(page).follow(/^Every value is counted back/);
  await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
  await page.getByRole('link', { name: 'Print sheet 1' }).click();
  await expect(page.getByRole('heading', { name: 'Paper rig: sheet 1' })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('row', { name: /Roll-off/ })).toBeVisible();
  // One page of A4, margins taken off.
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
});
