import { readFile } from 'node:fs/promises';
import { handOf } from './hand';
import type { Page } from '@playwright/test';
import { FRESH, draftSaved, expect, moveRail, test } from './test';

test('from a rig typed by hand to a verified load, its sheet out and in again', FRESH, async ({ page }) => {
  await page.clock.install();
  const hand = handOf(page);

  await test.step('a new rig', async () => {
    await typeRig(page, {
      name: 'Dune hare',
      numbers: {
        'Mass, ready to drive': '1755',
        'Cells in series': '2',
        'Motor kV': '2900',
        'Final drive': '8,6',
      },
      busLoads: [
        ['tiller servo', '7.4'],
        ['stern lamp', '6'],
      ],
    });
  });

  await test.step('its end points', async () => {
    await page.getByLabel('Pinion out of mesh').check();
    await page.getByRole('button', { name: 'Begin calibrating' }).click();
    await hand.follow(/^Learned/);
    await page.getByRole('button', { name: 'Keep this calibration' }).click();
    await expect(
      page.getByRole('heading', { name: 'Calibrated. The trigger and the ESC agree.' }),
    ).toBeVisible();
    await expect(page.getByRole('img', { name: /the ESC has learned 1000 to 2000 µs/ })).toBeVisible();
    await page.getByRole('link', { name: 'Go to Tune' }).click();
  });

  await test.step('four settings, and a verdict that comes and goes', async () => {
    await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
    await moveRail(page, 'Drag brake', 'ArrowRight', 1);
    await moveRail(page, 'Launch strength', 'ArrowLeft', 2);
    await moveRail(page, 'Cutoff', 'ArrowRight', 2);
    await expect(page.getByText('draft: 4 differ')).toBeVisible();
    await moveRail(page, 'BEC voltage', 'ArrowRight', 1);
    await expect(page.getByText('6.8 V is more than the stern lamp may have.')).toBeVisible();
    await expect(page.getByRole('link', { name: 'Load: a hazard is open' })).toBeVisible();
    await page.getByRole('button', { name: 'Take 6.0 V', exact: true }).click();
    await expect(page.getByText('may have.')).toBeHidden();
    await expect(page.getByRole('row', { name: /Peak pack current.*cooler/ })).toBeVisible();
    await draftSaved(page);
  });

  await test.step('the load, by the plan', async () => {
    await page.getByRole('link', { name: 'Load 4 changes' }).click();
    await page.getByLabel('Wheels clear of the bench').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    await hand.follow(/^Every value is counted back/);
    await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
  });

  await test.step('the sheet', async () => {
    await expect(page.getByRole('heading', { name: 'Sheet 1' })).toBeVisible();
    await expect(page.getByText('on the simulated ESC: sheet 1')).toBeVisible();
    await expect(page.getByText('draft: as it is')).toBeVisible();
    const row = page.getByRole('row', { name: /Stopper ·/ });
    await expect(row).toContainText('65 % (stop 5)');
    await expect(row).toContainText('counted back');
  });

  await test.step('out and in again, equal', async () => {
    const sheet = await downloaded(page.getByRole('link', { name: 'Export sheet 1' }));
    await page
      .getByLabel('Import a sheet')
      .setInputFiles({ name: 'sheet.json', mimeType: 'application/json', buffer: sheet });
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(page.getByText('You already have it: sheet 1 equals the file.')).toBeVisible();

    await page.getByRole('link', { name: 'Rig', exact: false }).first().click();
    const rig = await downloaded(page.getByRole('link', { name: 'Export this rig' }));
    await page.goto('/');
    await page
      .getByLabel('Import a file')
      .setInputFiles({ name: 'rig.json', mimeType: 'application/json', buffer: rig });
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: /^Sheets/ })
      .click();
    await page
      .getByLabel('Import a sheet')
      .setInputFiles({ name: 'sheet.json', mimeType: 'application/json', buffer: sheet });
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(page.getByText('Imported as sheet 1.')).toBeVisible();
    const again = await downloaded(page.getByRole('link', { name: 'Export sheet 1' }));
    expect(JSON.parse(again.toString())).toEqual(JSON.parse(sheet.toString()));
    await expect(page.getByRole('button', { name: 'Take as draft (4 differ)' })).toBeVisible();
  });

  async function downloaded(link: ReturnType<typeof page.getByRole>): Promise<Buffer> {
    const [download] = await Promise.all([page.waitForEvent('download'), link.click()]);
    return readFile(await download.path());
  }
});

/** What a test types about its rig. Fields that are left out keep their defaults. */
interface TypedRig {
  name: string;
  numbers?: Record<string, string>;
  busLoads?: [name: string, maxVolts: string][];
}

/** Describes a new tenth-scale buggy by typing, and leaves the page on its Endpoints. */
async function typeRig(page: Page, { name, numbers = {}, busLoads = [] }: TypedRig): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'New rig' }).click();
  await page.getByRole('link', { name: /^Tenth-scale buggy/ }).click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  for (const [label, value] of Object.entries(numbers))
    await page.getByLabel(label, { exact: true }).fill(value);
  for (const [place, [load, volts]] of busLoads.entries()) {
    await page.getByLabel(`Type, ${place + 1}`).fill(load);
    await page.getByLabel(`Highest voltage, ${place + 1}`).fill(volts);
  }
  await page.getByLabel('Profile').selectOption('tamsel-r60');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(page.getByRole('heading', { name: 'Teach the ESC your trigger' })).toBeVisible();
}
