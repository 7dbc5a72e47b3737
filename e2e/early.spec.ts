// What is done to a page that is painted and does not answer yet: on a phone, and on a busy machine, that takes a second.
import type { Page } from '@playwright/test';
import { openNewRig } from './rigs';
import { ADDRESS } from './setting';
import { draftSaved, expect, FRESH, moveRail, test } from './test';

/** Loads the page again and holds its scripts back. @returns lets them come, and waits until the page answers */
async function reloadSilent(page: Page): Promise<() => Promise<void>> {
  let release = (): void => undefined;
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route('**/*.js', async (route) => {
    await held;
    await route.continue();
  });
  await page.evaluate(() => setTimeout(() => window.location.reload()));
  await page.locator('html:not([data-answers]) h1').waitFor();
  return async () => {
    release();
    await page.locator('html[data-answers]').waitFor({ state: 'attached' });
  };
}

/** Opens Load with something to load. */
async function openLoad(page: Page, name: string): Promise<void> {
  await openNewRig(page, name, 'tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
  await draftSaved(page);
  await page.goto(page.url().replace('tune', 'load'));
}

test('what is chosen before the page answers counts', FRESH, async ({ page }) => {
  await openLoad(page, 'Early buggy');
  const answer = await reloadSilent(page);
  await page.getByLabel('the link').check();
  await page.getByLabel('Wheels clear of the bench').check();
  await answer();
  await expect(page.getByLabel('the link')).toBeChecked();
  await expect(page.getByLabel('Wheels clear of the bench')).toBeChecked();
  await expect(page.getByRole('button', { name: 'Load by link' })).toBeEnabled();
});

test(
  'a precaution that the browser fills in again on the way back does not count',
  FRESH,
  async ({ page }) => {
    await openLoad(page, 'Returning buggy');
    const precaution = page.getByLabel('Wheels clear of the bench');
    await precaution.check();
    await page.evaluate(() => window.location.assign('/glossary'));
    await page.waitForURL('**/glossary');
    await page.goBack();
    await page.locator('html[data-answers]').waitFor({ state: 'attached' });
    await expect(precaution).not.toBeChecked();
  },
);

test('what the browser fills in by itself was done by nobody', FRESH, async ({ page }) => {
  await openNewRig(page, 'Forgetful buggy', 'runs');
  const answer = await reloadSilent(page);
  const can = page.getByLabel('Motor can temperature', { exact: true });
  // As a browser does that knows the page from before: without a word.
  await can.evaluate((field: HTMLInputElement) => (field.value = '71'));
  await answer();
  const kept = await page.evaluate(() => Object.keys(localStorage));
  expect(kept.filter((key) => key.startsWith('live-tune-run-entry'))).toEqual([]);
});

test('what is typed before the page answers counts', FRESH, async ({ page }) => {
  await openNewRig(page, 'Hasty buggy', 'runs');
  const answer = await reloadSilent(page);
  await page.getByLabel('Motor can temperature', { exact: true }).fill('71');
  await page.getByText('What was wrong, more numbers, place and weather').click();
  await page.getByLabel('In your words').fill('low tide');
  await page.getByLabel('The brake is weak when it is slow').check();
  await page.getByLabel('Ground').selectOption('grippy');
  await answer();
  // It is kept as if it had been typed now.
  await page.reload();
  await expect(page.getByLabel('Motor can temperature', { exact: true })).toHaveValue('71');
  await expect(page.getByLabel('In your words')).toHaveValue('low tide');
  await expect(page.getByLabel('The brake is weak when it is slow')).toBeChecked();
  await expect(page.getByLabel('Ground').locator('option:checked')).toHaveText('grippy');
});

test('a form that is sent before its page answers is taken all the same', async ({ browser }) => {
  const silent = await browser.newContext({ javaScriptEnabled: false, baseURL: ADDRESS });
  const page = await silent.newPage();
  await page.goto('/rules');
  await page.getByLabel('Name of the new one').fill('Early series');
  await page.getByRole('button', { name: 'Keep' }).last().click();
  await expect(page.getByLabel('Name of Early series')).toHaveValue('Early series');
  await silent.close();
});
