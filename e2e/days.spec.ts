import { readFile } from 'node:fs/promises';
import type { PackFile } from '#formats/pack';
import { VERSION } from '#formats/document';
import type { Day, RaceDay, TestDay } from '#core/days/day';
import type { Page } from '@playwright/test';
import { SENT_AT } from '../app/stations/runs/waitingRuns';
import { readBack } from './readBack';
import { openDemoRig, takeIn } from './rigs';
import { ADDRESS } from './setting';
import { expect, FRESH, test } from './test';

const DAY_MS = 86_400_000;
/** A date so many days from now, as the tests' browser has it: its clock is UTC. */
const dateIn = (days: number): string => new Date(Date.now() + days * DAY_MS).toISOString().slice(0, 10);

async function putOnShelf(page: Page, id: string, label: string, cells: number, at: string): Promise<void> {
  const file: PackFile = {
    pack: {
      id,
      label,
      chemistry: 'lipo',
      cells,
      capacityAh: cells === 2 ? 5.2 : 2.4,
      ratingC: 50,
      mostChargeC: null,
      chargeAmps: 2.4,
      note: '',
    },
    entries: [{ id: `${id}-1`, at, doing: 'charged', cellVolts: [], cellMilliohms: [], note: '' }],
  };
  await takeIn(page, { format: 'live-tune/pack', version: VERSION, ...file });
}

const keepDay = async (page: Page, day: Day): Promise<void> => {
  await takeIn(page, { format: 'live-tune/day', version: VERSION, day });
};

const every = (id: string, name: string, date: string) => ({
  id,
  name,
  place: 'kelp beach',
  timeZone: 'UTC',
  date,
  airCelsius: 15,
  chargers: 1,
  chargersWatched: true,
  note: '',
});

async function ask(page: Page, rigId: string, asked: object): Promise<void> {
  const response = await page.request.post(`/rigs/${rigId}/runs`, {
    headers: { origin: ADDRESS },
    form: { intent: 'try', asked: JSON.stringify(asked) },
  });
  expect(response.status()).toBe(200);
}

const question = (id: string, words: string, part: object): object => ({
  kind: 'compare',
  id,
  madeAt: '2026-05-01T10:00:00.000Z',
  words,
  reading: 'canCelsius',
  ...part,
});
const AHEAD = {
  itemId: 'ahead',
  itemNumber: 8,
  itemLabel: 'Ahead',
  a: { stopId: 'ahead-1', stopNumber: 1, label: '0°' },
  b: { stopId: 'ahead-3', stopNumber: 3, label: '10°' },
};
const WHISTLE = {
  itemId: 'whistle',
  itemNumber: 7,
  itemLabel: 'Whistle',
  a: { stopId: 'whistle-3', stopNumber: 3, label: '14 kHz' },
  b: { stopId: 'whistle-4', stopNumber: 4, label: '20 kHz' },
};
const CHECKS = ['Wheel nuts tight.', 'Mesh checked.', 'Packs counted.'];
const CRAWLER = { file: 'cliff-path-crawler' };

