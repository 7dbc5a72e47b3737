import { expect, type Page } from '@playwright/test';

/** A hand that does what the guide says and nothing else: it reads the large line and works the simulated ESC. */
export interface Hand {
  /** Follows the guide until its line matches. */
  follow: (until: RegExp) => Promise<void>;
  /** Does what one line of a guide says. */
  act: (text: string) => Promise<void>;
  /** The line that the guide shows now. */
  line: () => Promise<string>;
  /** Presses the set key. */
  press: (times: number) => Promise<void>;
  hold: (ms: number) => Promise<void>;
  power: () => Promise<void>;
}

const COUNTS = [
  'zero',
  'once',
  'twice',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
/** What is printed on the keys of the demo's card and of the box, with the key of the keyboard that works it. */
const KEYS = {
  line: 'i',
  choice: 'v',
  keep: 'o',
  change: 'v',
  write: 'o',
  down: 'i',
  up: 'y',
  more: 'v',
  less: 'x',
  below: 'i',
  above: 'y',
  plus: 'v',
  minus: 'x',
  store: 'o',
} as const;
const KEYS_PRINTED = new RegExp(`^Press (${Object.keys(KEYS).join('|')}) `);
const MOST_STEPS = 200;

/**
 * @param page on which the clock was installed, so that holds take no real time
 * @param by with what the simulated ESC is worked: only by keys, only by touch, or by keys and the throttle's buttons
 */
export function handOf(page: Page, by: 'both' | 'keyboard' | 'touch' = 'both'): Hand {
  const key = page.locator('[data-esc-key]');
  const touched = by === 'touch';
  const press = async (times: number): Promise<void> => {
    for (let n = 0; n < times; n += 1) await (touched ? key.tap() : page.keyboard.press(' '));
  };
  const keyDown = (): Promise<void> =>
    touched ? page.getByLabel(/^keep .* held down$/).tap() : page.keyboard.down(' ');
  const keyUp = (): Promise<void> =>
    touched ? page.getByLabel(/^keep .* held down$/).tap() : page.keyboard.up(' ');
  const hold = async (ms: number): Promise<void> => {
    await keyDown();
    await page.clock.runFor(ms);
    await keyUp();
  };
  const flip = (): Promise<void> =>
    touched ? page.getByRole('button', { name: /^Switch o/ }).tap() : page.keyboard.press('p');
  const power = async (): Promise<void> => {
    await flip();
    await page.clock.runFor(2500);
  };
  /** Moves the throttle, and keeps it there where the guide says so. */
  const throttle = async (name: string, letter: string): Promise<void> => {
    const still = await page.getByText(/Hold it still for about/).count();
    if (by === 'keyboard') await page.keyboard.press(letter);
    else if (touched) await page.getByRole('button', { name, exact: true }).tap();
    else await button(name);
    if (still > 0) await page.clock.runFor(1300);
  };
  const line = async (): Promise<string> =>
    (await page.getByTestId('instruction').innerText()).replace(/\s+/g, ' ').trim();

  /** Waits for the notes, as the guide asks, and then moves. */
  const whenItIsTime = async (name: string): Promise<void> => {
    const countdown = page.getByTestId('countdown');
    for (let n = 0; n < MOST_STEPS && (await countdown.count()) > 0; n += 1) {
      if (/^Now/.test(await countdown.innerText())) break;
      await page.clock.runFor(400);
    }
    await throttle(name, name === 'full up' ? 'u' : 'd');
  };
  const button = (name: string): Promise<void> => page.getByRole('button', { name, exact: true }).click();

  const act = async (text: string): Promise<void> => {
    if (/^Hold set and switch the ESC on/.test(text)) {
      await keyDown();
      await flip();
      await page.clock.runFor(3300);
      await keyUp();
    } else if (/^Hold (set|mode|teach) until/.test(text)) await hold(2800);
    else if (/^Press set/.test(text)) await press(countIn(text));
    else if (KEYS_PRINTED.test(text)) await pressCard(text);
    else if (/^Hold (plus|minus) until the box shows/.test(text)) await runNumber(text);
    else if (/^Push the card|^Pull the card|^Plug the box|^Unplug the box/.test(text))
      await page.keyboard.press('c');
    else if (/^Switch the ESC/.test(text)) await power();
    else if (/^Pull the trigger/.test(text)) await throttle('full forward', 'u');
    else if (/^Push the trigger/.test(text)) await throttle('full brake', 'b');
    else if (/^Release the trigger/.test(text)) await throttle('let go', 'd');
    else if (/^Stick all the way up/.test(text)) await whenItIsTime('full up');
    else if (/^Stick all the way down/.test(text)) await whenItIsTime('right down');
    else if (/^Wait/.test(text)) await page.clock.runFor(1000);
    else if (/^How many white flashes/.test(text)) await button(await flashesShown(page));
    else if (/^Which lamp/.test(text)) await button(await lampShown(page));
    else throw new Error(`the hand does not understand: ${text}`);
  };
  const pressCard = async (text: string): Promise<void> => {
    const key = KEYS[/^Press (\w+)/.exec(text)![1] as keyof typeof KEYS];
    for (let n = countIn(text); n > 0; n -= 1) await page.keyboard.press(key);
  };

  /** Holds the key until the box shows the number, as an eye on the box would. */
  const runNumber = async (text: string): Promise<void> => {
    const [, name, wanted] = /^Hold (\w+) until the box shows “(.*)”/.exec(text)!;
    const key = KEYS[name as keyof typeof KEYS];
    await page.keyboard.down(key);
    await page.clock.runFor(1400);
    const shown = page.getByLabel('What it shows');
    for (let n = 0; n < MOST_STEPS && !(await shown.innerText()).includes(wanted!); n += 1)
      await page.clock.runFor(120);
    await page.keyboard.up(key);
  };

  const follow = async (until: RegExp): Promise<void> => {
    for (let n = 0; n < MOST_STEPS; n += 1) {
      const text = await line();
      if (until.test(text)) return;
      await act(text);
      await expect.poll(line).not.toBe(text);
    }
    throw new Error(`the guide never came to ${String(until)}`);
  };
  return { follow, act, line, press, hold, power };
}

function countIn(text: string): number {
  const [, word] = /^Press \w+ (\S+?)[. ]/.exec(`${text} `) ?? [];
  const count = COUNTS.indexOf(word ?? '');
  return count >= 0 ? count : Number(word);
}

async function flashesShown(page: Page): Promise<string> {
  const lamp = await page.getByRole('status', { name: 'Lamp and sound of the simulated ESC' }).innerText();
  const [, count] = /white, (one|\d+) flash/.exec(lamp) ?? [];
  return count === 'one' ? '1' : (count ?? 'none');
}

async function lampShown(page: Page): Promise<string> {
  const lamps = await page.getByRole('status', { name: 'Lamps of the card' }).innerText();
  return /top row (\d+)/.exec(lamps)?.[1] ?? 'none';
}
