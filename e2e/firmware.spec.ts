import { ARCHETYPES } from '#core/archetypes/archetypes';
import { factoryStops, hasLink } from '#core/esc/profile';
import { fiveChanges, rigHolding } from './changes';
import { expect, test } from './test';

test('an update loses values and renumbers two items: saved before, compared after, and only what was lost is loaded', async ({
  page,
}) => {
  const archetype = ARCHETYPES.find(({ profile }) => hasLink(profile))!;
  const { profile } = archetype;
  const changed = fiveChanges(profile);
  const rigId = await rigHolding(page, archetype, { ...factoryStops(profile), ...changed });
  const read = async (): Promise<void> => {
    await page.goto(`/rigs/${rigId}/esc`);
    await page.getByRole('button', { name: 'Read everything by the link' }).click();
    await page.getByRole('radio').first().check();
    await page.getByRole('button', { name: 'It is safe: read' }).click();
    await expect(page.getByText('Every value is read.')).toBeVisible();
  };
  await read();

  await page.goto(`/rigs/${rigId}/esc`);
  await page.getByRole('link', { name: 'Save first, compare after' }).click();
  await page.getByRole('button', { name: 'Keep a sheet of it now' }).click();
  await expect(page.getByText('Kept as sheet 1.')).toBeVisible();
  await expect(page.getByText('Everything is as on sheet 1.')).toBeVisible();
  await page.getByRole('button', { name: 'Update the simulated ESC' }).click();
  await page.getByRole('button', { name: 'Yes, update it' }).click();
  await expect(page.getByText('The simulated ESC has new firmware.')).toBeVisible();
  await expect(page.getByRole('cell', { name: 'nobody has looked' })).toHaveCount(profile.items.length);

  await read();
  await page.goto(`/rigs/${rigId}/firmware`);
  // The first of every three values that were not the factory's is lost: two of five.
  const [first, , , fourth] = Object.keys(changed);
  const rows = page.getByRole('table').getByRole('rowheader');
  const labelOf = (id: string | undefined) => profile.items.find((item) => item.id === id)!.label;
  await expect(rows).toHaveText([new RegExp(labelOf(first)), new RegExp(labelOf(fourth))]);
  await page.getByRole('button', { name: 'Plan these 2 values' }).click();
  await expect(page.getByRole('heading', { name: /^Load 2 changes/ })).toBeVisible();
  await page.getByRole('radio', { name: /./ }).last().check();
  await page.getByRole('button', { name: 'Load by the link' }).click();
  await expect(page.getByText('Every value is read back.')).toBeVisible();
  await page.goto(`/rigs/${rigId}/firmware`);
  await expect(page.getByText(/^Everything is as on sheet/)).toBeVisible();
});
