import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { loadAll } from './loadAll';
import { openDemoRig } from './rigs';
import { draftSaved, expect, FRESH, test } from './test';

const makeOf = async (page: Page, source: string, name: string): Promise<void> => {
  const form = page.locator('form').filter({ hasText: 'Keep this set-up' });
  if (!(await form.isVisible())) await page.getByText('Make a set-up', { exact: true }).click();
  await form.getByRole('combobox', { name: /^From/ }).selectOption(source);
  await form.getByLabel('Name').fill(name);
};
const keep = (page: Page) => page.getByRole('button', { name: 'Keep this set-up' }).click();

test(
  'a set-up from a dictated list with two traps in it is loaded, and its sheet says so',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    const rigId = await openDemoRig(page, 'kelp-beach-buggy', 'Dictated buggy', 'tune');
    await page.goto(`/rigs/${rigId}/set-ups?make=list`);
    await makeOf(page, 'list', 'As he read it');
    await page.getByLabel('From whom').fill('the man at the pier');
    await page.getByLabel(/^One value a line/).fill('third two, sixth five, drag 8, twentieth one');
    const read = page.getByRole('list', { name: 'What was read' });
    // Its eighth stop is 100 %, and 8 % is the third; and there is no item 20.
    await expect(read).toContainText('Which one?');
    await expect(read).toContainText('This ESC has no item 20');
    await read.getByRole('button', { name: /^Take 100.%/ }).click();
    await page.getByLabel('Why').fill('He won with it.');
    await page.getByLabel(/^One value a line/).press('End');
    await page.getByLabel(/^One value a line/).pressSequentially(' x');
    await expect(page.getByText(/^Kept in its note:/)).toContainText('twentieth one x');
    await expect(page.getByLabel('Why')).toHaveValue('He won with it.');
    await keep(page);

    await expect(page.getByRole('heading', { name: 'As he read it' })).toBeVisible();
    await expect(page.getByText(/He won with it\.\s+Not understood: twentieth one x/)).toBeVisible();
    await page.getByRole('button', { name: /^Load 3 changes/ }).click();
    await expect(page.getByText('draft: 3 differ')).toBeVisible();
    await draftSaved(page);
    await loadAll(page, 'Wheels clear of the bench');
    await expect(page.getByText(/^Set-up As he read it, just as it is$/)).toBeVisible();
    await expect(page.getByRole('row', { name: /Stopper ·/ })).toContainText(
      'From “As he read it”, the man at the pier.',
    );

    // And when did that value become what it is?
    await page.getByRole('link', { name: 'History' }).click();
    await page
      .getByRole('combobox', { name: /^Of/ })
      .selectOption({ label: 'Brake strength (item 6 “Stopper”)' });
    const newest = page.getByRole('listitem').filter({ hasText: 'before: 85' });
    await expect(newest).toContainText('65 %');
    await expect(newest).toContainText('sheet 1');
    await expect(newest).toContainText('the man at the pier');
  },
);

test(
  'a neighbour’s file: three rows are taken over, and the sheet knows whose they are',
  FRESH,
  async ({ page }) => {
    await page.clock.install();
    const theirs = JSON.parse(await readFile('demo/island-race.set-up.json', 'utf8')) as {
      setUp: { id: string; by: string; name: string };
      escProfile?: object;
    };
    theirs.setUp = { ...theirs.setUp, id: 'neighbour-1', name: 'Pier special', by: 'Puffin next door' };
    const rigId = await openDemoRig(page, 'kelp-beach-buggy', 'Neighbourly buggy', 'tune');
    await page.goto(`/rigs/${rigId}/compare`);
    await page.getByLabel('or with a file').setInputFiles({
      name: 'pier.set-up.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(theirs)),
    });
    await page.getByRole('button', { name: 'Compare', exact: true }).click();
    await expect(page.getByText(/^\d values differ, \d+ the same/)).toBeVisible();
    await expect(page.getByText(/Ground: medium grip.*grippy/)).toBeVisible();
    // What each would do, in numbers of this rig.
    await expect(page.getByRole('row', { name: /^Timing/ })).toContainText(/\d → \d/);
    for (const name of ['Launch strength', 'Timing', 'Radio end point, brake'])
      await page.getByRole('button', { name: `Take over ${name}` }).click();
    await expect(page.getByText('draft: 3 differ')).toBeVisible();
    await draftSaved(page);
    await page.goto(`/rigs/${rigId}/load`);
    await loadAll(page, 'Wheels clear of the bench');
    const whose = 'From “Pier special, Puffin next door”.';
    await expect(page.getByRole('row', { name: /Pounce ·/ })).toContainText(
      `${whose} His was 5; ours wheelspins.`,
    );
    await expect(page.getByRole('row', { name: /Lead ·/ })).toContainText(whose);
    await expect(page.getByText(/Radio end point, brake.*Puffin next door/)).toBeVisible();
  },
);

