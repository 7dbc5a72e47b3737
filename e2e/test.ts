import { test as base, expect, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { ADDRESS, VIEWPORT } from './setting';

/**
 * Makes every opening and reload wait until the page answers: on a busy machine a click may come before, and
 * the page would not know of it. What is no page of ours is not waited for.
 */
export function openAnswering(page: Page): void {
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

/** What a page keeps between two tests, but for the scripts that the browser has read and compiled already. */
async function forget(context: BrowserContext): Promise<void> {
  const [page, ...others] = context.pages();
  await Promise.all(others.map((other) => other.close()));
  const blank = await context.newPage();
  await page?.close();
  const session = await context.newCDPSession(blank);
  await session.send('Storage.clearDataForOrigin', {
    origin: ADDRESS,
    storageTypes: 'cookies,local_storage,indexeddb,cache_storage,service_workers',
  });
  await blank.close();
}

/** A test that needs a browser of its own: another clock, a finger, a microphone. */
export const FRESH = { tag: '@fresh' };

/**
 * Every test also holds that no request leaves loopback and that the page reports no error. Tests of a worker share a warm
 * browser: a new one fetches and compiles every script anew, a quarter of the time of a test.
 */
export const test = base.extend<{ watched: undefined }, { warm: BrowserContext }>({
  warm: [
    async ({ browser }, use) => {
      const context = await browser.newContext({ baseURL: ADDRESS, viewport: VIEWPORT });
      const refuse = () =>
        Promise.reject(new Error('A test that changes this is FRESH: others would inherit it.'));
      Object.assign(context.clock, { install: refuse });
      Object.assign(context, {
        addInitScript: refuse,
        setOffline: refuse,
        grantPermissions: refuse,
        route: refuse,
      });
      context.on('page', openAnswering);
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ warm, browser, hasTouch, permissions }, use, { tags }) => {
    if (!tags.includes(FRESH.tag)) {
      await use(warm);
      await forget(warm);
      return;
    }
    const own = await browser.newContext({
      baseURL: ADDRESS,
      viewport: VIEWPORT,
      hasTouch,
      ...(permissions ? { permissions } : {}),
    });
    own.on('page', openAnswering);
    await use(own);
    await own.close();
  },
  watched: [
    async ({ page }, use) => {
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

/** Goes to a station of the rig that is open, or opening, and waits until it is there. */
export const station = (page: Page, name: string): Promise<void> =>
  goTo(
    page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: new RegExp(`^${name}`) }),
  );

/** Follows a link of a navigation. The page before stays in place until the next one has come: nothing is done on it. */
export async function goTo(link: Locator): Promise<void> {
  await link.click();
  await expect(link).toHaveAttribute('aria-current', 'page');
}
