import { readFile } from 'node:fs/promises';
import { ARCHETYPES } from '#core/archetypes/archetypes';
import { SHOWS_STORED } from '#core/esc/media';
import { factoryStops, handMediumOf, type EscProfile, type ProfileItem } from '#core/esc/profile';
import { rangeOf } from '#core/radio/pulse';
import type { Rig } from '#core/rig/rig';
import type { Page } from '@playwright/test';
import { expect, importDocument, test } from './test';

/** What a change of is a matter of safety, and what must not be changed for a test's sake. */
const LEFT_ALONE: readonly ProfileItem['setting'][] = ['cutoff', 'cutoffAction', 'cellCount', 'becVolts'];
const CHANGES = 5;
const MOST_STEPS = 300;

for (const { profile, serves } of ARCHETYPES) {
  const medium = handMediumOf(profile);
  if (!medium) continue;
  test(`five values by ${medium.family}, beside one’s own ESC, by keys alone`, async ({ page }) => {
    const flies = serves.some((one) => /Plane|glider|helicopter|multirotor|Boat/i.test(one));
    const demo = await demoRig(flies ? 'headland-trainer' : 'kelp-beach-buggy');
    const rigId = await rigWith(page, profile, demo);
    const targets = fiveChanges(profile);
    await post(page, `/rigs/${rigId}/bench-record`, {
      memory: { stops: factoryStops(profile), range: rangeOf(demo.rig.channel) },
      seen: [],
    });
    await post(page, `/rigs/${rigId}/draft`, { baseRevision: 0, stops: targets });
    await page.goto(`/rigs/${rigId}/load`);
    const on = page.getByRole('group', { name: 'On' });
    await on.getByLabel('your own ESC').press('Space');
    await page.getByRole('group', { name: 'Make it safe first' }).getByRole('radio').first().press('Space');
    await page.getByRole('button', { name: 'Begin loading' }).press('Enter');

    await workThrough(page, profile, targets);
    await expect(page.getByTestId('progress')).toContainText(`${CHANGES} of ${CHANGES}`);
    await page.getByRole('button', { name: 'Keep this sheet' }).press('Enter');
    const basis = SHOWS_STORED[medium.family] ? 'counted back' : 'seen stored';
    await expect(page.getByRole('cell', { name: basis })).toHaveCount(CHANGES);
  });
}

/** Says "done" to every step, and what is meant to every question. */
async function workThrough(page: Page, profile: EscProfile, targets: Record<string, string>): Promise<void> {
  const instruction = page.getByTestId('instruction');
  const progress = page.getByTestId('progress');
  for (let n = 0; n < MOST_STEPS; n += 1) {
    const words = await instruction.innerText();
    if (words.startsWith('Every value')) return;
    const asked = page.locator('fieldset', { has: instruction });
    if ((await asked.count()) === 0) {
      await page.keyboard.press('Space');
      continue;
    }
    const before = await progress.innerText();
    const item = profile.items.find(({ label }) => before.startsWith(`${label}:`))!;
    const stop = item.stops.find(({ id }) => id === targets[item.id])!;
    const answers = asked.getByRole('button');
    await answers.nth(item.stops.indexOf(stop)).press('Enter');
    await expect(progress).not.toHaveText(before);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  }
  throw new Error(`not done after ${MOST_STEPS} steps: ${await instruction.innerText()}`);
}

interface RigFile {
  version: number;
  rig: Rig;
}

const demoRig = async (name: string): Promise<RigFile> =>
  JSON.parse(await readFile(`demo/${name}.rig.json`, 'utf8')) as RigFile;

async function rigWith(page: Page, profile: EscProfile, rig: RigFile): Promise<string> {
  const id = `${profile.id}-worked`;
  await importDocument(page, { format: 'live-tune/esc-profile', version: rig.version, ...profile, id });
  await page.waitForLoadState('networkidle');
  // The factory's cutoff of a helicopter's ESC is meant for its pack.
  const cells = profile.media.some(({ family }) => family === 'keyPad') ? 6 : rig.rig.pack.cells;
  const named = { ...rig.rig, pack: { ...rig.rig.pack, cells }, name: `By ${profile.name}` };
  await importDocument(page, { ...rig, escProfileId: id, rig: named });
  await expect(page.getByRole('heading', { name: 'What this model is' })).toBeVisible();
  return /rigs\/([^/]+)/.exec(page.url())![1]!;
}

/** The first five that may be changed, each to the stop beside the factory's. */
function fiveChanges({ items }: EscProfile): Record<string, string> {
  const free = items.filter(
    ({ setting, overwrites, renumbersMenu, switchedOffBy }) =>
      !LEFT_ALONE.includes(setting) && overwrites.length === 0 && !renumbersMenu && switchedOffBy === null,
  );
  return Object.fromEntries(
    free.slice(0, CHANGES).map(({ id, stops, factoryStopId }) => {
      const at = stops.findIndex((stop) => stop.id === factoryStopId);
      return [id, stops[at === 0 ? 1 : at - 1]!.id];
    }),
  );
}

/** As the page itself would send it: the server takes nothing from elsewhere. */
async function post(page: Page, address: string, body: object): Promise<void> {
  const status = await page.evaluate(
    async ([to, json]) => (await fetch(to!, { method: 'POST', body: json })).status,
    [address, JSON.stringify(body)],
  );
  expect(status).toBe(200);
}
