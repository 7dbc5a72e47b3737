import { readFile } from 'node:fs/promises';
import type { EscProfile } from '#core/esc/profile';
import { openDemoRig } from './rigs';
import { draftSaved, expect, moveRail, test } from './test';

test('a revision that renumbers items: the map is shown, the draft follows it, sheets and evidence say so', async ({
  page,
}) => {
  // A kind of ESC of its own, so that no other rig is offered the revision.
  const profile = JSON.parse(await readFile('demo/tamsel-r60.esc-profile.json', 'utf8')) as EscProfile;
  profile.id = 'tamsel-r61';
  profile.name = 'Tamsel R61';
  const importProfile = async (): Promise<void> => {
    await page.goto('/');
    await page.getByLabel('Import a file').setInputFiles({
      name: 'esc.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(profile)),
    });
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(page.getByText('ESC profile “Tamsel R61” is in your garage.')).toBeVisible();
  };
  await importProfile();
  await openDemoRig(page, 'kelp-beach-buggy', 'Renumbered buggy', 'rig');
  await page.getByLabel('Profile').selectOption('tamsel-r61');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.getByRole('link', { name: /^Tune/ }).click();
  await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await draftSaved(page);

  // Items five and six change places; the drafted drag brake stop goes.
  const [rollOff, stopper] = [profile.items[4]!, profile.items[5]!];
  profile.items[4] = { ...stopper, number: 5 };
  profile.items[5] = {
    ...rollOff,
    number: 6,
    stops: rollOff.stops
      .filter((stop) => stop.id !== 'roll-off-4')
      .map((stop, place) => ({ ...stop, number: place + 1 })),
  };
  profile.revision = 2;
  const rig = page.url().replace('/tune', '');
  await importProfile();

  await page.goto(`${rig}/rig`);
  // Saving the rig changes nothing about its revision.
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('this rig uses 1.')).toBeVisible();
  await page.getByRole('link', { name: 'See what it changes' }).click();
  await expect(page.getByText('Item 6 “Stopper” is now item 5 “Stopper”.')).toBeVisible();
  await expect(page.getByText('Stop 4 “12 %” of item 6 “Roll-off” is gone.')).toBeVisible();
  await expect(page.getByText('Roll-off: 12 %', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'The ESC got new firmware' }).click();
  await expect(page.getByText('14 values are unknown.')).toBeVisible();
  await page.getByRole('link', { name: /^Tune/ }).click();
  // All that belongs to a rail shows where the focus is.
  await page.getByRole('slider', { name: 'Brake strength' }).press('Tab');
  await page.keyboard.press('Shift+Tab');
  await expect(page.getByText('item 5 “Stopper”')).toBeVisible();
  await expect(page.getByRole('slider', { name: 'Brake strength' })).toHaveAttribute(
    'aria-valuetext',
    '65 %; on the ESC unknown',
  );
  await expect(page.getByText('draft: 1 differs')).toBeVisible();
});
