import { openDemoRig } from './rigs';
import { expect, moveRail, test } from './test';

test('every manoeuvre has a trace and numbers, and they follow the draft', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Drilled buggy', 'tune');
  const does = page.getByRole('complementary', { name: 'What the draft does' });
  for (const [tab, number] of [
    ['Let go', 'Share of what lifts the rear'],
    ['Top speed', 'Motor rpm there'],
    ['Trigger', 'Furthest from straight'],
    ['Slope', 'Stops a rolling model up to'],
    ['Crawl', 'Least steady speed'],
    ['Stint', 'Motor can, hottest lap'],
    ['Heat', 'Least heat near'],
    ['Timing', 'Beyond the proven range by'],
    ['Supply', 'Lowest bus voltage'],
    ['Launch', 'Pack volts, wheels stalled'],
  ] as const) {
    await does.getByRole('tab', { name: tab, exact: true }).click();
    await expect(does.getByRole('row', { name: new RegExp(number) })).toBeVisible();
    await expect(does.locator('.recharts-surface').first()).toBeVisible();
  }
  await does.getByRole('tab', { name: 'Let go' }).click();
  await moveRail(page, 'Drag brake', 'ArrowRight', 2);
  await expect(does.getByRole('row', { name: /Roll from .* to 5 km\/h.*shorter/ })).toBeVisible();
});

test('the lap is chosen, edited and kept, with the race length and how full the pack begins', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Lapped buggy', 'tune');
  const does = page.getByRole('complementary', { name: 'What the draft does' });
  const runs = does.getByRole('row', { name: /^Runs for/ });
  await does.getByRole('tab', { name: 'Stint' }).click();
  await expect(runs).toBeVisible();
  const before = await runs.textContent();
  const lap = does.getByRole('region', { name: 'The lap' });
  await lap.getByLabel('How hard').fill('60');
  await expect(runs).not.toHaveText(before!);
  await lap.getByLabel('Has to last').fill('500');
  await expect(lap.getByRole('alert')).toHaveText('From 0.5 to 240.');
  await lap.getByLabel('Has to last').fill('60');
  await expect(does.getByRole('row', { name: /^Longer than needed by/ })).toBeVisible();
  await expect(page.getByText('It will not last 60 min.')).toBeVisible();
  await lap.getByText('Pieces of the lap').click();
  const kept = page.waitForResponse((response) => response.url().endsWith('/goals') && response.ok());
  await lap.getByLabel('Piece 2', { exact: true }).selectOption('climb');
  await kept;
  await expect(lap.getByRole('option', { name: 'race track, edited' })).toBeAttached();
  await page.reload();
  await does.getByRole('tab', { name: 'Stint' }).click();
  await expect(lap.getByLabel('How hard')).toHaveValue('60');
  await expect(lap.getByLabel('Has to last')).toHaveValue('60');
  await lap.getByText('Pieces of the lap').click();
  await lap.getByRole('button', { name: 'Back to the usual pieces' }).click();
  await expect(lap.getByRole('option', { name: 'race track, edited' })).toHaveCount(0);
});

test('every stop of every setting is tried, beside the page', async ({ page }) => {
  await openDemoRig(page, 'headland-trainer', 'Tried trainer', 'tune');
  const matters = page.getByRole('region', { name: 'What matters here' });
  await matters.getByRole('button', { name: 'Try every stop of every setting' }).click();
  await expect(matters.getByRole('table')).toBeVisible({ timeout: 60_000 });
  await matters.getByRole('combobox').selectOption({ label: 'Cut: Propeller stops after' });
  await expect(matters.getByRole('row', { name: /^Propeller brake/ })).toBeVisible();
  await expect(matters.getByText('makes most of these numbers less certain')).toBeVisible();
});

test('trying can be stopped, and leaves nothing half done', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Stopped buggy', 'tune');
  const matters = page.getByRole('region', { name: 'What matters here' });
  // The worker never comes to an end here, however quick the machine is.
  await page.route('**/*matters.worker*', () => new Promise(() => undefined));
  await matters.getByRole('button', { name: 'Try every stop of every setting' }).click();
  await expect(matters.getByRole('status')).toHaveText('0 of 1 tried');
  await matters.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(matters.getByRole('button', { name: 'Try every stop of every setting' })).toBeVisible();
  await expect(matters.getByRole('table')).toBeHidden();
});
