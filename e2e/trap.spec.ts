import { ARCHETYPES } from '#core/archetypes/archetypes';
import { MEDIA, type HandMedium } from '#core/esc/media';
import { handMediumOf } from '#core/esc/profile';
import type { Page } from '@playwright/test';
import { CHANGES, fiveChangesOn } from './changes';
import { FRESH, expect, test } from './test';

/**
 * The mistake that a way of entering is known for, as its button says it. Common practice. Those that are worked on the
 * same display as another are left to the properties beside the plan.
 */
const TRAPS: Partial<Record<HandMedium['family'], RegExp>> = {
  oneKey: /press once too often/,
  twoKeys: /go on before it is stored/,
  stickTones: /one group too late/,
  keyPad: /type . . .* instead/,
  transmitterMenu: /go on before it is stored/,
};
const MOST_STEPS = 150;

for (const { profile, serves } of ARCHETYPES.filter((one) => one.serves.length > 0)) {
  const medium = handMediumOf(profile);
  const known = medium && TRAPS[medium.family];
  if (!known) continue;
  test(
    `by ${medium.family}, its trap is walked into and the guide brings one back`,
    FRESH,
    async ({ page }) => {
      await page.clock.install();
      const { rigId, targets } = await fiveChangesOn(page, { profile, serves });
      await page.goto(`/rigs/${rigId}/load`);
      await page.getByRole('group', { name: 'Make it safe first' }).getByRole('radio').first().press('Space');
      await page.getByRole('button', { name: 'Begin loading' }).press('Enter');

      await page.getByText('Make a mistake on purpose').click();
      await page.getByRole('button', { name: 'Let the plan run by itself' }).press('Enter');
      const trap = page.getByRole('button', { name: known });
      await runUntil(page, async () => (await trap.count()) > 0);
      await trap.press('Enter');
      await runUntil(page, async () =>
        /^Every value/.test(await page.getByTestId('instruction').innerText()),
      );

      const keep = page.getByRole('button', { name: 'Done: go to Sheets' });
      await expect(keep).toBeEnabled();
      await keep.press('Enter');
      const basis = MEDIA[medium.family].showsStored ? 'counted back' : 'seen stored';
      for (const [itemId, stopId] of Object.entries(targets)) {
        const item = profile.items.find(({ id }) => id === itemId)!;
        const cell = page.getByRole('cell', { name: `${item.label} · changed`, exact: true });
        const row = page.getByRole('row').filter({ has: cell });
        await expect(row).toContainText(item.stops.find(({ id }) => id === stopId)!.label);
        await expect(row).toContainText(basis);
      }
      expect(Object.keys(targets)).toHaveLength(CHANGES);
    },
  );
}

/** Lets the page’s time go on, a step of the plan at a time. */
async function runUntil(page: Page, reached: () => Promise<boolean>): Promise<void> {
  for (let n = 0; n < MOST_STEPS; n += 1) {
    if (await reached()) return;
    await page.clock.runFor(900);
  }
  throw new Error(
    `not there after ${MOST_STEPS} steps: ${await page.getByTestId('instruction').innerText()}`,
  );
}
