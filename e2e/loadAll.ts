import { expect, type Page } from '@playwright/test';

/** Works a load by hand's part and the plan, to its sheet, under a clock that stands still. @param safe the precaution that is ticked */
export async function loadAll(page: Page, safe: string): Promise<void> {
  await page.getByLabel(safe).check();
  const done = page.getByRole('button', { name: 'Done', exact: true });
  await page.getByRole('button', { name: 'Begin loading' }).click();
  await page.getByRole('button', { name: 'Let the plan run by itself' }).press('Enter');
  const kept = page.getByText(/^Kept as sheet \d/);
  for (let n = 0; n < 90 && !(await kept.isVisible()); n += 1) {
    // It may be gone by the time that it is pressed.
    if (await done.isVisible()) await done.press('Enter', { timeout: 2000 }).catch(() => undefined);
    await page.clock.runFor(1000);
  }
  await expect(kept).toBeVisible();
  await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
}