test('from one car’s ESC to the other’s and back: each value by its meaning', async ({ page }) => {
  const crawler = await openDemoRig(page, 'cliff-path-crawler', 'Translated crawler', 'tune');
  const buggy = await openDemoRig(page, 'kelp-beach-buggy', 'Translated buggy', 'tune');
  await page.goto(`/rigs/${buggy}/translate?from=esc&to=rig:${crawler}`);
  const row = (name: RegExp) => page.getByRole('row', { name });
  await expect(row(/^3 Pounce/)).toContainText('4 Tether');
  await expect(row(/^3 Pounce/)).toContainText('does nearly the same');
  await expect(row(/^3 Pounce/)).toContainText(/there, .* with “/);
  // 85 % is there; so is the frequency of neither.
  await expect(row(/^6 Stopper/).getByRole('combobox')).toHaveValue('push-brake-5');
  await expect(row(/^7 Stopper pitch/)).toContainText('has no brake frequency');
  await expect(row(/^14 Turn/)).toContainText('motor wires');
  await page.getByRole('button', { name: /^Keep \d+ values as a set-up/ }).click();
  await expect(page).toHaveURL(new RegExp(`${crawler}/set-ups/`));
  await expect(page.getByText('translated from another ESC')).toBeVisible();
  const setUpId = page.url().split('/').at(-1)!;
  // Two sides of the other ESC, seen from here: nothing of them is this one's to take.
  await page.goto(`/rigs/${buggy}/compare?a=rig:${crawler}&b=rig:${crawler}:set-up:${setUpId}`);
  await expect(page.getByText(/values? differs?, \d+ the same/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Take over/ })).toHaveCount(0);

  await page.goto(`/rigs/${crawler}/translate?from=set-up:${setUpId}&to=rig:${buggy}`);
  await expect(row(/^11 Push brake/).getByRole('combobox')).toHaveValue('stopper-7');
  await expect(row(/^4 Tether/)).toContainText('3 Pounce');
  await page.getByRole('button', { name: /^Keep \d+ values as a set-up/ }).click();
  await expect(page).toHaveURL(new RegExp(`${buggy}/set-ups/`));
});

test('a set-up goes over as a picture of its code', async ({ page }) => {
  const from = await openDemoRig(page, 'kelp-beach-buggy', 'Giving buggy', 'tune');
  await page.goto(`/rigs/${from}/set-ups`);
  await makeOf(page, 'esc', 'Handed on');
  await keep(page);
  await page.getByRole('link', { name: 'Card and code' }).click();
  const picture = await page.getByRole('img', { name: 'Code of this set-up' }).screenshot();

  const to = await openDemoRig(page, 'kelp-beach-buggy', 'Taking buggy', 'tune');
  await page.goto(`/rigs/${to}/set-ups`);
  await page.getByText('Take one in', { exact: true }).click();
  await page
    .getByLabel('A picture of a code')
    .setInputFiles({ name: 'photo.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByText('Read.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Take this code in' }).click();
  await expect(page.getByRole('heading', { name: 'Handed on' })).toBeVisible();
  await expect(page.getByText('as on the ESC and the model')).toBeVisible();
  await page.goto(`/rigs/${to}/set-ups`);
  await page.getByRole('button', { name: 'Archive Handed on' }).click();
  await expect(page.getByText('1 archived')).toBeVisible();
});

test('reasons that the server could not keep stay as they were typed', async ({ page }) => {
  const rigId = await openDemoRig(page, 'kelp-beach-buggy', 'Cut-off buggy', 'tune');
  await page.goto(`/rigs/${rigId}/set-ups`);
  await makeOf(page, 'esc', 'Reasoned');
  await keep(page);
  await page.getByRole('button', { name: 'Change name, notes and reasons' }).click();
  const why = page.getByLabel('Stopper: 85 %');
  await why.fill('Long beach, much room.');
  await page.route('**/*.data*', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/does not answer/)).toBeVisible();
  await expect(why).toHaveValue('Long beach, much room.');
  await page.unroute('**/*.data*');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('row', { name: /^6 Stopper/ })).toContainText('Long beach, much room.');
  await expect(why).toBeHidden();
});
