import { ARCHETYPES } from '#core/archetypes/archetypes';
import { numberBoxPattern } from '#core/archetypes/cars';
import { handMediumOf } from '#core/esc/profile';
import { defaultRig } from '#core/rig/defaults';
import { VERSION } from '#formats/document';
import { handOf } from './hand';
import { openDemoRig, takeIn } from './rigs';
import { FRESH, draftSaved, expect, moveRail, station, test } from './test';

test(
  'a crawler on its card: several values in one session, each confirmed, each read off the lamps',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    const hand = handOf(page);
    await openDemoRig(page, 'cliff-path-crawler', 'Card crawler', 'tune');
    await moveRail(page, 'Drag brake', 'ArrowRight', 1);
    await moveRail(page, 'Launch limit', 'ArrowLeft', 1);
    await moveRail(page, 'Cutoff', 'ArrowRight', 1);
    await draftSaved(page);
    await page.getByRole('link', { name: 'Load 3 changes' }).click();
    await page.getByLabel('Wheels clear of the bench').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    await hand.follow(/^Every value is counted back/);
    await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
    const row = page.getByRole('row', { name: /Hill hold/ });
    await expect(row).toContainText('100 % (stop 7)');
    await expect(row).toContainText('counted back');
    await expect(page.getByText('draft: as it is')).toBeVisible();
  },
);

test('a value left without ok is noticed: the guide goes back to it', FRESH, async ({ page }) => {
  await page.clock.install();
  const hand = handOf(page);
  await openDemoRig(page, 'cliff-path-crawler', 'Forgetful crawler', 'tune');
  await moveRail(page, 'Cutoff', 'ArrowRight', 1);
  await draftSaved(page);
  await page.getByRole('link', { name: 'Load 1 change' }).click();
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
  await hand.follow(/^Press keep once/);
  // Instead of the ok key, the hand goes on to the next item.
  await page.keyboard.press('i');
  await expect(page.getByTestId('instruction')).toContainText('Press line');
  await hand.follow(/^Every value is counted back/);
});

test(
  'a trainer by its stick: two end points, then values by ear; a missed group is waited for',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    const hand = handOf(page);
    await openDemoRig(page, 'headland-trainer', 'Ear trainer', 'rig');

    await test.step('end points', async () => {
      await page.getByRole('link', { name: /^Endpoints/ }).click();
      await page.getByLabel('Propeller off').check();
      await page.getByRole('button', { name: 'Begin calibrating' }).click();
      await hand.follow(/^Learned: all two points/);
      await page.getByRole('button', { name: 'Keep this calibration' }).click();
      await expect(page.getByRole('img', { name: /the ESC has learned 1000 to 2000 µs/ })).toBeVisible();
    });

    await test.step('a draft against the traces of a propeller', async () => {
      await page.getByRole('link', { name: 'Go to Tune' }).click();
      await expect(page.getByText('To 95 % of full rpm')).toBeVisible();
      await moveRail(page, 'Start acceleration', 'ArrowRight', 1);
      await expect(page.getByRole('row', { name: /To 95 % of full rpm.*softer/ })).toBeVisible();
      await moveRail(page, 'Timing', 'ArrowRight', 1);
      await draftSaved(page);
    });

    await test.step('a group slept through comes round again, without starting anew', async () => {
      await page.getByRole('link', { name: 'Load 2 changes' }).click();
      await page.getByLabel('Propeller off').check();
      await page.getByRole('button', { name: 'Begin loading' }).click();
      await hand.follow(/^Stick all the way down/);
      const countdown = page.getByTestId('countdown');
      for (let n = 0; n < 100 && !(await countdown.innerText()).startsWith('Now'); n += 1)
        await page.clock.runFor(400);
      await page.clock.runFor(4000);
      await expect(page.getByText('Missed. Nothing is lost')).toBeVisible();
      await expect(page.getByTestId('instruction')).toHaveText('Stick all the way down.');
      // Ten items and the way out, less what has gone by.
      const seconds = Number(/in (\d+) s/.exec(await countdown.innerText())![1]);
      expect(seconds).toBeGreaterThan(20);
      expect(seconds).toBeLessThan(11 * 3.2);
      await hand.follow(/^Every value is stored, as you heard./);
    });

    await test.step('the sheet says that nothing could be counted back', async () => {
      await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
      const row = page.getByRole('row', { name: /Spool/ });
      await expect(row).toContainText('Lazy (stop 3)');
      await expect(row).toContainText('seen stored');
    });
  },
);

test('of two media the chosen one stands on paper, and nothing of the other, end points learned or not', async ({
  page,
}) => {
  const tones = ARCHETYPES.map((one) => one.profile).find(
    (one) => handMediumOf(one)?.family === 'stickTones',
  )!;
  const card = ARCHETYPES.flatMap((one) => one.profile.media).find(({ family }) => family === 'lampCard')!;
  const escProfile = {
    ...tones,
    id: 'tones-and-card',
    name: 'Tones and card',
    media: [...tones.media, card],
  };
  const rig = { ...defaultRig('sportPlane'), name: 'Two ways in' };
  const rigId = await takeIn(page, {
    format: 'live-tune/rig',
    version: VERSION,
    escProfileId: escProfile.id,
    rig,
    escProfile,
  });
  await page.goto(`/rigs/${rigId!}/tune`);
  await moveRail(page, 'Cutoff', 'ArrowRight', 1);
  await draftSaved(page);
  await page.goto(`/rigs/${rigId!}/load`);
  await page.getByRole('group', { name: 'By' }).getByRole('radio').nth(1).check();
  await page.getByRole('link', { name: 'Print the plan' }).click();
  const plan = page.getByRole('article');
  await expect(plan.getByText('Push the card into its socket.')).toBeVisible();
  await expect(plan.getByText('Stick all the way up.')).toHaveCount(0);
  await page.goto(`/rigs/${rigId!}/load/paper?by=stickTones`);
  await expect(plan.getByText('Stick all the way up.').first()).toBeVisible();
  await expect(plan.getByText('Push the card into its socket.')).toHaveCount(0);
});

test('a cutoff of one’s own is run up on the box, and read back as a number', FRESH, async ({ page }) => {
  await page.clock.install();
  const rig = { ...defaultRig('tenthBuggy'), name: 'Own cutoff' };
  const id = await takeIn(page, {
    format: 'live-tune/rig',
    version: VERSION,
    escProfileId: numberBoxPattern.id,
    escProfile: numberBoxPattern,
    rig,
  });
  await page.goto(`/rigs/${id}/tune`);
  const quick = page.getByLabel('Quick', { exact: true });
  await quick.fill('cutoff Own 6.6 V');
  await quick.press('Enter');
  await station(page, 'Load');
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
  const hand = handOf(page);
  await hand.follow(/^Hold plus until the box shows “Own 6.6 V”/);
  await expect(page.getByText(/Do not save on the way/)).toBeVisible();
  await hand.follow(/^What does the box show/);
  const number = page.getByLabel('Or the number that it shows');
  await number.fill('4');
  await number.press('Enter');
  await expect(page.getByText('“4” is none of its numbers')).toBeVisible();
  await number.fill('6.6');
  await number.press('Enter');
  await expect(page.getByText('1 of 1 counted back')).toBeVisible();
});
