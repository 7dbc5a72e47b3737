import type { Page } from '@playwright/test';
import { openRigByForm } from './rigs';
import { expect, moveRail, station, test } from './test';

/** Drafts two values and comes to the list of what to set. */
async function begin(page: Page, name: string): Promise<void> {
  await openRigByForm(page, name, 'tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 1);
  await moveRail(page, 'Launch strength', 'ArrowRight', 1);
  await station(page, 'Load');
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Begin loading' }).click();
  await expect(page.getByTestId('instruction')).toContainText('Read the form from the ESC first.');
}

/** Goes on with Tab until this is focused, and presses a key on it. */
async function byKey(page: Page, name: string | RegExp, key: ' ' | 'Enter'): Promise<void> {
  const wanted = page.getByRole(key === ' ' ? 'checkbox' : 'button', { name });
  for (let n = 0; n < 60; n += 1) {
    if (await wanted.evaluate((element) => element === document.activeElement)) break;
    await page.keyboard.press('Tab');
  }
  await expect(wanted).toBeFocused();
  await page.keyboard.press(key === ' ' ? 'Space' : 'Enter');
}

test('a form in another program is worked by keyboard, from the draft to verified', async ({ page }) => {
  await begin(page, 'Form by keys');
  await expect(page.getByTestId('progress')).toHaveText('0 of 2 set on the form');
  for (const box of await page.getByRole('checkbox').all()) {
    const label = await box.evaluate((element) => element.closest('label')?.textContent ?? '');
    await byKey(page, label.trim(), ' ');
  }
  await byKey(page, 'All of it is set', 'Enter');
  await expect(page.getByTestId('instruction')).toContainText('Press “Send” in the program');
  await byKey(page, 'Sent', 'Enter');
  await expect(page.getByTestId('progress')).toHaveText('0 of 2 read back from the form');
  await byKey(page, 'All 2 as drafted', 'Enter');
  await expect(page.getByTestId('instruction')).toHaveText('Every value is read back from the form.');
  await expect(page.getByText(/^Kept as sheet \d+\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
  await expect(page.getByRole('heading', { name: 'Sheets', level: 1 })).toBeVisible();
  await page.goto(`${page.url()}/1`);
  await expect(page.getByText('by a form in another program')).toBeVisible();
  await expect(page.getByText('on the simulated ESC')).toBeHidden();
  await expect(page.getByText('read back from the form by hand').first()).toBeVisible();
});

test('on a phone, a value that the form shows otherwise is said by number, set again and read again', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await begin(page, 'Form on a phone');
  const setAll = async () => {
    for (const box of await page.getByRole('checkbox').all()) await box.check();
    await page.getByRole('button', { name: 'All of it is set' }).click();
    await page.getByRole('button', { name: 'Sent' }).click();
  };
  await setAll();
  const lines = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: 'As drafted' }) });
  await expect(lines).toHaveCount(2);
  await lines.first().getByRole('button', { name: 'Something else' }).click();
  const shows = page.getByLabel(/^What the form shows for/);
  await shows.fill('nonsense');
  await expect(page.getByText('“nonsense” is none of:')).toBeVisible();
  await shows.fill('1');
  await page.getByRole('button', { name: /^It shows / }).click();
  await page.getByRole('button', { name: 'As drafted' }).last().click();
  await expect(page.getByText('One value is not as drafted.')).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('button', { name: 'Set them again' }).click();
  await expect(page.getByTestId('progress')).toHaveText('0 of 1 set on the form');
  await setAll();
  await page.getByRole('button', { name: /^All \d as drafted$/ }).click();
  await expect(page.getByTestId('instruction')).toHaveText('Every value is read back from the form.');
});

test('what another program wants is listed on paper, with room for what it shows then', async ({ page }) => {
  await openRigByForm(page, 'Form on paper', 'tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 1);
  await station(page, 'Load');
  await page.getByRole('link', { name: 'Print the plan' }).click();
  await expect(page.getByRole('columnheader', { name: 'shows after reading' })).toBeVisible();
  await expect(page.getByText('Press “Send”, and wait until it says that it is done.')).toBeVisible();
});
