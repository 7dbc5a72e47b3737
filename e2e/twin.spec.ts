import type { Page } from '@playwright/test';
import { draftSaved, expect, FRESH, moveRail, station, test } from './test';
import { openNewRigOf } from './rigs';

/** Begins the load of the ESC that is chosen, on the simulated one, and lets the plan work it to the end. */
async function loadTheChosen(page: Page): Promise<void> {
  await page.getByLabel('Propeller off').check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
  await page.getByRole('button', { name: 'Let the plan run by itself' }).press('Enter');
  const kept = page.getByText(/^Kept as sheet \d/);
  for (let n = 0; n < 60 && !(await kept.isVisible()); n += 1) await page.clock.runFor(1000);
  await expect(kept).toBeVisible();
}

test('a twin whose second ESC is forgotten is told of it, and the plan ends it', FRESH, async ({ page }) => {
  await page.clock.install();
  const rigId = await openNewRigOf(page, 'twinPlane', 'Forgotten twin', 'tune');
  const unlike = page.getByText('The ESCs of this model do not hold the same.');
  await test.step('both are due, and the first is loaded', async () => {
    await moveRail(page, 'Timing', 'ArrowRight', 1);
    await draftSaved(page);
    await expect(unlike).toBeHidden();
    await station(page, 'Load');
    await expect(page.getByLabel(/^ESC 1 \(left\): 1 value to load/)).toBeChecked();
    await expect(page.getByLabel(/^ESC 2 \(right\): 1 value to load/)).not.toBeChecked();
    await loadTheChosen(page);
    await expect(page.getByRole('button', { name: 'Continue with ESC 2 (right): 1 value' })).toBeVisible();
  });
  await test.step('the second is forgotten: nothing is called done', async () => {
    await station(page, 'Tune');
    await expect(unlike).toBeVisible();
    await expect(page.getByText(/ESC 2 \(right\) differs from the first in “Timing”/)).toBeVisible();
    await page.goto('/');
    await expect(page.getByTitle(/ESC 2 \(right\): 1 value left/).first()).toBeVisible();
  });
  await test.step('what it says leads to the plan that ends it', async () => {
    await page.goto(`/rigs/${rigId}/tune`);
    await page.getByRole('link', { name: 'Load ESC 2 (right)' }).click();
    await expect(page.getByLabel(/^ESC 1 \(left\): up to date/)).not.toBeChecked();
    await expect(page.getByLabel(/^ESC 2 \(right\): 1 value to load/)).toBeChecked();
    await loadTheChosen(page);
    await expect(page.getByRole('button', { name: /^Continue with/ })).toBeHidden();
  });
  await test.step('the sheet lists each', async () => {
    await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
    await expect(page.getByText(/of each of 2 ESCs/).first()).toBeVisible();
    await expect(page.getByText('ESC 2: holds the same').first()).toBeAttached();
    await station(page, 'Tune');
    await expect(unlike).toBeHidden();
  });
});
