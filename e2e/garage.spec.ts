import { expect, test, typeRig } from './test';

test('what was typed wrong is explained at its field, and nothing typed is lost', async ({ page }) => {
  await page.goto('/rigs/new?class=crawler');
  await page.getByLabel('Mass, ready to drive', { exact: true }).fill('2,4 kg');
  await page.getByLabel('Motor kV', { exact: true }).fill('0');
  await page.getByLabel('Pack capacity', { exact: true }).fill('2 200');
  await page.getByLabel('Highest voltage, 1', { exact: true }).fill('6');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  const summary = page.getByRole('alert');
  await expect(summary).toContainText('Give the model a name');
  await expect(summary).toContainText(
    'Mass, ready to drive: “2,4 kg” is not a number. It must be between 50 and 60000 g.',
  );
  await expect(summary).toContainText('Motor kV is 0 rpm/V; it must be between 50 and 20000 rpm/V.');
  await expect(summary).toContainText('Say what it is');
  await expect(page.getByLabel('Mass, ready to drive', { exact: true })).toHaveValue('2,4 kg');
  await page.getByLabel('Name', { exact: true }).fill('Goat <script>');
  await page.getByLabel('Mass, ready to drive', { exact: true }).fill('2400');
  await page.getByLabel('Motor kV', { exact: true }).fill('1800');
  await page.getByLabel('What it is, 1', { exact: true }).fill('winch');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(page.getByText('Goat <script>')).toBeVisible();
});

test('a typed number is no longer assumed', async ({ page }) => {
  await page.goto('/rigs/new?class=basher');
  const basis = page.getByLabel('Where Motor kV comes from');
  await expect(basis).toHaveValue('assumed');
  await page.getByLabel('Motor kV', { exact: true }).fill('1000');
  await expect(basis).toHaveValue('given');
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
  await give('{"format":"live-tune/rig","version":7}');
  await expect(page.getByRole('alert')).toContainText('this Live Tune reads versions 1 to 2');
  await give('{"format":"live-tune/rig","version":1,"escProfileId":"tamsel-r60"}');
  await expect(page.getByRole('alert')).toContainText('is missing');
});

test('a rig is deleted only after asking', async ({ page }) => {
  await typeRig(page, { name: 'Short-lived' });
  await page.getByRole('link', { name: /^Rig/ }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('heading', { name: 'All rigs' })).toBeVisible();
  await expect(page.getByText('Short-lived')).toBeHidden();
});

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/rigs/no-such-rig/tune');
  await expect(page.getByRole('heading', { name: 'There is nothing here.' })).toBeVisible();
});
