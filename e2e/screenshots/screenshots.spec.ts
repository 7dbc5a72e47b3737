import { test } from '@playwright/test';
import { handOf } from '../hand';

const FOLDER = 'docs/screenshots';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

test('one picture of each main view', async ({ page }) => {
  await page.clock.install();
  const hand = handOf(page);
  const shot = async (name: string): Promise<void> => {
    await page.mouse.move(0, 0);
    await page.clock.runFor(1500);
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `${FOLDER}/${name}.png` });
  };
  const move = async (name: string, key: string, times: number): Promise<void> => {
    for (let n = 0; n < times; n += 1) await page.getByRole('slider', { name, exact: true }).press(key);
  };
  const click = (name: string): Promise<void> => page.getByRole('button', { name }).first().click();

  await page.goto('/');
  await shot('all-rigs');
  await page.getByRole('link', { name: /^Kelp-beach buggy/ }).click();
  await page.waitForURL('**/tune');
  const rig = page.url().replace('/tune', '');

  await page.goto(`${rig}/rig`);
  await shot('rig');

  await page.goto(`${rig}/endpoints`);
  await page.getByLabel('Wheels clear of the bench').check();
  await shot('endpoints-prepare');
  await click('Done: all at 100 %');
  await page.getByText('End points at 100 % both ways', { exact: true }).waitFor();
  await click('Begin calibrating');
  await hand.follow(/^Pull the trigger/);
  await shot('endpoints-guide');
  await hand.follow(/^Learned/);
  await click('Keep this calibration');
  await page.getByText('The trigger and the ESC agree.').waitFor();
  await shot('endpoints');

  await page.goto(`${rig}/tune`);
  await move('Launch strength', 'ArrowLeft', 2);
  await move('Brake strength', 'ArrowLeft', 2);
  await move('Cutoff', 'Home', 1);
  await page.getByRole('tab', { name: 'Brake' }).click();
  await page.getByText('Peak brake current').waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
  await shot('tune');
  await page.setViewportSize(PHONE);
  await page.emulateMedia({ colorScheme: 'dark' });
  await shot('tune-phone-dark');
  await page.emulateMedia({ colorScheme: 'light' });
  await page.setViewportSize(DESK);
  await move('Cutoff', 'ArrowRight', 5);

  await page.goto(`${rig}/load`);
  await page.getByLabel('Wheels clear of the bench').check();
  await shot('load-before');
  await click('Begin loading');
  await hand.follow(/^Press set/);
  await hand.press(1);
  await shot('load');
  await page.setViewportSize(PHONE);
  await shot('load-phone');
  await page.setViewportSize(DESK);
  await hand.follow(/^How many white flashes/);
  await shot('load-count-back');
  await hand.follow(/^Every value is counted back/);
  await shot('load-finished');
  await click('Keep this sheet');
  await page.getByRole('heading', { name: 'Sheet 1' }).waitFor();
  await shot('sheets');
});
