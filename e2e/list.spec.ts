import { openDemoRig } from './rigs';
import { expect, test } from './test';

test('a dictated list with two traps in it: what is clear is drafted, what is not is asked', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'As it is read aloud', 'tune');
  await page.getByRole('button', { name: 'Paste a list' }).click();
  const dialog = page.getByRole('dialog', { name: 'Paste a list' });
  await dialog.getByRole('textbox').fill('third two, sixth five, drag 8, twentieth one\npinion 21');
  const read = dialog.getByRole('list', { name: 'What was read' });
  await expect(read.getByRole('listitem')).toHaveCount(5);
  await expect(read).toContainText('Brake strength 65 %');
  // Its eighth stop is 100 %, and 8 % is the third.
  await expect(read).toContainText('Which one?');
  await expect(read).toContainText('This ESC has no item 20');
  await expect(dialog.getByRole('status')).toHaveText('2 lines are not clear and will not be taken.');
  await read.getByRole('button', { name: /^Take 8.%/ }).click();
  await dialog.getByRole('button', { name: 'Draft 4 values' }).click();

  await expect(page.getByRole('slider', { name: 'Brake strength' })).toHaveAttribute(
    'aria-valuetext',
    /^65 %/,
  );
  await expect(page.getByRole('slider', { name: 'Launch strength' })).toHaveAttribute(
    'aria-valuetext',
    /^2,/,
  );
  await expect(page.getByText('draft: 3 differ')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('draft: as it is')).toBeVisible();
});
