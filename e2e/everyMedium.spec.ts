import { ARCHETYPES } from '#core/archetypes/archetypes';
import { MEDIA, type HandMedium } from '#core/esc/media';
import { handMediumOf, type EscProfile } from '#core/esc/profile';
import type { Page } from '@playwright/test';
import { CHANGES, fiveChangesOn } from './changes';
import { expect, test } from './test';

const MOST_STEPS = 300;

/**
 * One for each way in which the page asks what was seen: flashes, lamps, words, and nothing at all. That the plan itself
 * ends on what was meant, by every medium, is held by properties beside the plan.
 */
const ASKED_IN_THEIR_WAY: readonly HandMedium['family'][] = ['oneKey', 'lampCard', 'textBox', 'stickToggle'];

for (const { profile, serves } of ARCHETYPES.filter((one) => one.serves.length > 0)) {
  const medium = handMediumOf(profile);
  if (!medium || !ASKED_IN_THEIR_WAY.includes(medium.family)) continue;
  test(`five values by ${medium.family}, beside one’s own ESC, by keys alone`, async ({ page }) => {
    const { rigId, targets } = await fiveChangesOn(page, { profile, serves });
    await page.goto(`/rigs/${rigId}/load`);
    const on = page.getByRole('group', { name: 'On' });
    await on.getByLabel('your own ESC').press('Space');
    await page.getByRole('group', { name: 'Make it safe first' }).getByRole('radio').first().press('Space');
    await page.getByRole('button', { name: 'Begin loading' }).press('Enter');

    await workThrough(page, profile, targets);
    await expect(page.getByTestId('progress')).toContainText(`${CHANGES} of ${CHANGES}`);
    const keep = page.getByRole('button', { name: 'Done: go to Sheets' });
    await expect(keep).toBeEnabled();
    await keep.press('Enter');
    const basis = MEDIA[medium.family].showsStored ? 'counted back' : 'seen stored';
    await expect(page.getByRole('cell', { name: basis })).toHaveCount(CHANGES);
  });
}

/** Says "done" to every step, and what is meant to every question. */
async function workThrough(page: Page, profile: EscProfile, targets: Record<string, string>): Promise<void> {
  const instruction = page.getByTestId('instruction');
  const progress = page.getByTestId('progress');
  for (let n = 0; n < MOST_STEPS; n += 1) {
    const words = await instruction.innerText();
    if (words.startsWith('Every value')) return;
    const asked = page.locator('fieldset', { has: instruction });
    if ((await asked.count()) === 0) {
      await page.keyboard.press('Space');
      continue;
    }
    const before = await progress.innerText();
    const item = profile.items.find(({ label }) => before.startsWith(`${label}:`))!;
    const stop = item.stops.find(({ id }) => id === targets[item.id])!;
    const answers = asked.getByRole('button');
    await answers.nth(item.stops.indexOf(stop)).press('Enter');
    await expect(progress).not.toHaveText(before);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  }
  throw new Error(`not done after ${MOST_STEPS} steps: ${await instruction.innerText()}`);
}
