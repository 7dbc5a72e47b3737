import { ARCHETYPES } from '#core/archetypes/archetypes';
import { handMediumOf } from '#core/esc/profile';
import type { Page } from '@playwright/test';
import { CHANGES, fiveChangesOn } from './changes';
import { FRESH, expect, openAnswering, test } from './test';

const MOST_STEPS = 150;

test(
  'a load that was left half-way goes on at another device, and is undone by a plan',
  FRESH,
  async ({ page, browser }) => {
    const archetype = ARCHETYPES.find(({ profile }) => handMediumOf(profile)?.family === 'lampCard')!;
    await page.clock.install();
    const { rigId, targets } = await fiveChangesOn(page, archetype);
    await begin(page, rigId);
    await runUntil(page, /: count it back/);
    // Three of them are counted when the phone's battery gives out.
    await runUntil(page, /^.* · 3 of 5 counted back/);
    await page.getByRole('button', { name: 'Stop: I do the rest by hand' }).press('Enter');
    const counted = Number(/(\d) of 5/.exec(await page.getByTestId('progress').innerText())![1]);

    const other = await (await browser.newContext()).newPage();
    openAnswering(other);
    await other.clock.install();
    await expect(async () => {
      await other.goto(new URL(`/rigs/${rigId}/load`, test.info().project.use.baseURL).href);
      await expect(other.getByRole('heading', { level: 1 })).toHaveText(
        `Count back ${CHANGES - counted} values`,
        { timeout: 2000 },
      );
    }).toPass();
    await page.close();
    await begin(other, rigId);
    await runUntil(other, /^Nothing left to do/);
    await runUntil(other, /^Every value/, 'instruction');
    await other.getByRole('button', { name: 'Done: go to Sheets' }).click();
    await expect(other.getByRole('cell', { name: 'counted back' })).toHaveCount(CHANGES);

    await other.getByRole('button', { name: 'Undo this load' }).click();
    const lines = other.getByRole('region', { name: 'In this order' }).getByRole('listitem');
    const changed = Object.keys(targets);
    await expect(lines).toHaveCount(changed.length);
    for (const [place, itemId] of changed.entries()) {
      const { stops, factoryStopId } = archetype.profile.items.find(({ id }) => id === itemId)!;
      const labelOf = (id: string | undefined) => stops.find((stop) => stop.id === id)!.label;
      await expect(lines.nth(place)).toContainText(`${labelOf(targets[itemId])} → ${labelOf(factoryStopId)}`);
    }
  },
);

async function begin(page: Page, rigId: string): Promise<void> {
  await page.goto(`/rigs/${rigId}/load`);
  await page.getByRole('group', { name: 'Make it safe first' }).getByRole('radio').first().press('Space');
  await page.getByRole('button', { name: 'Begin loading' }).press('Enter');
  await page.getByRole('button', { name: 'Let the plan run by itself' }).press('Enter');
}

/** Lets the page’s time go on, a step of the plan at a time, until a line says this. */
async function runUntil(page: Page, words: RegExp, line = 'progress'): Promise<void> {
  for (let n = 0; n < MOST_STEPS; n += 1) {
    if (words.test(await page.getByTestId(line).innerText())) return;
    await page.clock.runFor(900);
  }
  throw new Error(`not there after ${MOST_STEPS} steps: ${await page.getByTestId(line).innerText()}`);
}
