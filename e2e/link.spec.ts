import { ARCHETYPES } from '#core/archetypes/archetypes';
import { factoryStops, hasLink } from '#core/esc/profile';
import type { LinkJobView } from '#server/link/linkJobs';
import type { Locator, Page } from '@playwright/test';
import { fiveChanges, rigHolding } from './changes';
import { ADDRESS, DATA } from './setting';
import { control as askStandIn } from './standIn';
import type { Quantity } from '#core/units/provenance';
import { demoRigFile, openDemoRig, post, takeIn } from './rigs';
import { draftSaved, expect, moveRail, test } from './test';

// One link, one client: these take turns.
test.describe.configure({ mode: 'serial' });

const control = (request: object) => askStandIn(DATA, request);

const rigIdOf = (page: Page): string => /rigs\/([0-9a-f-]{36})/.exec(page.url())![1]!;

async function beginLinkLoad(page: Page): Promise<void> {
  await page.getByLabel('the link').check();
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Load by link' }).click();
}

test('five changes are written by link and read back', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Linked buggy', 'tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
  await moveRail(page, 'Drag brake', 'ArrowRight', 1);
  await moveRail(page, 'Launch strength', 'ArrowLeft', 2);
  await moveRail(page, 'Cutoff', 'ArrowRight', 1);
  await moveRail(page, 'Start power', 'ArrowRight', 1);
  await draftSaved(page);
  await page.getByRole('link', { name: 'Load 5 changes' }).click();
  await beginLinkLoad(page);
  await expect(page.getByText('Every value is read back.')).toBeVisible();
  await expect(page.getByText('draft: as it is')).toBeVisible();
  const { memory } = await control({ do: 'memory', serial: rigIdOf(page) });
  expect(memory!.memory.stops).toMatchObject({ stopper: 'stopper-5', 'roll-off': 'roll-off-4' });
  await page.getByRole('link', { name: /^See sheet 2/ }).click();
  const row = page.getByRole('row', { name: /Stopper ·/ }).first();
  await expect(row).toContainText('65 % (stop 5)');
  await expect(row).toContainText('read back');
  await expect(page.getByText('saved before a change')).toBeVisible();
});

test('what hands do stands round a load by link: the model before it, the radio after it', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'By hand and link', 'rig');
  const rig = `/rigs/${rigIdOf(page)}`;
  await page.goto(`${rig}/tune`);
  await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
  await page.getByLabel('Pinion', { exact: true }).fill('18');
  await page.getByLabel('Radio end point, throttle', { exact: true }).fill('95');
  await draftSaved(page);
  await page.getByRole('link', { name: 'Load 3 changes' }).click();
  await beginLinkLoad(page);
  const instruction = page.getByTestId('instruction');
  await expect(instruction).toHaveText('Fit the pinion with 18 teeth.');
  await page.getByRole('button', { name: 'Done' }).press('Enter');
  await expect(instruction).toHaveText('Every value is read back.');
  await expect(page.getByText(/Radio end point, throttle: 100 → 95.%/)).toBeVisible();

  await page.getByRole('button', { name: 'Do it by hand' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'Make 1 change on the model and its radio',
  );
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(instruction).toContainText('set the throttle end point to 95');
  await page.getByRole('button', { name: 'Done' }).press('Enter');
  await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
  const newest = page.getByRole('article', { name: 'Sheet 3' });
  await expect(newest.getByText(/throttle 95.%/)).toBeVisible();
  // The pinion was changed by the load before.
  await expect(newest.getByText('14 values, 1 changed by this load')).toBeVisible();
});

test('what was loaded by link is what the page’s simulated ESC holds, and the other way round', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Shared memory', 'rig');
  await page.goto(`/rigs/${rigIdOf(page)}/esc`);
  await page.getByLabel('My word on Stopper', { exact: true }).selectOption('it is 20 %');
  await page.getByRole('button', { name: 'Save what I say' }).click();
  await expect(page.getByRole('row', { name: /6 Stopper .*20 % as you say/ })).toBeVisible();
  await page.getByRole('button', { name: 'Read everything by link' }).click();
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'It is safe: read' }).click();
  await expect(page.getByText('“Stopper” is on 85 %; believed was 20 %.')).toBeVisible();
  await page.goto(`/rigs/${rigIdOf(page)}/esc`);
  await expect(page.getByRole('row', { name: /6 Stopper .*85 % read back/ })).toBeVisible();
});

