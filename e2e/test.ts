import { readFile } from 'node:fs/promises';
import { test as base, expect, type Page } from '@playwright/test';
import { ADDRESS } from './setting';

/**
 * Makes every opening and reload wait until the page answers: on a busy machine a click may come before, and
 * the page would not know of it. What is no page of ours is not waited for.
 */
function openAnswering(page: Page): void {
  const goto = page.goto.bind(page);
  const reload = page.reload.bind(page);
  const answers = async (): Promise<void> => {
    const ours = await page.evaluate(
      () => document.contentType === 'text/html' && '__reactRouterContext' in window,
    );
    if (ours) await page.locator('html[data-answers]').waitFor({ state: 'attached', timeout: 60_000 });
  };
  page.goto = async (...given) => {
    const response = await goto(...given);
    await answers();
    return response;
  };
  page.reload = async (...given) => {
    const response = await reload(...given);
    await answers();
    return response;
  };
}

/** Every test also holds that no request leaves loopback and that the page reports no error. */
export const test = base.extend<{ watched: undefined }>({
  watched: [
    async ({ page }, use) => {
      openAnswering(page);
      const strays: string[] = [];
      const errors: string[] = [];
      page.on('request', (request) => {
        if (!request.url().startsWith(`${ADDRESS}/`) && !request.url().startsWith('blob:'))
          strays.push(request.url());
      });
      page.on('pageerror', (error) => errors.push(error.message));
      page.on('console', (message) => {
        // Chromium reports an answer of 400 or 404 by itself; those are answers that some tests ask for.
        if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
          errors.push(message.text());
      });
      await use(undefined);
      expect(strays, 'requests that left the machine').toEqual([]);
      expect(errors, 'errors on the page').toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** What a test types about its rig. Fields that are left out keep their defaults. */
export interface TypedRig {
  name: string;
  numbers?: Record<string, string>;
  busLoads?: [name: string, maxVolts: string][];
}

/** Describes a new tenth-scale buggy by typing, and leaves the page on its Endpoints. */
export async function typeRig(page: Page, { name, numbers = {}, busLoads = [] }: TypedRig): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'New rig' }).click();
  await page.getByRole('link', { name: /^Tenth-scale buggy/ }).click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  for (const [label, value] of Object.entries(numbers))
    await page.getByLabel(label, { exact: true }).fill(value);
  for (const [place, [load, volts]] of busLoads.entries()) {
    await page.getByLabel(`What it is, ${place + 1}`).fill(load);
    await page.getByLabel(`Highest voltage, ${place + 1}`).fill(volts);
  }
  await page.getByLabel('Profile').selectOption('tamsel-r60');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(page.getByRole('heading', { name: 'Teach the ESC your trigger' })).toBeVisible();
}

/** Moves a rail by keys, as a user without a mouse would. */
export async function moveRail(
  page: Page,
  setting: string,
  key: 'ArrowLeft' | 'ArrowRight',
  times: number,
): Promise<void> {
  const rail = page.getByRole('slider', { name: setting, exact: true });
  await rail.focus();
  for (let n = 0; n < times; n += 1) await rail.press(key);
}

/** Waits until the page has nothing left to save. */
export const draftSaved = (page: Page): Promise<void> => expect(page.getByText('draft saved')).toBeAttached();

/** Takes in a demo rig under another name, so that a test has it for itself, and leaves the page on its Rig station. */
export async function importDemoRig(page: Page, file: string, name: string): Promise<void> {
  const document = JSON.parse(await readFile(`demo/${file}.rig.json`, 'utf8')) as { rig: { name: string } };
  document.rig.name = name;
  await importDocument(page, document);
  await expect(page.getByRole('heading', { name: 'What this model is' })).toBeVisible({ timeout: 60_000 });
}

/** Goes to a station of the rig that is open, or opening. */
export const station = (page: Page, name: string): Promise<void> =>
  page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();

/** Takes in a file from the list of all rigs. */
export async function importDocument(page: Page, document: object): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Import a file').setInputFiles({
    name: 'document.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(document)),
  });
  await page.getByRole('button', { name: 'Import', exact: true }).click();
}
