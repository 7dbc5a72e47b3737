import type { Locator, Page } from '@playwright/test';
import { fortyItems } from '#core/archetypes/fortyItems.fixture';
import { axe } from './looks';
import { demoRigFile, openNewRig, takeIn } from './rigs';
import { draftSaved, expect, moveRail, station, test } from './test';

const railRow = (page: Page, setting: string): Locator =>
  page.getByRole('listitem').filter({ has: page.getByRole('slider', { name: setting, exact: true }) });
const valueOf = (page: Page, setting: string): Locator =>
  page.getByRole('slider', { name: setting, exact: true });

test('forty items by keyboard alone, each announced, and nothing for axe to find', async ({ page }) => {
  const profile = fortyItems();
  const demo = await demoRigFile('kelp-beach-buggy');
  const rigId = await takeIn(page, {
    ...demo,
    escProfileId: profile.id,
    escProfile: profile,
    rig: { ...demo.rig, name: 'A long list' },
  });
  await page.goto(`/rigs/${rigId!}/rig`);
  await page.keyboard.press('3');
  await expect(page.getByRole('slider')).toHaveCount(40);

  await test.step('a name and a value', async () => {
    await page.keyboard.press('/');
    await page.keyboard.type('drag brake 30');
    await expect(page.getByText(/^Press Enter to draft Drag brake/)).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(valueOf(page, 'Drag brake')).toHaveAttribute('aria-valuetext', /^30 %/);
  });
  await test.step('a name alone leads to its rail', async () => {
    await page.keyboard.type('timing');
    await page.keyboard.press('Enter');
    await expect(valueOf(page, 'Timing')).toBeFocused();
  });
  await test.step('step, undo, redo, on to the next rail, put back', async () => {
    const before = await valueOf(page, 'Timing').getAttribute('aria-valuetext');
    await page.keyboard.press('ArrowRight');
    await expect(valueOf(page, 'Timing')).not.toHaveAttribute('aria-valuetext', before!);
    await page.keyboard.press('z');
    await expect(valueOf(page, 'Timing')).toHaveAttribute('aria-valuetext', before!);
    await page.keyboard.press('h');
    await page.keyboard.press('Backspace');
    await expect(valueOf(page, 'Timing')).toHaveAttribute('aria-valuetext', before!);
    await page.keyboard.press('j');
    await expect(valueOf(page, 'Timing')).not.toBeFocused();
    await page.keyboard.press('k');
    await expect(valueOf(page, 'Timing')).toBeFocused();
  });
  await test.step('every rail says its name and value', async () => {
    for (const rail of await page.getByRole('slider').all()) {
      await expect(rail).toHaveAccessibleName(/\w/);
      await expect(rail).toHaveAttribute('aria-valuetext', /\w/);
    }
  });
  expect(await axe(page)).toEqual([]);
});

test('a hazard is loaded only with a reason, and the reason can be taken back', async ({ page }) => {
  await openNewRig(page, 'Hazardous buggy', 'tune');
  await moveRail(page, 'Cutoff', 'ArrowLeft', 1);
  await page.getByLabel('Quick').fill('cutoff Pack 9.9 V');
  await page.keyboard.press('Enter');
  await draftSaved(page);
  await station(page, 'Load');
  await expect(page.getByText('Clear this before you load.')).toBeVisible();
  await page.getByText('Load it anyway …').click();
  await page.getByLabel('Why? The sheet will show your reason.').fill('A bench test without a pack');
  await page.getByRole('button', { name: 'I accept the risk' }).click();
  await expect(page.getByText('You load it anyway: “A bench test without a pack”')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Begin loading' })).toBeVisible();
  await page.getByRole('button', { name: 'undo that' }).click();
  await expect(page.getByText('Clear this before you load.')).toBeVisible();
});

test('a value for a day stays in view until it is put back', async ({ page }) => {
  await openNewRig(page, 'Event buggy', 'tune');
  await valueOf(page, 'Cutoff').press('Home');
  const row = railRow(page, 'Cutoff');
  await row.getByRole('button', { name: 'make temporary …' }).click();
  await row.getByLabel('until the end of').fill('2031-07-04');
  // The server does not hear of it before the page is loaded anew: the browser keeps it meanwhile.
  await page.route('**/goals', (route) => route.abort());
  await row.getByRole('button', { name: /^then back to/ }).click();
  await expect(row.getByText(/^until 2031-07-04, then/)).toBeVisible();
  await draftSaved(page);
  await page.reload();
  await expect(page.getByRole('link', { name: 'temporary: 1' })).toBeVisible();
  await page.unroute('**/goals');
  await page.keyboard.press('w');
  await expect(page.getByRole('link', { name: 'temporary: 1' })).toBeHidden();
  await expect(valueOf(page, 'Cutoff')).toHaveAttribute('aria-valuetext', /as on the ESC$/);
});

test('from what is wrong to one drafted change; the whole sheet compares it, and two drafts take turns', async ({
  page,
}) => {
  await openNewRig(page, 'Troubled buggy', 'tune');
  await page.getByRole('link', { name: 'What is wrong?' }).click();
  await page.getByLabel('The brake is weak when it is slow').check();
  await page.getByLabel('strong enough').check();
  const first = page.getByRole('region', { name: 'Likeliest causes' }).getByRole('listitem').first();
  await expect(first).toContainText('A high brake frequency is weak at low speed');
  await expect(first).toContainText('Predicted: stop from walking pace');
  await first.getByRole('button', { name: /^Draft/ }).click();
  await expect(first.getByText('drafted')).toBeVisible();

  await page.getByRole('link', { name: 'Back to Tune' }).click();
  await page.getByRole('link', { name: 'Whole sheet' }).click();
  const frequency = page.getByLabel('Brake frequency, draft');
  const drafted = await frequency.inputValue();
  await page.getByRole('button', { name: 'Keep a copy as draft B' }).click();
  await page.getByLabel('Find').fill('punch');
  await expect(page.getByLabel('Launch strength, draft')).toBeVisible();
  await expect(frequency).toBeHidden();
  await page.getByLabel('Find').fill('');
  await page.getByLabel('Quick').fill('brake frequency 2');
  await page.keyboard.press('Enter');
  await expect(frequency).not.toHaveValue(drafted);
  await page.getByRole('button', { name: 'Switch to draft B' }).click();
  await expect(frequency).toHaveValue(drafted);
  await expect(page.getByText('Here: draft B')).toBeVisible();
  await draftSaved(page);
});
