import { VERSION } from '#formats/document';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { openNewRig, openDemoRig } from './rigs';
import { ADDRESS } from './setting';
import { expect, test } from './test';

test('what was typed wrong is explained at its field, and nothing typed is lost', async ({ page }) => {
  await page.goto('/rigs/new?class=crawler');
  await page.getByLabel('Mass, ready to drive', { exact: true }).fill('2,4 kg');
  await page.getByLabel('Motor kV', { exact: true }).fill('0');
  await page.getByLabel('Pack capacity', { exact: true }).fill('2 200');
  await page.getByLabel('Highest voltage, 1', { exact: true }).fill('6');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  const summary = page.getByRole('alert');
  await expect(summary).toContainText('Type a name for the model');
  await expect(summary).toContainText(
    'Mass, ready to drive: “2,4 kg” is not a number. It must be between 50 and 60000 g.',
  );
  await expect(summary).toContainText('Motor kV is 0 rpm/V; it must be between 50 and 20000 rpm/V.');
  await expect(summary).toContainText('Type what it is');
  await expect(page.getByLabel('Mass, ready to drive', { exact: true })).toHaveValue('2,4 kg');
  await page.getByLabel('Name', { exact: true }).fill('Goat <script>');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(summary).toContainText('The name has markup');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Goat <script>');
  await page.getByLabel('Name', { exact: true }).fill('Goat & Son <3');
  await page.getByLabel('Mass, ready to drive', { exact: true }).fill('2400');
  await page.getByLabel('Motor kV', { exact: true }).fill('1800');
  await page.getByLabel('Type, 1', { exact: true }).fill('winch');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(page.getByText('Goat & Son <3')).toBeVisible();
});

test('a typed number is no longer assumed', async ({ page }) => {
  await page.goto('/rigs/new?class=basher');
  const basis = page.getByLabel('Where Motor kV comes from:');
  await expect(basis).toHaveText('assumed');
  await page.getByLabel('Motor kV', { exact: true }).fill('1000');
  await expect(basis).toHaveText('given');
});

test('a file that is no document is refused in words', async ({ page }) => {
  await page.goto('/');
  const give = async (text: string): Promise<void> => {
    await page
      .getByLabel('Import a file')
      .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await page.getByRole('button', { name: 'Import', exact: true }).click();
  };
  await give('{"format":');
  await expect(page.getByRole('alert')).toContainText('The file is not JSON');
  await give(`{"format":"live-tune/rig","version":${VERSION + 1}}`);
  await expect(page.getByRole('alert')).toContainText(`this Live Tune reads versions 1 to ${VERSION}`);
  await give('{"format":"live-tune/rig","version":1,"escProfileId":"tamsel-r60"}');
  await expect(page.getByRole('alert')).toContainText('is missing');
});

test('a rig is deleted only after asking', async ({ page }) => {
  await openNewRig(page, 'Short-lived', 'rig');
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('heading', { name: 'All rigs' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Short-lived', exact: true })).toBeHidden();
});

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/rigs/no-such-rig/tune');
  await expect(page.getByRole('heading', { name: 'There is nothing here.' })).toBeVisible();
});

test('rigs are found, copied, archived, deleted and brought back', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Sandpiper', 'rig');
  await page.goto('/');
  const link = (name: string) => page.getByRole('link', { name, exact: true });
  /** Until the list is that of what was typed: its rows move, and a press between two lists meets neither. */
  const find = async (typed: string): Promise<void> => {
    await page.getByLabel('Find').fill(typed);
    await page.waitForURL((url) => url.searchParams.get('q') === typed);
  };
  await page.getByRole('button', { name: 'copy Sandpiper' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Sandpiper (copy)');
  await page.goto('/');
  await find('sandpiper tamsel');
  await expect(link('Sandpiper (copy)')).toBeVisible();
  await expect(link('Cliff-path crawler')).toBeHidden();
  await page.getByRole('button', { name: 'delete Sandpiper (copy)' }).click();
  await expect(page.getByText('Moved to the bin with its sheets')).toBeVisible();
  await expect(link('Sandpiper (copy)')).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Restored from the bin.')).toBeVisible();
  await find('sandpiper');
  await page.getByRole('button', { name: 'archive Sandpiper (copy)' }).click();
  await expect(page.getByText('Archived. Find it under')).toBeVisible();
  await find('sandpiper');
  await expect(link('Sandpiper (copy)')).toBeHidden();
  await page.getByRole('link', { name: /^\d+ archived$/ }).click();
  await expect(link('Sandpiper (copy)')).toBeVisible();
});

test('a picture is kept without what its camera wrote into it; what is none is refused', async ({
  page,
  request,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Photogenic', 'rig');
  const rig = page.url().replace(/\/rig$/, '');
  await page.getByLabel(/^Optional picture/).setInputFiles({
    name: 'x.png',
    mimeType: 'image/png',
    buffer: Buffer.from('this is no picture'),
  });
  await page.getByRole('button', { name: 'Keep the picture' }).click();
  await expect(page.getByText('The picture could not be read')).toBeVisible();
  const photo = await sharp({ create: { width: 1200, height: 600, channels: 3, background: '#88a' } })
    .withExif({ IFD0: { Make: 'Some camera' } })
    .jpeg()
    .toBuffer();
  await page
    .getByLabel(/^Optional picture/)
    .setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: photo });
  await page.getByRole('button', { name: 'Keep the picture' }).click();
  await expect(page.getByRole('img', { name: 'Photogenic' })).toBeVisible();
  const sent = await request.get(`${rig}/picture`);
  expect(sent.headers()['content-type']).toBe('image/webp');
  expect((await sharp(await sent.body()).metadata()).exif).toBeUndefined();
  await page.getByRole('button', { name: 'remove it' }).click();
  await expect(page.getByRole('img', { name: 'Photogenic' })).toBeHidden();
});