test.describe('on a phone', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

  test(
    'a test day is lived through with two delays, and its question has an answer',
    FRESH,
    async ({ page }) => {
      const date = dateIn(1);
      const rigId = await openDemoRig(page, CRAWLER.file, 'Asking crawler', 'runs');
      await readBack(page, rigId, {}, CRAWLER);
      await ask(page, rigId, question('hotter-ahead', 'Hotter with 10° ahead?', AHEAD));
      await ask(page, rigId, question('hotter-whistle', 'Hotter at 20 kHz?', WHISTLE));
      for (const n of [1, 2, 3])
        await putOnShelf(page, `trail-${n}`, `Trail ${n}`, 3, `${date}T07:00:00.000Z`);
      const day: TestDay = {
        ...every('crawl-day', 'Crawl day', date),
        kind: 'test',
        startsAt: `${date}T10:00`,
        endsAt: `${date}T12:30`,
        packIds: ['trail-1', 'trail-2', 'trail-3'],
        questions: [
          { rigId, questionId: 'hotter-ahead', importance: 1, runMinutes: 8, onePack: false },
          { rigId, questionId: 'hotter-whistle', importance: 2, runMinutes: 8, onePack: false },
        ],
        facts: [],
        events: [],
      };
      await keepDay(page, day);
      await page.clock.install({ time: `${date}T09:55:00.000Z` });
      // The bench lives today. A phone that does not say when it sends is taken at its word.
      await page.route('**/keep-run', async (route) => {
        const { [SENT_AT]: _said, ...headers } = await route.request().allHeaders();
        await route.continue({ headers });
      });
      await page.goto('/days/crawl-day');
      const next = page.getByRole('region', { name: 'Next' });
      const noteIt = async (celsius: string): Promise<void> => {
        await next.getByRole('link', { name: 'Driven: note it' }).tap();
        await page.getByLabel('Motor can temperature', { exact: true }).fill(celsius);
        await page.getByRole('button', { name: 'Save the run' }).tap();
        await page.getByRole('link', { name: 'Back to the day' }).tap();
        await next.waitFor();
      };
      await expect(next).toContainText('Asking crawler: drive A, Ahead 0°, on Trail 1', { timeout: 20_000 });
      await expect(page.getByRole('region', { name: 'The plan' })).not.toContainText('Left out');

      // The first delay is told before it is there.
      await next.getByRole('button', { name: '10 min late' }).tap();
      await expect(next).toContainText(/At 10:0[789]/);
      await page.clock.fastForward('20:00');
      await noteIt('41');
      await expect(next).toContainText('load for “Hotter with 10° ahead?”');
      await readBack(page, rigId, { ahead: 'ahead-3' }, CRAWLER);
      await page.reload();
      await expect(next).toContainText('drive B, Ahead 10°, on Trail 2');

      // The second is only noticed: the rest is planned anew, and what matters less is left out.
      await page.clock.fastForward('01:20:00');
      const plan = page.getByRole('region', { name: 'The plan' });
      await expect(plan).toContainText('Left out');
      await expect(plan.getByRole('listitem').filter({ hasText: 'Hotter at 20 kHz?' }).last()).toContainText(
        /There is no time for it|By itself it takes/,
      );
      await noteIt('55');
      await readBack(page, rigId, {}, CRAWLER);
      await page.reload();
      await page.clock.fastForward('30:00');
      await expect(next).toContainText('drive A, Ahead 0°');
      await noteIt('42');
      await expect(page.getByRole('region', { name: 'Known now' })).toContainText('Driven: A, B, A.');
      await page.getByRole('link', { name: 'Read the answer' }).tap();
      await expect(page.getByRole('article', { name: 'Hotter with 10° ahead?' })).toContainText(
        'more (hotter)',
      );
    },
  );

  test(
    'what was for a race is asked for until it is back for certain, the next morning, too',
    FRESH,
    async ({ page }) => {
      const date = dateIn(-1);
      const rigId = await openDemoRig(page, 'kelp-beach-buggy', 'Racing buggy', 'tune');
      await readBack(page, rigId);
      await page.goto(`/rigs/${rigId}/set-ups`);
      await page.getByText('Take one in', { exact: true }).tap();
      await page.getByLabel('A file').setInputFiles('demo/island-race.set-up.json');
      await page.getByRole('button', { name: 'Import', exact: true }).tap();
      await page.getByText('Island race').first().waitFor();
      await putOnShelf(page, 'race-pack', 'Race pack', 2, `${date}T07:00:00.000Z`);
      const heat = (id: string, name: string, time: string) => ({
        id,
        name,
        rigId,
        startsAt: `${date}T${time}`,
        minutes: 6,
        setUpId: 'island-race',
        packId: 'race-pack',
      });
      const day: RaceDay = {
        ...every('race-day', 'Harbour race', date),
        kind: 'race',
        heats: [heat('h1', 'Qualifying', '11:00'), heat('h2', 'Final', '15:00')],
        prepared: [],
        checks: CHECKS.map((words, n) => ({ id: `c${n}`, words, doneAt: null })),
      };
      await keepDay(page, day);
      await page.clock.install({ time: `${date}T10:41:00.000Z` });
      await page.goto('/days/race-day');
      const next = page.getByRole('region', { name: 'Next' });
      await expect(next).toContainText('Racing buggy: load “Island race”');
      await expect(page.getByRole('region', { name: 'Heats' })).toContainText('Lasts.', { timeout: 20_000 });
      // Quick hands: none waits for the one before to be saved.
      for (const words of CHECKS) await page.getByLabel(words).tap();
      await expect(page.getByText('3 of 3 done.')).toBeVisible();
      await expect
        .poll(async () => {
          const file = await page.request.get('/days/race-day.json');
          const { day: saved } = (await file.json()) as { day: RaceDay };
          return saved.checks.filter(({ doneAt }) => doneAt !== null).length;
        })
        .toBe(3);
      await next.getByRole('button', { name: 'Draft and load it' }).tap();
      await page.waitForURL(`**/rigs/${rigId}/load`);
      const raced = await heldByIslandRace();
      await readBack(page, rigId, raced);

      // A tab that was away for an hour says on return what was due meanwhile.
      await page.goto('/days/race-day');
      await expect(next).toContainText(/Qualifying|Island race/);
      await page.clock.fastForward('01:00:00');
      await expect(page.getByRole('alert', { name: 'Due' })).toContainText('11:00 Qualifying');
      await expect(page).toHaveTitle(/^● /);
      await page.getByRole('button', { name: 'Seen' }).tap();
      await expect(page.getByRole('alert', { name: 'Due' })).not.toContainText('Qualifying');

      // The evening: it is due. Nobody does it.
      await page.clock.fastForward('05:00:00');
      const back = page.getByText('Racing buggy: put back what was for the event.');
      await expect(back).toBeVisible();

      // The next morning every place still asks for it.
      await page.clock.setSystemTime(`${dateIn(0)}T08:00:00.000Z`);
      await page.goto('/');
      const home = page.getByRole('region', { name: 'To do at home' });
      await expect(home).toContainText('Racing buggy:');
      await page.goto(`/rigs/${rigId}/tune`);
      await expect(page.getByRole('link', { name: /^Load, due: put back/ })).toBeVisible();
      await page.getByRole('link', { name: /^Load, due: put back/ }).tap();
      await page.getByRole('button', { name: 'Draft it' }).tap();
      await expect(page.getByRole('heading', { name: /^Load \d+ changes? into/ })).toBeVisible();
      await page.goto('/days/race-day');
      await page.getByRole('button', { name: 'Put it back' }).tap();
      await page.waitForURL(`**/rigs/${rigId}/load`);

      // Put back, but only seen stored: it is asked for until it is verified.
      await readBack(page, rigId, {}, { basis: 'seenStored' });
      await page.goto('/days/race-day');
      await expect(page.getByText('and that was not verified yet').first()).toBeVisible();
      await readBack(page, rigId);
      await page.reload();
      await expect(back).toBeHidden();
      await page.goto('/');
      await expect(page.getByText('Racing buggy:', { exact: false })).toBeHidden();
    },
  );
});