test('after a reset or new firmware nothing is called verified, and unknown values give the trace a band', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Updated buggy', 'rig');
  const rig = `/rigs/${rigIdOf(page)}`;
  await page.goto(`${rig}/esc`);
  await page.getByRole('button', { name: 'I updated its firmware' }).click();
  await page.getByRole('button', { name: 'Yes, note it' }).click();
  await expect(page.getByText('14 values are unknown.')).toBeVisible();
  await expect(page.getByRole('row', { name: /6 Stopper .*unknown before: 85 %/ })).toContainText(
    'unknown since a firmware update',
  );
  await page.goto(`${rig}/tune`);
  await page.getByRole('tab', { name: 'Brake' }).click();
  await expect(page.getByText('The band shows what the ESC may do')).toBeVisible();
  await expect(page.getByRole('row', { name: /Stop from 30 km\/h \d.* to \d/ })).toBeVisible();
  await expect(page.getByRole('slider', { name: 'Brake strength' })).toHaveAttribute(
    'aria-valuetext',
    'unknown, before: 85 %',
  );
});

/** Bytes of "20 WRITE 6 5 *ABCD" with its line end and of its reply "20 OK 6 5 *ABCD"; the same for a save. */
const LINES = {
  WRITE: { request: 19, reply: 16 },
  SAVE: { request: 14, reply: 14 },
} as const;

/** The first byte, the last, and some between. */
const placesIn = (bytes: number): number[] => [0, 3, Math.floor(bytes / 2), bytes - 2, bytes - 1];

test('a line cut anywhere in a write or a save leaves nothing half-written in silence', async ({ page }) => {
  // Only requests: what the server, its database and the stand-in make of it is what is tested here. Every single byte is
  // cut in loadByLink.long.test.ts.
  const rigId = await openDemoRig(page, 'kelp-beach-buggy', 'Cut line', 'esc');
  const kept = async (): Promise<string> =>
    (await control({ do: 'memory', serial: rigId })).memory!.memory.stops.stopper!;
  const believed = async (): Promise<string> => {
    const html = await (await page.request.get(`/rigs/${rigId}/esc`)).text();
    const row = html.split('<tr').find((one) => one.includes('Stopper'))!;
    return row
      .replace(/<option.*?<\/option>/g, '')
      .replace(/<[^>]*>/g, ' ')
      .replace(/\s+/g, ' ');
  };
  const job = async (intents: Record<string, string>): Promise<LinkJobView> => {
    await post(page, `/rigs/${rigId}/link`, { do: 'begin', intents });
    let view: LinkJobView | undefined;
    await expect(async () => {
      view = ((await (await page.request.get(`/rigs/${rigId}/link`)).json()) as { job: LinkJobView }).job;
      expect(view.state).not.toBe('running');
    }).toPass({ intervals: [20] });
    return view!;
  };
  const loadAndCut = async (stopId: string, verb: keyof typeof LINES, byte: number): Promise<void> => {
    await control({ do: 'fault', fault: { kind: 'cut', verb, byte, staysAway: true } });
    expect(await job({ stopper: stopId })).toMatchObject({
      state: 'failed',
      sentence: 'The link was cut.',
      unknownLabels: ['Stopper'],
    });
    await control({ do: 'fault', fault: { kind: 'none' } });
    expect(await believed()).toContain('unknown');
  };

  for (const verb of ['WRITE', 'SAVE'] as const) {
    const { request, reply } = LINES[verb];
    // Nothing can have been saved.
    for (const byte of placesIn(verb === 'WRITE' ? request + reply : request)) {
      await loadAndCut('stopper-5', verb, byte);
      expect(await kept(), `${verb}, byte ${byte}`).toBe('stopper-7');
    }
  }
  // From here on the save was made, and only its confirmation is lost. Nobody must guess.
  for (const [n, byte] of placesIn(LINES.SAVE.reply).entries()) {
    const [stopId, label] = n % 2 === 0 ? ['stopper-4', '55 %'] : ['stopper-5', '65 %'];
    await loadAndCut(stopId, 'SAVE', LINES.SAVE.request + byte);
    expect(await kept(), `the reply to SAVE, byte ${byte}`).toBe(stopId);
    expect(await job({})).toMatchObject({ state: 'finished' });
    expect(await believed()).toContain(`${label} read back`);
  }
});

