import { expect, type Page } from '@playwright/test';
import type axeCore from 'axe-core';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** What a view is looked at in, besides light on a desk. */
const OTHER_LOOKS = [
  { name: 'dark, 1280 px', colorScheme: 'dark', size: DESK },
  { name: 'dark, phone', colorScheme: 'dark', size: PHONE },
  { name: 'light, phone', colorScheme: 'light', size: PHONE },
] as const;

/**
 * Holds that the view which is open has nothing for axe to find, and in no look a text that is hard to read, or
 * anything wider than the screen. Leaves the page as it was: light, on a desk.
 */
export async function lookAt(page: Page, view: string): Promise<void> {
  expect(await axe(page), view).toEqual([]);
  expect(await overflow(page), view).toBeLessThanOrEqual(0);
  for (const { name, colorScheme, size } of OTHER_LOOKS) {
    await page.emulateMedia({ colorScheme });
    await page.setViewportSize(size);
    // What follows the width in script has been drawn anew, too.
    await page.evaluate(
      () => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))),
    );
    expect(await axe(page, ['color-contrast']), `${view}, ${name}`).toEqual([]);
    expect(await overflow(page), `${view}, ${name}`).toBeLessThanOrEqual(0);
  }
  await page.emulateMedia({ colorScheme: 'light' });
  await page.setViewportSize(DESK);
}

/**
 * What axe finds wrong with the page that is open, a line each.
 * @param rules only these; all where there are none
 */
export async function axe(page: Page, rules?: string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  return page.evaluate(async (only) => {
    const { axe: found } = window as unknown as { axe: typeof axeCore };
    // What passes is not written down, and style sheets are not fetched again: half the time for the same findings.
    const { violations } = await found.run(document, {
      resultTypes: ['violations'],
      preload: false,
      ...(only ? { runOnly: only } : {}),
    });
    return violations.flatMap(({ id, nodes }) => nodes.map((node) => `${id}: ${node.html.slice(0, 160)}`));
  }, rules);
}

const overflow = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