/** What the ESC holds once the set-up of the island race is loaded. */
async function heldByIslandRace(): Promise<Record<string, string>> {
  const { setUp } = JSON.parse(await readFile('demo/island-race.set-up.json', 'utf8')) as {
    setUp: { values: { itemId: string; stopId: string }[] };
  };
  return Object.fromEntries(setUp.values.map(({ itemId, stopId }) => [itemId, stopId]));
}

test('a pack is put on the shelf, charged, warned about, and counted with', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Counting buggy', 'tune');
  await page.goto('/packs');
  if (!(await page.getByLabel('Label').isVisible()))
    await page.getByText('Put a pack on the shelf', { exact: true }).click();
  await page.getByLabel('Label').fill('Kelp 9');
  await page.getByLabel('Cells').fill('2');
  await page.getByLabel('Capacity').fill('4100');
  await page.getByLabel('Charge current').fill('none');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByText('Charge current: “none” is not a number.').first()).toBeVisible();
  await expect(page.getByLabel('Capacity')).toHaveValue('4100');
  await page.getByLabel('Charge current').fill('8.2');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.getByRole('heading', { level: 1, name: 'Kelp 9' }).waitFor();

  // Twice its capacity, and nothing is printed that allows it.
  await expect(page.getByText('charge it at 4.1\u00a0A (1 C) or less')).toBeVisible();
  await page.getByLabel('Volts of each cell at rest').fill('3.84 3.76');
  await page.getByRole('button', { name: 'only checked' }).click();
  await expect(page.getByText('Its cells are 0.08\u00a0V apart.')).toBeVisible();
  await page.getByLabel('Resistance of each cell').fill('3 3.4 3');
  await page.getByRole('button', { name: 'only checked' }).click();
  await expect(page.getByText('there are 3 numbers, and the pack has 2 cells')).toBeVisible();
  await page.getByLabel('Resistance of each cell').fill('3 3.4');
  await page.getByRole('button', { name: 'put on the charger' }).click();
  await expect(page.getByText(/^on the charger, for/)).toBeVisible();
  await expect(page.getByText('Never leave a pack alone while it charges.').first()).toBeVisible();

  await page.getByRole('combobox', { name: 'Rig' }).selectOption({ label: 'Counting buggy' });
  await page.getByRole('button', { name: 'Count with this pack' }).click();
  await expect(page.getByText('Counting buggy counts with Kelp 9 now.')).toBeVisible();
  await page.getByRole('button', { name: 'found puffed' }).click();
  await expect(page.getByText('It is puffed.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'put on the charger', exact: true })).toBeHidden();
  await page.goto('/packs');
  await expect(page.getByRole('button', { name: 'On the charger Kelp 9' })).toBeHidden();
});

