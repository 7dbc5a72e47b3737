import type { Page } from '@playwright/test';
import { openDemoRig } from './rigs';
import { draftSaved, moveRail } from './test';

/** Drafts one stop lower on a demo rig, and begins to load it beside one's own ESC. */
export async function beginOwn(page: Page, demo: string, setting: string, precaution: string): Promise<void> {
  await openDemoRig(page, demo, `Own, ${demo}`, 'tune');
  await moveRail(page, setting, 'ArrowLeft', 1);
  await draftSaved(page);
  await page.getByRole('link', { name: 'Load 1 change' }).click();
  await page.getByLabel('your own ESC').check();
  await page.getByLabel(precaution).check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
}
