import { demoRigFile, openDemoRig, takeIn } from './rigs';
import { expect, test } from './test';

test('a pair that should match: what differs is ended by one load, and a typed target finds its stop', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'First of the pair', 'tune');
  const { rig, ...file } = await demoRigFile('kelp-beach-buggy');
  if (rig.vehicle.kind !== 'wheels') throw new Error('a buggy has wheels');
  const gearing = { ...rig.vehicle.gearing!, pinionTeeth: 17 };
  const vehicle = { ...rig.vehicle, gearing };
  const second = (await takeIn(page, { ...file, rig: { ...rig, name: 'Second of the pair', vehicle } }))!;

  await page.goto('/alike');
  const name = page.getByLabel('Name', { exact: true });
  if (!(await name.isVisible())) await page.getByText('Make a group', { exact: true }).click();
  await name.fill('Hire pair');
  await page.getByLabel('Like this one').selectOption({ label: 'First of the pair' });
  await page.getByRole('checkbox', { name: 'Second of the pair' }).check();
  await page.getByLabel('Its name').fill('Old engine car');
  await page.getByLabel('Stop from walking pace').fill('0,5');
  await page.getByRole('button', { name: 'Keep this group' }).click();
  await expect(page.getByText(/^1 of \d+ values differ\.$/)).toBeVisible();
  const like = page.getByRole('region', { name: 'First of the pair like Old engine car' });
  await expect(like).toContainText(/0.50.m there, 0.30.m here/);
  await expect(like.getByRole('button', { name: /^Load 1 change/ })).toBeVisible();

  await page.getByRole('button', { name: 'Load 1 change on Second of the pair' }).first().click();
  await expect(page).toHaveURL(new RegExp(`${second}/load`));
  await expect(page.getByText('draft: 1 differs')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: /^Pinion 17 → 20.teeth/ })).toBeVisible();
});