test('a race day is entered by keys, and goes into a calendar', async ({ page }) => {
  await openDemoRig(page, 'kelp-beach-buggy', 'Entered buggy', 'tune');
  await page.goto('/days');
  if (!(await page.getByLabel('Name').isVisible()))
    await page.getByText('Plan a day', { exact: true }).click();
  await page.getByLabel('A race day: heats at their times').check();
  await page.getByLabel('Name').fill('Night race');
  await page.getByLabel('Time zone of the place').fill('Nowhere');
  await page.getByRole('button', { name: 'Plan this day' }).click();
  await expect(page.getByText('must be a time zone like Europe/Dublin').first()).toBeVisible();
  await page.getByLabel('Time zone of the place').fill('Europe/Dublin');
  await page.getByRole('button', { name: 'Plan this day' }).click();
  await page.getByRole('heading', { level: 1, name: 'Night race' }).waitFor();
  const heats = page.getByRole('region', { name: 'Heats' });
  const date = dateIn(2);
  const enter = async (name: string, at: string): Promise<void> => {
    await heats.getByLabel('Name', { exact: true }).fill(name);
    await heats.getByLabel('Starts at').fill(at);
    await heats.getByLabel('Rig').selectOption({ label: 'Entered buggy' });
    await heats.getByRole('button', { name: 'Keep this heat' }).click();
    await expect(heats.getByRole('listitem').filter({ hasText: name })).toBeVisible();
  };
  await enter('Late heat', `${date}T23:50`);
  await heats.getByRole('button', { name: 'Add a heat' }).press('Enter');
  await enter('Night heat', `${dateIn(3)}T00:20`);
  await expect(heats.getByRole('listitem').first()).toContainText('Late heat');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save for a calendar' }).click();
  const path = await (await download).path();
  const text = await readFile(path, 'utf8');
  expect(text.split('\r\n').filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(2);
  expect(text).toContain('SUMMARY:Night heat: Entered buggy');
});
