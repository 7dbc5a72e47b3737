import { readFile } from 'node:fs/promises';
import { openNewRig } from './rigs';
import { expect, test } from './test';

test('everything saved, a rig changed, and the saved one brought back beside it', async ({ page }) => {
  await openNewRig(page, 'Saved hare', 'rig');
  await page.goto('/copies');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save everything' }).click(),
  ]);
  const archive = await readFile(await download.path());
  const choose = (buffer: Buffer) =>
    page.getByLabel('Saved file').setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer });

  await choose(archive.subarray(0, archive.length - 200));
  await expect(page.getByText('Nothing was changed.')).toBeVisible();
  await choose(Buffer.from('holiday pictures'));
  await expect(page.getByText('This is not a Live Tune archive, or it is incomplete.')).toBeVisible();

  await page.goto('/');
  await page.getByRole('link', { name: /^Saved hare/ }).click();
  await page.waitForURL('**/tune');
  await page.goto(page.url().replace('/tune', '/rig'));
  await page.getByLabel('Name', { exact: true }).fill('Saved hare, painted');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible();

  await page.goto('/copies');
  await choose(archive);
  await expect(page.getByText(/Rigs: 0 new, \d+ the same, \d+ different/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/Different: .*Saved hare/)).toBeVisible();
  await page.getByLabel('Keep both: the saved ones as copies').check();
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText(/rigs are back\.$/)).toBeVisible({ timeout: 60_000 });
  await page.goto('/?q=saved+hare');
  await expect(page.getByRole('link', { name: /^Saved hare \(saved copy\)/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Saved hare, painted/ })).toBeVisible();
});
