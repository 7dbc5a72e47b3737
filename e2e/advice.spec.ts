import { draftSaved, expect, station, test } from './test';

test('a beginner gets from a new rig to Load in a handful of actions, with no hazard left', async ({
  page,
}) => {
  let actions = 0;
  const act = async (done: Promise<unknown>): Promise<void> => {
    actions += 1;
    await done;
  };
  await act(page.goto('/rigs/new?class=basher'));
  await act(page.getByLabel('Name', { exact: true }).fill('First basher'));
  await act(page.getByRole('button', { name: 'Keep this rig' }).click());
  await act(station(page, 'Tune'));
  await act(page.getByLabel('Ground').selectOption('loose or slippery'));
  await act(page.getByRole('button', { name: /^Take all advice/ }).click());
  await expect(page.getByRole('button', { name: 'All advice is taken' })).toBeVisible();
  await expect(page.getByRole('slider', { name: 'Brake strength' })).toHaveAttribute(
    'aria-valuetext',
    /^(35|45) %/,
  );
  await draftSaved(page);
  await act(page.getByRole('link', { name: /^Load \d+ changes/ }).click());
  await expect(page.getByRole('button', { name: 'Begin loading' })).toBeVisible();
  expect(actions).toBeLessThanOrEqual(15);
});

test('what the driver is after changes the advice and stays; moves are undone and done again', async ({
  page,
}) => {
  await page.goto('/rigs/new?class=eighthBuggy');
  await page.getByLabel('Name', { exact: true }).fill('Advised buggy');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await station(page, 'Tune');
  const cutoff = page.getByRole('slider', { name: 'Cutoff', exact: true });
  await page.getByLabel('For', { exact: true }).selectOption('a race or a contest');
  await page.getByRole('button', { name: /^Take all advice/ }).click();
  await expect(cutoff).toHaveAttribute('aria-valuetext', /^3(\.1)? V/);
  await draftSaved(page);
  await page.reload();
  await expect(page.getByLabel('For', { exact: true })).toHaveValue('race');

  const brake = page.getByRole('slider', { name: 'Brake strength' });
  await page.getByText('Moderate brake at a low frequency, or strong at a high one?').click();
  await page.getByRole('radio', { name: /^strong and high/ }).click();
  await expect(brake).toHaveAttribute('aria-valuetext', /^80 %/);
  await expect(page.getByText('You say: strong and high.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(brake).toHaveAttribute('aria-valuetext', /^60 %/);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(brake).toHaveAttribute('aria-valuetext', /^80 %/);
  await draftSaved(page);
});