test('a line that was cut is said on the page, tried again, and what it left is read', async ({ page }) => {
  const rigId = await openDemoRig(page, 'kelp-beach-buggy', 'Cut in sight', 'tune');
  await moveRail(page, 'Brake strength', 'ArrowLeft', 2);
  await draftSaved(page);
  await page.goto(`/rigs/${rigId}/load`);
  const loadAndCut = async (verb: keyof typeof LINES, byte: number): Promise<void> => {
    await control({ do: 'fault', fault: { kind: 'cut', verb, byte, staysAway: true } });
    await beginLinkLoad(page);
    await expect(page.getByText('The link was cut.')).toBeVisible();
    await expect(page.getByText('It is unknown what the ESC holds for “Stopper”.')).toBeVisible();
    await control({ do: 'fault', fault: { kind: 'none' } });
  };
  await loadAndCut('WRITE', 7);
  await page.getByRole('button', { name: 'Try again' }).click();
  await loadAndCut('SAVE', LINES.SAVE.request + 3);
  await page.goto(`/rigs/${rigId}/esc`);
  await expect(page.getByRole('row', { name: /6 Stopper .*unknown/ })).toBeVisible();
  await page.getByRole('button', { name: 'Read everything by link' }).click();
  await page.getByLabel('Wheels clear of the bench').check();
  await page.getByRole('button', { name: 'It is safe: read' }).click();
  await expect(page.getByText('Every value is read.')).toBeVisible();
  await page.goto(`/rigs/${rigId}/esc`);
  await expect(page.getByRole('row', { name: /6 Stopper .*65 % read back/ })).toBeVisible();
});

test('a pass code that is still the factory’s is pointed out and changed, and a wrong one is asked for', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Paired', 'rig');
  const rig = `/rigs/${rigIdOf(page)}`;
  const read = async (): Promise<void> => {
    await page.goto(`${rig}/esc`);
    await page.getByRole('button', { name: 'Read everything by link' }).click();
    await page.getByLabel('Wheels clear of the bench').check();
    await page.getByRole('button', { name: 'It is safe: read' }).click();
  };
  await read();
  await expect(page.getByText('The pass code is still the factory one, 1111.')).toBeVisible();
  await page.getByLabel('New pass code').fill('0123');
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByText('A pass code has four digits and does not start with zero.')).toBeVisible();
  await page.getByLabel('New pass code').fill('2468');
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByText('The pass code is changed.')).toBeVisible();

  // What the page believes it to be is wrong from now on.
  await page.evaluate(async (address) => {
    await fetch(address, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ do: 'sayPassCode', passCode: 3333 }),
    });
  }, `${rig}/link`);
  await read();
  await expect(page.getByText('The ESC refused: the pass code is not right.')).toBeVisible();
  await page.getByLabel('Its pass code').fill('2468');
  await page.getByRole('button', { name: 'Use this one' }).click();
  await read();
  await expect(page.getByText('Every value is read.')).toBeVisible();
  await expect(page.getByText('still the factory’s')).toBeHidden();
});

test('two rigs whose pass codes are changed at once: neither changes the ESC of the other', async ({
  page,
}) => {
  const rigIds: string[] = [];
  for (const name of ['Left of two', 'Right of two']) {
    await openDemoRig(page, 'kelp-beach-buggy', name, 'rig');
    rigIds.push(rigIdOf(page));
  }
  const send = (rigId: string, data: object) =>
    page.request.post(`/rigs/${rigId}/link`, { headers: { origin: ADDRESS }, data });
  for (let round = 0; round < 6; round += 1) {
    await Promise.all(
      rigIds.map((rigId, n) =>
        send(rigId, { do: 'changePassCode', passCode: Number(`${n + 2}${round}${round}${round}`) }),
      ),
    );
    // Whichever was busy: each ESC is let in by the code that is written down for it.
    for (const rigId of rigIds) {
      expect((await send(rigId, { do: 'begin', intents: {} })).ok()).toBe(true);
      const state = async () =>
        ((await (await page.request.get(`/rigs/${rigId}/link`)).json()) as { job: { state: string } }).job
          .state;
      await expect.poll(state).not.toBe('running');
      expect(await state()).toBe('finished');
    }
  }
});

