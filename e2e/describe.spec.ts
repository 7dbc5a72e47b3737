import type { Page } from '@playwright/test';
import { openDemoRig } from './rigs';
import { expect, test } from './test';

const field = (page: Page, name: string) => page.getByLabel(name, { exact: true });
const basisOf = (page: Page, name: string) => page.getByLabel(`Where ${name} comes from:`);
const save = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
};

test('sums stand beside the fields that need them, and what they give is kept as measured', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Summed up', 'rig');
  await page.getByText('Motor without label or data sheet').click();
  await field(page, 'kV from a free run: rpm').fill('24 300');
  await field(page, 'kV from a free run: at').fill('8,1');
  await page.getByRole('button', { name: 'Use this kV' }).click();
  await expect(field(page, 'Motor kV')).toHaveValue('3000');
  await expect(basisOf(page, 'Motor kV')).toHaveText('measured');

  await field(page, 'Poles from two readings: poles entered').fill('10');
  await field(page, 'Poles from two readings: shown').fill('14000');
  await field(page, 'Poles from two readings: true').fill('ten');
  await expect(page.getByText('true: “ten” is not a number.')).toBeVisible();
  await field(page, 'Poles from two readings: true').fill('10000');
  await page.getByRole('button', { name: 'Use 7 pairs' }).click();
  await expect(field(page, 'Pole pairs')).toHaveValue('7');

  await page.getByText('Calculate: resistance, wires').click();
  await expect(page.getByText(/takes 2 cells for 1 if they rest at/)).toBeVisible();
  await field(page, 'Resistance from two loads: light: volts').fill('8,0');
  await page.getByLabel('Resistance from two loads: amperes').first().fill('10');
  await field(page, 'Resistance from two loads: heavy: volts').fill('8,2');
  await page.getByLabel('Resistance from two loads: amperes').last().fill('40');
  await expect(page.getByText('Readings swapped?')).toBeVisible();
  await field(page, 'Resistance from two loads: heavy: volts').fill('7,7');
  await page.getByRole('button', { name: 'Use it as measured' }).click();
  await expect(field(page, 'Resistance of a cell')).toHaveValue('5');
  await save(page);
  await page.reload();
  await expect(field(page, 'Motor kV')).toHaveValue('3000');
  await expect(basisOf(page, 'Resistance of a cell')).toHaveText('measured');
});

test('teeth make the final drive, and half of them are asked for the rest', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Toothy', 'rig');
  await field(page, 'Pinion').fill('');
  await field(page, 'Internal ratio').fill('');
  await field(page, 'Spur').fill('58');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('Type spur, pinion and internal ratio together');
  await expect(field(page, 'Spur')).toHaveValue('58');
  await field(page, 'Pinion').fill('20');
  await field(page, 'Internal ratio').fill('3,3077');
  await expect(page.getByText(/Final drive 9\.59 : 1; every 1000 motor rpm are 1\.73 km\/h/)).toBeVisible();
  await save(page);
  await page.reload();
  await expect(field(page, 'Final drive')).toHaveValue('9.592');
});

test('what hangs on the BEC is added up as it is typed', async ({ page }) => {
  await openDemoRig(page, 'cliff-path-crawler', 'Heavy-handed', 'rig');
  await page.getByLabel('Its class, 1', { exact: true }).selectOption('giant servo');
  await field(page, 'How many, 1').fill('2');
  await expect(page.getByText(/the bus will brown out\. That looks like a low-battery cutoff/)).toBeVisible();
  await page.getByText('An external BEC feeds them').click();
  await field(page, 'Gives').fill('7,4');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('Its current: “” is not a number');
  await field(page, 'Up to').fill('20');
  await save(page);
});

test('a profile is edited into its next revision, and its rig asks before it moves', async ({ page }) => {
  await page.goto('/profiles/new?from=pattern-one-key');
  await field(page, 'Name').fill('Revised 60');
  const compared = page.getByRole('button', { name: 'As in the manual' });
  while ((await compared.count()) > 0) await compared.first().click();
  await page.getByRole('button', { name: 'Keep this profile' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.goto('/rigs/new?class=basher');
  await field(page, 'Name').fill('Revised basher');
  await page.getByLabel('Profile').selectOption('revised-60');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(page.getByRole('heading', { name: /^Teach the ESC/ })).toBeVisible();
  const rig = page.url().replace('/endpoints', '/rig');
  await page.goto('/profiles');
  await page.getByRole('link', { name: 'edit Revised 60' }).click();
  const heat = page.locator('[data-item="13"]');
  await heat.getByLabel(/^Stops in its order/).fill('95 °C / 100 °C* / 110 °C');
  await heat.getByLabel(/^Stops in its order/).press('Enter');
  await page.getByRole('button', { name: 'Keep this profile' }).click();
  await expect(page.getByText(/revision 2 · in 1 rig/)).toBeVisible();
  await page.goto(rig);
  await expect(page.getByText('Revision 2 of Revised 60 is in your garage; this rig uses 1.')).toBeVisible();
  // A profile that a rig uses is not offered for deleting.
  await page.goto('/profiles');
  await expect(page.getByRole('button', { name: 'delete Revised 60' })).toBeHidden();
});
