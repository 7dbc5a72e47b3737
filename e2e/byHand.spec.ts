import type { Page } from '@playwright/test';
import { ARCHETYPES } from '#core/archetypes/archetypes';
import { factoryStops, handMediumOf } from '#core/esc/profile';
import { rigHolding } from './changes';
import { FRESH, expect, moveRail, test } from './test';

const oneKey = ARCHETYPES.find(({ profile }) => handMediumOf(profile)?.family === 'oneKey')!;

/** Pinion and end points are drafted, reckoned with, done by hand at their place in the load, written down and undone. */
test(
  'what hands change on model and radio is part of draft, load, sheet and undo',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    const rigId = await rigHolding(page, oneKey, factoryStops(oneKey.profile));
    await page.goto(`/rigs/${rigId}/tune`);
    const pinion = page.getByLabel('Pinion', { exact: true });
    await expect(pinion).toHaveValue('20');

    // A number that is none stays typed, says what would be right, and drafts nothing.
    await pinion.fill('0');
    await expect(page.getByText('Type a whole number from 1 to 200. Until then it stays 20.')).toBeVisible();
    // As a person types: digit by digit, each drafted while the next is on its way.
    await pinion.fill('');
    await pinion.pressSequentially('18');
    await expect(pinion).toHaveValue('18');
    await expect(row(page, 'Pinion')).toContainText('now 20');
    await page.getByRole('tab', { name: 'Top speed' }).click();
    await expect(page.getByRole('row', { name: /Top speed/ }).first()).toContainText('→');

    const brake = page.getByLabel('Radio end point, brake', { exact: true });
    await brake.fill('80');
    await page.getByLabel('Pack capacity', { exact: true }).fill('4000');
    await expect(page.getByText('draft: 3 differ')).toBeVisible();
    await page.reload();
    await expect(pinion).toHaveValue('18');
    await expect(brake).toHaveValue('80');

    // One value of the ESC beside them.
    await moveRail(page, 'Brake strength', 'ArrowLeft', 1);
    await page.goto(`/rigs/${rigId}/load/paper`);
    const paper = page.getByRole('article');
    await expect(paper).toContainText('Fit the pinion with 18 teeth.');
    await expect(paper).toContainText('set the brake end point to 80');

    await page.goto(`/rigs/${rigId}/load`);
    const lines = page.getByRole('region', { name: 'In this order' }).getByRole('listitem');
    await expect(lines).toHaveCount(4);
    await expect(lines.first()).toContainText('Pinion 20 → 18 teeth');
    await expect(lines.last()).toContainText('Radio end point, brake 90 → 80 %');
    await page.getByRole('group', { name: 'Make it safe first' }).getByRole('radio').first().press('Space');
    await page.getByRole('button', { name: 'Begin loading' }).press('Enter');

    const instruction = page.getByTestId('instruction');
    await expect(instruction).toHaveText('Fit the pinion with 18 teeth.');
    // A server that does not answer takes nothing away.
    await page.route('**/load.data*', (route) => route.abort());
    await page.keyboard.press(' ');
    await expect(page.getByText('Live Tune does not answer')).toBeVisible();
    await page.unroute('**/load.data*');
    // Both hands are on the model: the space bar is enough, for each.
    await page.keyboard.press(' ');
    await expect(instruction).toContainText('Use the pack with 4000');
    await page.keyboard.press(' ');
    await page.getByRole('button', { name: 'Let the plan run by itself' }).press('Enter');
    await expect(async () => {
      await page.clock.runFor(900);
      await expect(instruction).toContainText('set the brake end point to 80', { timeout: 50 });
    }).toPass({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Done' }).press('Enter');
    await expect(instruction).toHaveText('Every value is counted back.');
    await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
    await expect(page.getByText(/Pinion 18.teeth.*brake 80.%/).first()).toBeVisible();

    // The radio is another now than the one that was calibrated.
    await page.goto(`/rigs/${rigId}/tune`);
    await expect(pinion).toHaveValue('18');
    await expect(page.getByText('draft: as it is')).toBeVisible();

    // A second load, by hand alone, and then its undoing.
    await page.getByLabel('Quick').fill('pinion 17');
    await page.getByLabel('Quick').press('Enter');
    await expect(pinion).toHaveValue('17');
    await page.goto(`/rigs/${rigId}/load`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(
      'Make 1 change on the model and its radio',
    );
    await page.getByRole('group', { name: 'Make it safe first' }).getByRole('radio').first().press('Space');
    await page.getByRole('button', { name: 'Begin', exact: true }).press('Enter');
    await expect(instruction).toHaveText('Fit the pinion with 17 teeth.');
    await page.keyboard.press(' ');
    await expect(instruction).toHaveText('All done.');
    await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
    await page.getByRole('button', { name: 'Undo this load' }).click();
    await expect(lines).toHaveCount(1);
    await expect(lines.first()).toContainText('Pinion 17 → 18 teeth');
  },
);

const row = (page: Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByLabel(name, { exact: true }) });