test('an update loses values and renumbers two items: saved before, compared after, and only what was lost is loaded', async ({
  page,
}) => {
  const archetype = ARCHETYPES.find(({ profile }) => hasLink(profile))!;
  const { profile } = archetype;
  const changed = fiveChanges(profile);
  const rigId = await rigHolding(page, archetype, { ...factoryStops(profile), ...changed });
  const read = async (): Promise<void> => {
    await page.goto(`/rigs/${rigId}/esc`);
    await page.getByRole('button', { name: 'Read everything by link' }).click();
    await page.getByRole('radio').first().check();
    await page.getByRole('button', { name: 'It is safe: read' }).click();
    await expect(page.getByText('Every value is read.')).toBeVisible();
  };
  await read();

  await page.goto(`/rigs/${rigId}/esc`);
  await page.getByRole('link', { name: 'Save before, compare after' }).click();
  await page.getByRole('button', { name: 'Save a sheet now' }).click();
  await expect(page.getByText('Kept as sheet 1.')).toBeVisible();
  await expect(page.getByText('All values match sheet 1 or were loaded since.')).toBeVisible();
  await page.getByRole('button', { name: 'Update the simulated ESC' }).click();
  await page.getByRole('button', { name: 'Yes, update it' }).click();
  await expect(page.getByText('The simulated ESC has new firmware.')).toBeVisible();
  await expect(page.getByRole('cell', { name: 'not checked' })).toHaveCount(profile.items.length);

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
  await page.getByRole('button', { name: 'Load by link' }).click();
  await expect(page.getByText('Every value is read back.')).toBeVisible();
  await page.goto(`/rigs/${rigId}/firmware`);
  await expect(page.getByText(/^All values match sheet/)).toBeVisible();
});

const runLink = (page: Page, number: number): Locator =>
  page.getByRole('link', { name: `Run ${number}`, exact: true });

test('what the ESC logged is read by link, kept as a run with its picture, and cleared; a full log is said', async ({
  page,
}) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Logging buggy', 'runs');
  const esc = page.getByRole('region', { name: 'From the ESC' });
  await esc.getByRole('button', { name: 'Read its log' }).click();
  await expect(esc).toContainText('The ESC has logged nothing');
  const drive = esc.getByRole('button', { name: 'Drive the simulated one' });
  await drive.click();
  await expect(esc).toContainText('Its log is full now');
  await drive.click();
  await expect(esc).toContainText('its log is full: it beeps until that is read and cleared');
  await esc.getByRole('button', { name: 'Read its log' }).click();
  await expect(esc).toContainText('Kept as run 1. The log on the ESC is cleared.');
  await expect(runLink(page, 1)).toBeVisible();
  await esc.getByRole('button', { name: 'Read its log' }).click();
  await expect(esc).toContainText('The ESC has logged nothing');
  await esc.getByRole('button', { name: 'Drive the simulated one' }).click();
  await expect(esc).toContainText('Its log is full now');
  await esc.getByRole('button', { name: 'Read its log' }).click();
  await expect(runLink(page, 2)).toBeVisible();
  await page.getByRole('link', { name: 'run 2', exact: true }).click();
  await expect(page.getByTestId('log-plots').locator('canvas')).toHaveCount(7);
  await expect(page.getByText('the model, for the same trigger')).toBeVisible();
});

test('a drive is watched while it is driven: numbers, an alarm, what it came to, and a log at its end', async ({
  page,
}) => {
  // A worn pack sags below the cutoff at full throttle, whichever true model the serial stands for.
  const { rig, ...document } = await demoRigFile('kelp-beach-buggy');
  const cellResistanceOhm: Quantity = { value: 0.08, basis: 'measured' };
  const worn = { ...rig, name: 'Watched buggy', pack: { ...rig.pack, cellResistanceOhm } };
  const rigId = await takeIn(page, { ...document, rig: worn });
  await page.goto(`/rigs/${rigId}/runs`);
  const esc = page.getByRole('region', { name: 'From the ESC' });
  await esc.getByRole('button', { name: 'Drive it and watch' }).click();
  const live = esc.getByRole('group', { name: 'Live numbers' });
  await expect(live).toContainText('of the drive');
  await expect(live.getByRole('alert')).toContainText('pack below its cutoff');
  await expect(esc.getByRole('button', { name: 'Read its log' })).toBeDisabled();
  // Whoever comes back to the page sees the drive that goes on.
  await page.reload();
  await expect(live).toContainText('of the drive');
  await expect(live).toContainText('The drive is over');
  await esc.getByRole('button', { name: 'Read its log' }).click();
  await expect(runLink(page, 1)).toBeVisible();
});
