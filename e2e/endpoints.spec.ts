import type { Page } from '@playwright/test';
import { handOf } from './hand';
import { openNewRigOf } from './rigs';
import { FRESH, expect, goTo, test } from './test';

const part = (page: Page, name: string): Promise<void> =>
  goTo(page.getByRole('navigation', { name: 'Parts of Endpoints' }).getByRole('link', { name }));

const begin = async (page: Page): Promise<void> => {
  await page.getByRole('group', { name: 'Make it safe first' }).getByRole('radio').first().check();
  await page.getByRole('button', { name: 'Begin calibrating' }).click();
};

const BY_KEY = ['three points by key', 'tenthBuggy', 'three'] as const;
const BY_STICK = ['two points with the stick up', 'sportPlane', 'two'] as const;
const FAMILIES = [
  BY_KEY,
  ['three points held still', 'crawler', 'three'],
  ['three points counted', 'fastBoat', 'three'],
  BY_STICK,
] as const;

for (const [by, families] of [
  ['keyboard', FAMILIES],
  // Between them, these two have everything that is worked by hand: key, battery, trigger and stick.
  ['touch', [BY_KEY, BY_STICK]],
] as const) {
  test.describe(by, () => {
    test.use({ hasTouch: by === 'touch' });
    for (const [family, vehicleClass, points] of families) {
      test(`${family}: from guide to kept, by ${by} alone`, FRESH, async ({ page }) => {
        await page.clock.install();
        await openNewRigOf(page, vehicleClass, `Taught by ${by}, ${family}`, 'endpoints');
        await begin(page);
        await handOf(page, by).follow(new RegExp(`^Learned: all ${points} points`));
        const keep = page.getByRole('button', { name: 'Keep this calibration' });
        if (by === 'touch') await keep.tap();
        else await keep.press('Enter');
        await expect(
          page.getByRole('heading', { name: /^Calibrated\. The (trigger|stick) and the ESC agree/ }),
        ).toBeVisible();
        await expect(page.getByText('done on the simulated ESC')).toBeVisible();
      });
    }
  });
}

test('an ESC without a calibration says so, and what to look at instead', async ({ page }) => {
  await openNewRigOf(page, 'aerobaticPlane', 'Nothing to teach', 'endpoints');
  await expect(page.getByRole('heading', { name: 'This ESC needs no calibration' })).toBeVisible();
  const keep = page.getByRole('button', { name: 'All checked: keep that' });
  await expect(keep).toBeDisabled();
  await page.getByLabel('Propeller off the shaft').check();
  for (const box of await page.getByRole('checkbox').all()) await box.check();
  await keep.click();
  await expect(page.getByText('no calibration needed: checked instead')).toBeVisible();
});

test('traps are walked into, and named', FRESH, async ({ page }) => {
  await page.clock.install();
  await openNewRigOf(page, 'sportPlane', 'Trapped plane', 'endpoints');
  await begin(page);
  await page.keyboard.press('u');
  await page.keyboard.press('p');
  await page.clock.runFor(9000);
  await expect(page.getByText('The stick stayed up too long: this is the tone menu now.')).toBeVisible();
  await page.keyboard.press('p');
  await page.keyboard.press('d');

  await page.getByLabel('throttle hold on the radio').check();
  await page.keyboard.press('u');
  await page.keyboard.press('p');
  await page.clock.runFor(3000);
  await expect(page.getByText('Full throttle never came through: throttle hold is on.')).toBeVisible();
});

test(
  'beside a real ESC: played hands free, ticked, and a way out when it beeps otherwise',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    await openNewRigOf(page, 'sportPlane', 'Real plane', 'endpoints');
    await page.getByLabel('my own ESC on the bench').check();
    await page.getByLabel('a servo tester').check();
    await expect(page.getByText('The tester reaches 1000 and 2000 µs')).toBeVisible();
    await page.getByLabel('the radio, through its receiver').check();
    await begin(page);

    await test.step('it did something else', async () => {
      await page.getByRole('button', { name: 'It did something else' }).click();
      await page.getByRole('button', { name: 'Groups of notes, over and over' }).click();
      await expect(page.getByText('Leave the stick up and switch off.')).toBeVisible();
      await page.getByRole('button', { name: 'Begin again' }).click();
    });

    await test.step('hands free', async () => {
      await page.getByRole('button', { name: 'Play it: hands free' }).click();
      await expect(page.getByText('3: hands on the model')).toBeVisible();
      await page.clock.runFor(3200);
      await expect(page.getByTestId('instruction')).toHaveText('Stick all the way up.');
      await page.clock.runFor(15_000);
      await expect(page.getByTestId('instruction')).toHaveText('Did every beep come as described?');
    });

    await page.getByRole('button', { name: 'Yes: keep this calibration' }).click();
    await expect(page.getByText('done on the ESC, as you say')).toBeVisible();
  },
);

