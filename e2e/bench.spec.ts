import { handOf } from './hand';
import { openNewRig, openNewRigOf } from './rigs';
import { FRESH, draftSaved, expect, moveRail, test } from './test';

test('a value stored in the wrong item is noticed, put right and counted back', FRESH, async ({ page }) => {
  await page.clock.install();
  const hand = handOf(page);
  await openNewRig(page, 'Slip rig', 'tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
  await draftSaved(page);
  await page.getByRole('link', { name: 'Load 1 change' }).click();
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Begin loading' }).click();

  // Counts five instead of six, and stores one stop farther there.
  await hand.power();
  await hand.hold(1300);
  await hand.press(5);
  await hand.hold(2500);
  await hand.press(1);
  await hand.hold(2500);
  await expect(page.getByText('“Roll-off” was set to something else. The plan corrects it.')).toBeVisible();

  await hand.follow(/^Every value is counted back/);
  await page.getByLabel('Note for this sheet').fill('slipped once');
  await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
  await expect(page.getByRole('row', { name: /6 Stopper/ })).toContainText('65 % (stop 5)');
  await expect(page.getByRole('row', { name: /Roll-off/ })).toContainText('8 % (stop 3)');
  await page.getByRole('link', { name: 'Print sheet 1' }).click();
  await expect(page.getByText('slipped once')).toBeVisible();
});

test(
  'a finished load keeps its sheet by itself: who leaves the page loses nothing',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    const hand = handOf(page);
    const rigId = await openNewRig(page, 'Left rig', 'tune');
    await moveRail(page, 'Brake strength', 'ArrowLeft', 1);
    await draftSaved(page);
    await page.getByRole('link', { name: 'Load 1 change' }).click();
    await page.getByLabel('Wheels clear of the bench').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    await hand.follow(/^Every value is counted back/);
    await expect(page.getByText('Kept as sheet 1.')).toBeVisible();
    // The page is left as it stands.
    await page.goto(`/rigs/${rigId}/sheets`);
    await expect(page.getByRole('row', { name: /6 Stopper/ })).toContainText('counted back');
    await expect(page.getByText('Sheet 2')).toHaveCount(0);
  },
);

test('a menu on the transmitter is loaded from a new rig on, nothing done before', async ({ page }) => {
  await openNewRigOf(page, 'aerobaticPlane', 'New aerobat', 'tune');
  await moveRail(page, 'Cutoff', 'ArrowRight', 1);
  await draftSaved(page);
  await page.getByRole('link', { name: 'Load 1 change' }).click();
  await page.getByRole('group', { name: 'Make it safe first' }).getByRole('radio').first().check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
  await page.getByRole('button', { name: 'Let the plan run by itself' }).click();
  await expect(page.getByText('Every value is counted back.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Kept as sheet 1.')).toBeVisible();
});

test(
  'a load that was broken off goes on after a reload, and counts back what it had stored',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    const hand = handOf(page);
    await openNewRig(page, 'Broken-off rig', 'tune');
    await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
    await moveRail(page, 'Drag brake', 'ArrowRight', 1);
    await draftSaved(page);
    await page.getByRole('link', { name: 'Load 2 changes' }).click();
    await page.getByLabel('Wheels clear of the bench').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    const stored = page.waitForResponse('**/bench-record');
    await hand.follow(/^Switch the ESC off/);
    await stored;

    await page.reload();
    await expect(page.getByText('Load 1 change into the Tamsel R60')).toBeVisible();
    await expect(page.getByText('Stored earlier, not counted back yet')).toBeVisible();
    await page.getByLabel('Wheels clear of the bench').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    await hand.follow(/^Every value is counted back/);
  },
);

test('a wrong count is not believed: the value is stored again', FRESH, async ({ page }) => {
  await page.clock.install();
  const hand = handOf(page);
  await openNewRig(page, 'Miscount rig', 'tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
  await draftSaved(page);
  await page.getByRole('link', { name: 'Load 1 change' }).click();
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
  await hand.follow(/^How many white flashes/);
  await page.getByRole('button', { name: '4', exact: true }).click();
  await expect(page.getByText('“Stopper” shows four, not the drafted value.')).toBeVisible();
  await hand.follow(/^Every value is counted back/);
});

test(
  'a point taken with the trigger in the wrong place is refused, and the guide says so',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    const hand = handOf(page);
    await openNewRig(page, 'Half-pull rig', 'endpoints');
    await page.getByLabel('Pinion out of mesh').check();
    await page.getByRole('button', { name: 'Begin calibrating' }).click();
    await hand.follow(/^Pull the trigger full forward/);
    await hand.press(1);
    await expect(page.getByText('a harsh buzz: refused')).toBeVisible();
    await hand.follow(/^Learned/);
  },
);

test('changed end points make the calibration stale', FRESH, async ({ page }) => {
  await page.clock.install();
  await openNewRig(page, 'Stale rig', 'endpoints');
  await page.getByLabel('Pinion out of mesh').check();
  await page.getByRole('button', { name: 'Begin calibrating' }).click();
  await handOf(page).follow(/^Learned/);
  await page.getByRole('button', { name: 'Keep this calibration' }).click();
  await page.getByRole('link', { name: /^Rig/ }).click();
  await page.getByLabel('Brake end point').fill('80');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('link', { name: /^Endpoints.*stale: the brake end point has changed since/ }).click();
  await expect(page.getByRole('heading', { name: 'The ESC never sees full throttle.' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Brake: stops at 78 %' })).toBeVisible();
});