test('what an event forbids is a hazard until it is put right', async ({ page }) => {
  await page.goto('/rules');
  await page.getByLabel('Name of the new one').fill('Harbour spec');
  await page.locator('form').last().getByLabel('no reverse').check();
  await page.locator('form').last().getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('“Harbour spec” is kept.')).toBeVisible();
  await openDemoRig(page, 'kelp-beach-buggy', 'Rule-bound', 'rig');
  const kept = page.waitForResponse((response) => response.url().includes('/rules'));
  await page.getByLabel('Event rules to check').selectOption('Harbour spec');
  expect((await kept).ok()).toBe(true);
  await page.getByRole('link', { name: /^Tune/ }).click();
  await expect(page.getByText('Harbour spec forbids this.')).toBeVisible();
});

test('a rig that was archived and then deleted comes back archived; from the bin it can go for good', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Dry-docked', 'rig');
  await page.goto('/');
  const link = page.getByRole('link', { name: 'Dry-docked', exact: true });
  await page.getByRole('button', { name: 'archive Dry-docked' }).click();
  await expect(page.getByText('Archived. Find it under “archived”.')).toBeVisible();
  await expect(link).toBeHidden();
  await page.getByRole('link', { name: /^\d+ archived$/ }).click();
  await page.getByRole('button', { name: 'delete Dry-docked' }).click();
  await expect(page.getByText('Moved to the bin')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Restored from the bin.')).toBeVisible();
  await expect(link).toBeVisible();
  await page.getByRole('button', { name: 'delete Dry-docked' }).click();
  await expect(page.getByText('Moved to the bin')).toBeVisible();
  await page.getByRole('link', { name: /^\d+ in the bin$/ }).click();
  await page.getByRole('button', { name: 'delete for good Dry-docked' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Delete for good' }).click();
  await expect(page.getByText('Deleted for good.')).toBeVisible();
  await expect(page.getByText('Dry-docked')).toBeHidden();
});

/** Holds back every action that the page sends, until it is let through. */
async function holdActions(page: Page): Promise<() => void> {
  let letThrough = (): void => undefined;
  const held = new Promise<void>((resolve) => (letThrough = resolve));
  await page.route(
    (url) => url.pathname.endsWith('.data'),
    async (route) => {
      if (route.request().method() === 'POST') await held;
      await route.continue();
    },
  );
  return () => letThrough();
}

test('a link that is pressed while something is under way waits for it, and shows what it did', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Binned before', 'rig');
  await openDemoRig(page, 'kelp-beach-buggy', 'Binned in haste', 'rig');
  await page.goto('/');
  await page.getByRole('button', { name: 'delete Binned before' }).click();
  await expect(page.getByText('Moved to the bin')).toBeVisible();
  const letThrough = await holdActions(page);
  const remove = page.getByRole('button', { name: 'delete Binned in haste' });
  await remove.click();
  await expect(remove).toBeDisabled();
  await page.getByRole('link', { name: /^\d+ in the bin$/ }).click();
  letThrough();
  await expect(page.getByRole('heading', { name: 'The bin' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'bring back Binned in haste' })).toBeVisible();
});

test('while something is under way, nothing can be undone, and nothing else begun', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Bystander', 'rig');
  await openDemoRig(page, 'kelp-beach-buggy', 'Quick-handed', 'rig');
  await page.goto('/');
  await page.getByRole('button', { name: 'archive Bystander' }).click();
  const undo = page.getByRole('button', { name: 'Undo' });
  await expect(undo).toBeEnabled();
  const letThrough = await holdActions(page);
  const remove = page.getByRole('button', { name: 'delete Quick-handed' });
  await remove.click();
  await expect(undo).toBeHidden();
  await expect(remove).toBeDisabled();
  letThrough();
  await undo.click();
  await expect(page.getByText('Restored from the bin.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Quick-handed', exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Bystander', exact: true })).toBeHidden();
});

test('more sheets than a page holds are turned over and searched', async ({ page }) => {
  const rigId = await openNewRig(page, 'Paper-rich', 'sheets');
  for (let n = 10; n < 22; n += 1)
    await page.request.post(`/rigs/${rigId}/load`, {
      headers: { origin: ADDRESS },
      form: { load: `00000000-0000-4000-8000-00000000${rigId.slice(0, 2)}${n}`, medium: 'oneKey' },
    });
  await page.reload();
  await expect(page.getByText('1 to 10 of 12 sheets')).toBeVisible();
  await page.getByRole('link', { name: 'next page' }).click();
  await expect(page.getByRole('heading', { name: 'Sheet 1', exact: true })).toBeVisible();
  await page.getByLabel('Find').fill('paper-rich 7');
  await expect(page.getByRole('article')).toHaveCount(1);
  await page.getByLabel('Find').fill('no such words');
  await expect(page.getByText('No sheet has these words')).toBeVisible();
});
