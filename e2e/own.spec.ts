import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { groupsSounding, PITCHES, RATE, randomFrom, withNoise } from '#core/ear/recording.fixture';
import { beginOwn } from './beginOwn';
import { CHROMIUM, CHROMIUM_FLAGS } from './setting';
import { FRESH, expect, test } from './test';

/**
 * What an ESC says in its tone menu until item 2 is stored: items go by, a stop is taken, a tune. The first item comes twice: a busy
 * machine begins to listen late, and what it missed does not come again before the next is heard.
 */
const SAID = ['lh', 'lh', 'lhh', 'hl', 'lhlH'];
const PAUSE_MS = 1500;
/** Before the first group the page has to be listening, however busy the machine is. */
const QUIET_FIRST_MS = 4000;

test.use({
  permissions: ['microphone'],
  launchOptions: {
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_FLAGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${recordingOf(SAID)}`,
    ],
  },
});

test('beside one’s own ESC, the space bar and the ear work a tone menu', FRESH, async ({ page }) => {
  await beginOwn(page, 'headland-trainer', 'Cutoff action', 'Propeller off');

  const instruction = page.getByTestId('instruction');
  await expect(instruction).toContainText('Stick all the way up');
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(instruction).toContainText('Stick all the way down');

  const ear = page.getByTestId('ear');
  await ear.getByRole('button', { name: 'Listen to it' }).click();
  // On a machine too busy to hear it all, the recording comes round again.
  const inSomeRound = { timeout: 60_000 };
  await expect(ear).toContainText('Heard: item 1', inSomeRound);
  await expect(ear).toContainText('Now. Heard: item 2', inSomeRound);
  await expect(ear).toContainText('Heard: stop', inSomeRound);
  // The stop that was heard ticked the step: stick up is next, and the tune ticks that.
  await expect(instruction).toContainText('Stick all the way up');
  await expect(ear).toContainText('Heard: stored', inSomeRound);
  await ear.getByRole('button', { name: 'Stop listening' }).click();
  // It was never calibrated, but a stick right down is below whatever it has learned as rest: it arms.
  await expect(instruction).toContainText('Switch the ESC off');
  for (let n = 0; n < 6 && !(await instruction.innerText()).startsWith('Every value'); n += 1)
    await page.keyboard.press('Space');
  await expect(instruction).toContainText('Every value is stored, as you heard.');
  await page.getByRole('button', { name: 'Done: go to Sheets' }).click();
  await expect(page.getByRole('row', { name: /When low/ })).toContainText('seen stored');
});

test(
  'what one’s own ESC does instead is asked for, and the plan goes on from there',
  FRESH,
  async ({ page }) => {
    await beginOwn(page, 'kelp-beach-buggy', 'Brake strength', 'Wheels clear of the bench');

    const instruction = page.getByTestId('instruction');
    const goOnUntil = async (words: RegExp): Promise<void> => {
      for (let n = 0; n < 20 && !words.test(await instruction.innerText()); n += 1)
        await page.keyboard.press('Space');
      await expect(instruction).toHaveText(words);
    };

    await test.step('it was lost which item is open: from the beginning', async () => {
      await goOnUntil(/^Press/);
      await page.getByRole('button', { name: 'It did something else' }).click();
      await page.getByRole('button', { name: 'No, nothing' }).click();
      await expect(page.getByText('Start this value again')).toBeVisible();
      await expect(instruction).toContainText('on');
    });

    await test.step('another item was set: it is unknown, and put right', async () => {
      await goOnUntil(/^Press/);
      await page.getByRole('button', { name: 'It did something else' }).click();
      await page.getByLabel('Yes, for').selectOption({ index: 0 });
      await page.getByRole('button', { name: 'Yes, but I do not know what' }).click();
      await expect(page.getByText('is unknown now. The plan corrects it.')).toBeVisible();
      await expect(page.getByTestId('progress')).toContainText('unknown →');
    });

    await test.step('it shows another stop than was believed', async () => {
      await goOnUntil(/^(Press|Hold)/);
      for (let n = 0; n < 10; n += 1) {
        await page.getByRole('button', { name: 'It did something else' }).click();
        if (await page.getByText('It shows another stop of').isVisible()) break;
        await page.getByRole('button', { name: 'Back: it did what it should' }).click();
        await page.keyboard.press('Space');
      }
      await page.getByRole('button', { name: 'It shows stop 2' }).click();
      await goOnUntil(/^How many|^Count/);
    });
  },
);

/** A recording for the browser's pretended microphone: groups in some noise. */
function recordingOf(groups: readonly string[]): string {
  const said = groupsSounding(groups, PITCHES, PAUSE_MS);
  const quiet = (QUIET_FIRST_MS * RATE) / 1000;
  const whole = new Float32Array(quiet + said.length);
  whole.set(said, quiet);
  const sound = withNoise(whole, 15, randomFrom(5));
  const bytes = Buffer.alloc(44 + 2 * sound.length);
  bytes.write('RIFF', 0);
  bytes.writeUInt32LE(36 + 2 * sound.length, 4);
  bytes.write('WAVEfmt ', 8);
  bytes.writeUInt32LE(16, 16);
  bytes.writeUInt16LE(1, 20);
  bytes.writeUInt16LE(1, 22);
  bytes.writeUInt32LE(RATE, 24);
  bytes.writeUInt32LE(2 * RATE, 28);
  bytes.writeUInt16LE(2, 32);
  bytes.writeUInt16LE(16, 34);
  bytes.write('data', 36);
  bytes.writeUInt32LE(2 * sound.length, 40);
  sound.forEach((sample, n) =>
    bytes.writeInt16LE(Math.round(32767 * Math.max(-1, Math.min(1, sample))), 44 + 2 * n),
  );
  const path = join(mkdtempSync(join(tmpdir(), 'live-tune-ear-')), 'esc.wav');
  writeFileSync(path, bytes);
  return path;
}
