import { openDemoRig } from './rigs';
import { expect, moveRail, test } from './test';

test('every manoeuvre has a trace and numbers, and they follow the draft', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Drilled buggy', 'tune');
  const does = page.getByRole('complementary', { name: 'What it does' });
  for (const [tab, number] of [
    ['Let go', 'Of what lifts the rear'],
    ['Top speed', 'Motor there'],
    ['Trigger', 'Furthest from straight'],
    ['Slope', 'Stands still up to'],
    ['Crawl', 'Least steady speed'],
    ['Stint', 'Motor winding at the end'],
    ['Heat', 'Least heat near'],
    ['Timing', 'Outside the proven range by'],
    ['Supply', 'Lowest bus voltage'],
    ['Launch', 'Pack with wheels blocked'],
  ] as const) {
    await does.getByRole('tab', { name: tab, exact: true }).click();
    await expect(does.getByRole('row', { name: new RegExp(number) })).toBeVisible();
    await expect(does.locator('.recharts-surface').first()).toBeVisible();
  }
  await does.getByRole('tab', { name: 'Let go' }).click();
  await moveRail(page, 'Drag brake', 'ArrowRight', 2);
  await expect(does.getByRole('row', { name: /Roll from .* to 5 km\/h.*shorter/ })).toBeVisible();
});

test('every stop of every setting is tried, beside the page', async ({ page }) => {
  await openDemoRig(page, 'headland-trainer', 'Tried trainer', 'tune');
  const matters = page.getByRole('region', { name: 'What matters here' });
  await matters.getByRole('button', { name: 'Try every stop of every setting' }).click();
  await expect(matters.getByRole('table')).toBeVisible({ timeout: 60_000 });
  await matters.getByRole('combobox').selectOption({ label: 'Cut: Propeller stands after' });
  await expect(matters.getByRole('row', { name: /^Propeller brake/ })).toBeVisible();
  await expect(matters.getByText('makes the most of these numbers unsure')).toBeVisible();
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
