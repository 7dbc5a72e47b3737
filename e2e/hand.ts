import { expect, type Page } from '@playwright/test';

/** A hand that does what the guide says and nothing else: it reads the large line and works the simulated ESC. */
export interface Hand {
  /** Follows the guide until its line matches. */
  follow: (until: RegExp) => Promise<void>;
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
const MOST_STEPS = 200;

/** @param page on which the clock was installed, so that holds take no real time */
export function handOf(page: Page): Hand {
  const press = async (times: number): Promise<void> => {
    for (let n = 0; n < times; n += 1) await page.keyboard.press(' ');
  };
  const hold = async (ms: number): Promise<void> => {
    await page.keyboard.down(' ');
    await page.clock.runFor(ms);
    await page.keyboard.up(' ');
  };
  const power = async (): Promise<void> => {
    await page.keyboard.press('p');
    await page.clock.runFor(2500);
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
    await button(name);
  };
  const button = (name: string): Promise<void> => page.getByRole('button', { name, exact: true }).click();

  const act = async (text: string): Promise<void> => {
    if (/^Hold set and switch the ESC on/.test(text)) {
      await page.keyboard.down(' ');
      await page.keyboard.press('p');
      await page.clock.runFor(3200);
      await page.keyboard.up(' ');
    } else if (/^Hold set until/.test(text)) await hold(2600);
    else if (/^Press set/.test(text)) await press(countIn(text));
    else if (/^Press (line|choice|keep)/.test(text)) await pressCard(text);
    else if (/^Push the card|^Pull the card/.test(text)) await page.keyboard.press('c');
    else if (/^Switch the ESC/.test(text)) await power();
    else if (/^Pull the trigger/.test(text)) await button('full forward');
    else if (/^Push the trigger/.test(text)) await button('full brake');
    else if (/^Let the trigger go/.test(text)) await button('let go');
    else if (/^Stick all the way up/.test(text)) await whenItIsTime('full up');
    else if (/^Stick all the way down/.test(text)) await whenItIsTime('right down');
    else if (/^Wait/.test(text)) await page.clock.runFor(1000);
    else if (/^How many white flashes/.test(text)) await button(await flashesShown(page));
    else if (/^Which lamp/.test(text)) await button(await lampShown(page));
    else throw new Error(`the hand does not understand: ${text}`);
  };
  const pressCard = async (text: string): Promise<void> => {
    const key = { line: 'i', choice: 'v', keep: 'o' }[
      /^Press (\w+)/.exec(text)![1] as 'line' | 'choice' | 'keep'
    ];
    for (let n = countIn(text); n > 0; n -= 1) await page.keyboard.press(key);
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
  return { follow, press, hold, power };
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
