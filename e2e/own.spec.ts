import { groupsSounding, PITCHES, RATE } from '#core/ear/recording.fixture';
import type { Page } from '@playwright/test';
import { beginOwn } from './beginOwn';
import { CHROMIUM, CHROMIUM_FLAGS } from './setting';
import { FRESH, expect, test } from './test';

/** A group is over when nothing follows. */
const PAUSE_MS = 1000;

test.use({
  permissions: ['microphone'],
  launchOptions: {
    executablePath: CHROMIUM,
    args: [...CHROMIUM_FLAGS, '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'],
  },
});

test('beside one’s own ESC, the space bar and the ear work a tone menu', FRESH, async ({ page }) => {
  await page.addInitScript(sayInPlaceOfMicrophone, RATE);
  await beginOwn(page, 'headland-trainer', 'Cutoff action', 'Propeller off');

  const instruction = page.getByTestId('instruction');
  await expect(instruction).toContainText('Stick all the way up');
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(instruction).toContainText('Stick all the way down');

  const ear = page.getByTestId('ear');
  await ear.getByRole('button', { name: 'Listen to it' }).click();
  await expect(ear).toContainText('Listening.');
  // What the ESC says until item 2 is stored: items go by, a stop is taken, a tune.
  await say(page, 'lh');
  await expect(ear).toContainText('Heard: item 1');
  await say(page, 'lhh');
  await expect(ear).toContainText('Now. Heard: item 2');
  await say(page, 'hl');
  await expect(ear).toContainText('Heard: stop');
  // The stop that was heard ticked the step: stick up is next, and the tune ticks that.
  await expect(instruction).toContainText('Stick all the way up');
  await say(page, 'lhlH');
  await expect(ear).toContainText('Heard: stored');
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

type Say = (base64: string) => void;

/**
 * Runs in the page: what the test says comes in place of what the microphone hears, in the very graph that listens. Between two
 * graphs, as between a device and one, samples are lost on a busy machine. @param rate samples a second
 */
function sayInPlaceOfMicrophone(rate: number): void {
  AudioContext.prototype.createMediaStreamSource = function createMediaStreamSource(this: AudioContext) {
    const line = this.createGain();
    const say: Say = (base64) => {
      const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
      const sound = new Float32Array(bytes.buffer);
      const source = this.createBufferSource();
      source.buffer = this.createBuffer(1, sound.length, rate);
      source.buffer.copyToChannel(sound, 0);
      source.connect(line);
      source.start();
    };
    Object.assign(window, { say });
    return line as AudioNode as MediaStreamAudioSourceNode;
  };
}

/** Says a group of notes, as the ESC would. */
async function say(page: Page, notes: string): Promise<void> {
  const sound = groupsSounding([notes], PITCHES, PAUSE_MS);
  const base64 = Buffer.from(sound.buffer).toString('base64');
  await page.evaluate((said) => (window as unknown as { say: Say }).say(said), base64);
}
