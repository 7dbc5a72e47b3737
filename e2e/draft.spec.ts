import { openNewRig } from './rigs';
import { draftSaved, expect, moveRail, test } from './test';

test('the draft survives a reload', async ({ page }) => {
  await openNewRig(page, 'Reload rig', 'tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 3);
  await page.reload();
  await expect(page.getByRole('slider', { name: 'Brake strength' })).toHaveAttribute(
    'aria-valuetext',
    /^55 %; on the ESC 85 %/,
  );
});

test('two tabs on one draft get a choice, not a silent overwrite', async ({ page, context }) => {
  await openNewRig(page, 'Two tabs', 'tune');
  await page.waitForURL('**/tune');
  const other = await context.newPage();
  await other.goto(page.url());
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await draftSaved(page);
  await moveRail(other, 'Brake strength', 'ArrowLeft', 1);
  await expect(other.getByText('This draft was changed in another tab')).toBeVisible();
  await expect(other.getByRole('row', { name: 'Drag brake not changed 12 %' })).toBeVisible();
  await expect(other.getByRole('row', { name: 'Brake strength 75 % not changed' })).toBeVisible();
  await other.getByRole('button', { name: 'Take what is there' }).click();
  await expect(other.getByRole('slider', { name: 'Drag brake' })).toHaveAttribute('aria-valuetext', /^12 %/);
  await expect(other.getByRole('slider', { name: 'Brake strength' })).toHaveAttribute(
    'aria-valuetext',
    /as on the ESC/,
  );
});

test('the page says when the server is away, and saves when it is back', async ({ page }) => {
  await openNewRig(page, 'Away rig', 'tune');
  await page.route('**/draft', (route) => route.abort());
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await expect(page.getByText('The server does not answer. Your draft is kept here')).toBeVisible();
  await page.unroute('**/draft');
  await expect(page.getByText('The server does not answer.')).toBeHidden({ timeout: 10_000 });
  await page.reload();
  await expect(page.getByRole('slider', { name: 'Drag brake' })).toHaveAttribute('aria-valuetext', /^12 %/);
});

test('a draft that could not be saved outlives a reload, and is saved when the server is back', async ({
  page,
}) => {
  await openNewRig(page, 'Waiting rig', 'tune');
  await page.route('**/draft', (route) => route.abort());
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await expect(page.getByText('The server does not answer. Your draft is kept here')).toBeVisible();
  await page.reload();
  const rail = page.getByRole('slider', { name: 'Drag brake' });
  await expect(rail).toHaveAttribute('aria-valuetext', /^12 %/);
  await page.unroute('**/draft');
  await draftSaved(page);
  // Another browser would see it: it is on the server, and no longer only here.
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(rail).toHaveAttribute('aria-valuetext', /^12 %/);
});

test('a draft whose confirmation was lost on its way is no conflict', async ({ page }) => {
  await openNewRig(page, 'Lost answer rig', 'tune');
  // The server saves it, but the page never hears of that.
  await page.route('**/draft', async (route) => {
    await route.fetch();
    await route.abort();
  });
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await expect(page.getByText('The server does not answer. Your draft is kept here')).toBeVisible();
  await page.unroute('**/draft');
  await draftSaved(page);
  await expect(page.getByText('This draft was changed in another tab')).toBeHidden();
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await draftSaved(page);
});

test('a draft that is saved while the page is reloaded is there, though the new page was made before', async ({
  page,
}) => {
  await openNewRig(page, 'Overtaken rig', 'tune');
  const rail = page.getByRole('slider', { name: 'Drag brake' });
  await expect(rail).toBeVisible();
  let pageIsMade = (): void => undefined;
  const made = new Promise<void>((resolve) => (pageIsMade = resolve));
  await page.route('**/draft', async (route) => {
    await made;
    await route.continue();
  });
  await page.route('**/tune', async (route) => {
    const response = await route.fetch();
    const saved = page.waitForResponse('**/draft');
    pageIsMade();
    await saved;
    await route.fulfill({ response });
  });
  const asked = page.waitForRequest('**/draft');
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await asked;
  await page.reload();
  await expect(rail).toHaveAttribute('aria-valuetext', /^12 %/);
  await expect(page.getByText('This draft was changed in another tab')).toBeHidden();
});

test('a form that could not be sent keeps what was typed', async ({ page }) => {
  await openNewRig(page, 'Typed rig', 'rig');
  await page.getByLabel('Motor kV', { exact: true }).fill('3333');
  await page.route('**/rig.data*', (route) => route.abort());
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Not saved: Live Tune does not answer.')).toBeVisible();
  await expect(page.getByLabel('Motor kV', { exact: true })).toHaveValue('3333');
  await page.unroute('**/rig.data*');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
});

test('a rail is worked by keys alone: step, ends, advice, back, reason', async ({ page }) => {
  await openNewRig(page, 'Key rig', 'tune');
  const rail = page.getByRole('slider', { name: 'Drag brake' });
  await rail.focus();
  await rail.press('End');
  await expect(rail).toHaveAttribute('aria-valuetext', /^100 %/);
  await rail.press('a');
  await expect(rail).toHaveAttribute('aria-valuetext', /^8 %/);
  await rail.press('Home');
  await rail.press('ArrowUp');
  await expect(rail).toHaveAttribute('aria-valuetext', /^4 %; on the ESC 8 %/);
  await rail.press('Backspace');
  await expect(rail).toHaveAttribute('aria-valuetext', /as on the ESC/);
  await rail.press('Enter');
  await expect(page.getByText('A little drag settles the car')).toBeVisible();
});

test('a drag over many stops is one step to undo', async ({ page }) => {
  await openNewRig(page, 'Dragged rig', 'tune');
  const rail = page.getByRole('slider', { name: 'Brake strength' });
  await rail.scrollIntoViewIfNeeded();
  const box = (await rail.boundingBox())!;
  const middle = box.y + box.height / 2;
  await page.mouse.move(box.x + box.width - 4, middle);
  await page.mouse.down();
  await page.mouse.move(box.x + 4, middle, { steps: 20 });
  await page.mouse.up();
  await expect(rail).toHaveAttribute('aria-valuetext', /^20 %; on the ESC 85 %/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(rail).toHaveAttribute('aria-valuetext', /as on the ESC/);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(rail).toHaveAttribute('aria-valuetext', /^20 %/);
});
