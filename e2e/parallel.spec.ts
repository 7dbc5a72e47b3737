import type { Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { demoRigFile, openNewRig, takeIn } from './rigs';
import { ADDRESS } from './setting';
import { expect, moveRail, test } from './test';

const AT_ONCE = 20;

interface ProfileFile {
  format?: string;
  version?: number;
  id: string;
  name: string;
  limits: { maxCells: number };
}
const demoProfile = async (id: string): Promise<ProfileFile> =>
  JSON.parse(await readFile(`demo/${id}.esc-profile.json`, 'utf8')) as ProfileFile;
/** As a rig brings it along: without what makes it a file of its own. */
const brought = ({ format: _format, version: _version, ...profile }: ProfileFile) => profile;

const send = (page: Page, path: string, body: object, type: 'data' | 'form' = 'data') =>
  page.request.post(path, { headers: { origin: ADDRESS }, [type]: body, maxRedirects: 0 });
const all = <T>(make: (n: number) => Promise<T>): Promise<T[]> =>
  Promise.all(Array.from({ length: AT_ONCE }, (_, n) => make(n)));
const rigOf = async (page: Page, rigId: string) =>
  (
    (await (await page.request.get(`/rigs/${rigId}/rig.json`)).json()) as {
      rig: { channel: Record<string, number>; name: string };
    }
  ).rig;

test('many that write at once wait for each other: none is refused, none is lost', async ({ page }) => {
  const rigId = await openNewRig(page, 'Busy rig', 'sheets');

  // Twenty loads that end at the same moment are twenty sheets; one that is sent twenty times is one.
  const finish = (load: string) => send(page, `/rigs/${rigId}/load`, { load, medium: 'oneKey' }, 'form');
  const ids = Array.from(
    { length: AT_ONCE },
    (_, n) => `00000000-0000-4000-8000-0000000000${String(n + 10)}`,
  );
  expect((await all((n) => finish(ids[n]!))).map((answer) => answer.status())).toEqual(
    Array(AT_ONCE).fill(200),
  );
  await all(() => finish(ids[0]!));
  await page.reload();
  await expect(page.getByText(`1 to 10 of ${AT_ONCE} sheets`)).toBeVisible();

  // One profile that is brought twenty times is there once.
  const profile = {
    ...(await demoProfile('tamsel-r60')),
    id: 'brought-often',
    name: 'Brought often',
  };
  await all(() => takeIn(page, profile));
  await page.goto('/profiles');
  await expect(page.getByRole('listitem').filter({ hasText: 'Brought often' })).toHaveCount(1);
});

test('who writes a part of a rig leaves the rest of it as it is', async ({ page }) => {
  const rigId = await openNewRig(page, 'Parted rig', 'rig');
  const jitter = (n: number) => send(page, `/rigs/${rigId}/bench-notes`, { note: 'jitter', jitterMicros: n });
  const endPoint = (n: number) =>
    send(page, `/rigs/${rigId}/load`, { byHand: 'forwardEndPointPercent', value: String(70 + n) }, 'form');
  const answers = await Promise.all([
    ...Array.from({ length: 15 }, (_, n) => jitter(n + 1)),
    ...Array.from({ length: 15 }, (_, n) => endPoint(n + 1)),
  ]);
  expect(answers.map((answer) => answer.status())).toEqual(Array(30).fill(200));
  await jitter(7);
  await endPoint(9);
  expect((await rigOf(page, rigId)).channel).toMatchObject({ jitterMicros: 7, forwardEndPointPercent: 79 });
});

test('two tabs on one rig: the second is asked which of the two counts, and loses nothing typed', async ({
  page,
  context,
}) => {
  const rigId = await openNewRig(page, 'Twice opened', 'rig');
  const other = await context.newPage();
  await other.goto(`/rigs/${rigId}/rig`);
  await other.getByLabel('Name', { exact: true }).fill('Named there');
  await other.getByRole('button', { name: 'Save' }).click();
  await expect(other.getByText('Saved.')).toBeVisible();
  // Once more from the same tab: its own change is no other one.
  await other.getByRole('button', { name: 'Save' }).click();
  await expect(other.getByText('Saved.')).toBeVisible();

  await page.getByLabel('Name', { exact: true }).fill('Named here');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('This rig was changed in another tab')).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Named here');
  expect((await rigOf(page, rigId)).name).toBe('Named there');
  await page.getByRole('button', { name: 'Keep what is here' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  expect((await rigOf(page, rigId)).name).toBe('Named here');
});

test('a rig that brings another ESC under a known name gets that one, and says so', async ({ page }) => {
  const profile = brought(await demoProfile('brackel-t40'));
  const file = await demoRigFile('cliff-path-crawler');
  const bring = (escProfile: object, name: string) =>
    takeIn(page, { ...file, escProfileId: profile.id, escProfile, rig: { ...file.rig, name } });
  const changed = { ...profile, limits: { ...profile.limits, maxCells: profile.limits.maxCells + 1 } };
  const nameOn = async (rigId: string | undefined): Promise<string> => {
    await page.goto(`/rigs/${rigId!}/rig`);
    return (await page.getByLabel('Profile').locator('option:checked').innerText()).replace(
      / \(\d+ to .*/,
      '',
    );
  };
  expect(await nameOn(await bring(profile, 'Equal ESC'))).toBe(profile.name);
  const rigId = await bring(changed, 'Other ESC');
  expect(await nameOn(rigId)).toBe(`${profile.name} (2)`);
  await page.goto(`/rigs/${rigId!}/rig?esc=other`);
  await expect(page.getByText('an ESC of its own.')).toBeVisible();
  // The same once more is the same ESC.
  expect(await nameOn(await bring(changed, 'Other ESC again'))).toBe(`${profile.name} (2)`);
});

test('a draft that is never taken is told from a server that is away', async ({ page, context }) => {
  const rigId = await openNewRig(page, 'Deleted meanwhile', 'tune');
  const other = await context.newPage();
  await other.goto(`/rigs/${rigId}/rig`);
  await send(other, '/?index', { rigId, intent: 'delete' }, 'form');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 1);
  await expect(page.getByText('The server refused this draft.')).toBeVisible();
  await expect(page.getByText('The server does not answer.')).toHaveCount(0);
});