test('a game controller feeds the ruler, and a bench test finds what the ESC has learned', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const axes = [0.1, 0];
    Object.assign(window, { moveAxis: (value: number) => (axes[1] = value) });
    const pad = { id: 'A transmitter', axes, buttons: [] };
    Object.assign(navigator, { getGamepads: () => [null, pad] });
  });
  const move = (value: number): Promise<void> =>
    page.evaluate((to) => (window as unknown as { moveAxis: (to: number) => void }).moveAxis(to), value);
  await openNewRigOf(page, 'tenthBuggy', 'Controlled buggy', 'endpoints');
  await part(page, 'Bench test');
  await page.getByLabel('Pinion out of mesh').check();
  await page.getByLabel('my transmitter as a USB game controller').check();
  await expect(page.getByText('Seen: A transmitter')).toBeVisible();
  await page.getByLabel('Throttle axis').selectOption('1');
  await move(0.5);
  await expect(page.getByTestId('live-pulse')).toHaveText('1750 µs');
  await move(-0.2);
  await expect(page.getByTestId('live-pulse')).toHaveText('1400 µs');
  await page.getByLabel('reversed').check();
  await expect(page.getByTestId('live-pulse')).toHaveText('1600 µs');
  await page.getByRole('button', { name: 'Use current pulse for: first movement forward' }).click();
  await expect(page.getByRole('textbox', { name: 'first movement forward' })).toHaveValue('1600');
  await expect(page.getByRole('region', { name: 'What this shows' })).toContainText('20 %');

  await test.step('bad input is explained, and nothing typed is lost', async () => {
    await page.getByRole('textbox', { name: 'The lamp shows full forward' }).fill('1.9');
    await expect(page.getByText('1.9 looks like milliseconds: type 1900 µs.')).toBeVisible();
    await page.getByLabel('Units').selectOption('percent');
    await expect(page.getByRole('textbox', { name: 'The lamp shows full forward' })).toHaveValue('1.9');
    await page.getByLabel('Units').selectOption('micros');
    await page.getByRole('textbox', { name: 'The lamp shows full forward' }).fill('1900');
    await page.getByRole('button', { name: 'Keep this test' }).click();
    await expect(page.getByText('Kept.')).toBeVisible();
    await part(page, 'Record');
    await expect(page.getByText('starts at 1600 µs, full at 1900 µs')).toBeVisible();
  });
});

test('a hundred thousand pulses are looked at while the page goes on', async ({ page }) => {
  await openNewRigOf(page, 'tenthBuggy', 'Jittery buggy', 'endpoints');
  await part(page, 'Pulses');
  const lines = ['pulse'];
  for (let n = 0; n < 100_000; n += 1) lines.push(String(1500 + ((n * 7919) % 5) - 2));
  lines[5000] = '1833';
  lines[70_000] = '1.501';
  // The page must answer in between: its own clock ticks on.
  await page.evaluate(() => {
    const ticks = { count: 0, longest: 0 };
    let last = performance.now();
    setInterval(() => {
      const now = performance.now();
      ticks.longest = Math.max(ticks.longest, now - last);
      last = now;
      ticks.count += 1;
    }, 20);
    Object.assign(window, { ticks });
  });
  await page
    .getByLabel('or a file')
    .setInputFiles({ name: 'pulses.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  const answer = page.getByRole('region', { name: 'Result' });
  await expect(answer).toContainText('100000');
  await expect(answer).toContainText('1 of the numbers looked like milliseconds');
  await expect(answer).toContainText('1833 µs at 5000');
  await expect(answer).toContainText('1.41 µs');
  const ticks = await page.evaluate(() => (window as unknown as { ticks: { count: number } }).ticks);
  expect(ticks.count).toBeGreaterThan(2);
  await page.getByRole('button', { name: 'Save the jitter to this rig' }).click();
  await expect(page.getByText('Saved to the rig.')).toBeVisible();

  await page.getByLabel('Pulses, pasted').fill('only\nwords');
  await page.getByRole('button', { name: 'Open them' }).click();
  await expect(answer).toContainText('fewer than two pulse widths');
  await expect(page.getByLabel('Pulses, pasted')).toHaveValue('only\nwords');
});

test('a twin with one mis-learned ESC is found, explained and mended', FRESH, async ({ page }) => {
  await page.clock.install();
  await openNewRigOf(page, 'twinPlane', 'Limping twin', 'endpoints');
  const hand = handOf(page);
  await test.step('the left one is taught', async () => {
    await begin(page);
    await hand.follow(/^Learned/);
    await page.getByRole('button', { name: 'Keep this calibration' }).click();
    await expect(
      page.getByText(/Calibrate ESC 2 \(right\) with the trims of the others.*as far as is assumed/),
    ).toBeVisible();
  });
  await test.step('the right one with the stick not all the way up', async () => {
    await page.getByRole('radio', { name: 'ESC 2 (right)' }).click();
    await expect(page.getByRole('heading', { name: 'Teach ESC 2 (right) your stick' })).toBeVisible();
    await begin(page);
    await page.getByRole('slider', { name: /throttle stick/ }).fill('80');
    await page.keyboard.press('p');
    await page.clock.runFor(2500);
    await page.keyboard.press('d');
    await page.clock.runFor(1500);
    await expect(page.getByText('A point was learned while the throttle was not at its end.')).toBeVisible();
    await page.getByRole('button', { name: 'Keep it anyway' }).click();
  });
  await test.step('found and explained', async () => {
    const match = page.getByRole('region', { name: 'Do they agree?' });
    await expect(match).toContainText(
      /Calibrate ESC 2 \(right\) again with the trims of the others: it starts at .* reaches full at 90/,
    );
    await expect(page.getByRole('link', { name: /Endpoints/ })).toContainText(/Endpoints/);
    await part(page, 'Trouble');
    await page.getByLabel('One motor is late or weaker than its twin').check();
    await expect(
      page.getByRole('region', { name: 'Likeliest causes' }).getByRole('listitem').first(),
    ).toContainText('The ESCs have learned different ranges');
  });
  await test.step('mended', async () => {
    await part(page, 'Calibrate');
    await page.getByRole('button', { name: 'Calibrate again' }).click();
    await begin(page);
    await hand.follow(/^Learned/);
    await page.getByRole('button', { name: 'Keep this calibration' }).click();
    await expect(page.getByRole('region', { name: 'Do they agree?' })).toContainText('reach full together');
  });
});

test(
  'the supply is judged, the first power ticked, and a changed end point says so on the route line',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    await openNewRigOf(page, 'tenthBuggy', 'Supplied buggy', 'endpoints');
    await part(page, 'Supply');
    await page.getByLabel('BEC setting').fill('6');
    await page.getByLabel('Lowest reading').fill('5,1');
    await expect(page.getByText('Do not drive or fly like this.')).toBeVisible();
    await page.getByLabel('Lowest reading').fill('5850');
    await expect(page.getByText('If that was millivolts, type 5.85 V.')).toBeVisible();
    await page.getByLabel('Lowest reading').fill('5.85');
    await expect(page.getByText('The supply holds.')).toBeVisible();
    await page.getByRole('button', { name: 'Keep this test' }).click();
    await expect(page.getByText('Kept.')).toBeVisible();

    await part(page, 'First power');
    await page.getByLabel(/Plugs match/).check();
    await expect(page.getByRole('heading', { name: 'Look' })).toContainText('1 of');
    await page.reload();
    await expect(page.getByLabel(/Plugs match/)).toBeChecked();

    await part(page, 'Calibrate');
    await begin(page);
    await handOf(page).follow(/^Learned/);
    await page.getByRole('button', { name: 'Keep this calibration' }).click();
    const stations = page.getByRole('navigation', { name: 'Stations' });
    await stations.getByRole('link', { name: /^Rig/ }).click();
    await page.getByLabel('Forward end point').fill('90');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(stations.getByRole('link', { name: /^Endpoints/ })).toContainText(
      'the forward end point has changed since',
    );
    await stations.getByRole('link', { name: /^Endpoints/ }).click();
    await part(page, 'Trigger to duty');
    await expect(page.getByText('no: turbo and the like stay off')).toBeVisible();
  },
);
