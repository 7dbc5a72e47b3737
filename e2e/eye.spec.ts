import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomFrom } from '#core/ear/recording.fixture';
import { bench, CALM, film, groupsFlashing } from '#core/eye/film.fixture';
import { SIDE } from '#core/eye/picture';
import { beginOwn } from './beginOwn';
import { CHROMIUM, CHROMIUM_FLAGS } from './setting';
import { expect, FRESH, test } from './test';

/** The brake of the buggy is item 6: its lamp flashes six times, again and again. */
const FLASHED = 6;

test.use({
  permissions: ['camera'],
  launchOptions: {
    executablePath: CHROMIUM,
    args: [
      ...CHROMIUM_FLAGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${filmOf(FLASHED)}`,
    ],
  },
});

test(
  'the camera counts the flashes of a step, and takes the same ones for no second answer',
  FRESH,
  async ({ page }) => {
    await beginOwn(page, 'kelp-beach-buggy', 'Brake strength', 'Wheels clear of the bench');
    const instruction = page.getByTestId('instruction');
    for (let n = 0; n < 20 && !/^Press/.test(await instruction.innerText()); n += 1)
      await page.keyboard.press('Space');
    const asked = await instruction.innerText();
    const eye = page.getByTestId('eye');
    await eye.getByRole('button', { name: 'Watch its lamp' }).click();
    const inSomeRound = { timeout: 60_000 };
    await expect(eye).toContainText('Steady. It counts.', inSomeRound);
    await expect(eye).toContainText('Seen: 6 flashes, amber. That is item 6', inSomeRound);
    await expect(instruction).not.toHaveText(asked);
    const next = await instruction.innerText();
    await expect(eye).toContainText(/not what this step waits for|as before/, inSomeRound);
    await expect(instruction).toHaveText(next);
    await eye.getByRole('button', { name: 'Stop watching' }).click();
    await expect(eye.getByRole('button', { name: 'Watch its lamp' })).toBeVisible();
  },
);

/** A film for the browser's pretended camera, which shows it again and again. */
function filmOf(count: number): string {
  const [width, height, cell] = [160, 120, 1.5];
  const random = randomFrom(8);
  const lamp = {
    // Slow, so that a busy machine has some pictures of each.
    ...groupsFlashing([count], { onMs: 340, offMs: 360, pauseMs: 900 }),
    colour: 'amber',
    x: 24,
    y: 24,
  } as const;
  const frames = [...film(bench(random), lamp, CALM, random)].map(({ rgb }) => {
    const planes = Buffer.alloc(width * height * 1.5, 128);
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1) {
        const cellAt = (place: number, length: number): number =>
          Math.max(0, Math.min(SIDE - 1, Math.floor((place - length / 2) / cell + SIDE / 2)));
        const at = 3 * (cellAt(y, height) * SIDE + cellAt(x, width));
        const [red, green, blue] = [rgb[at]!, rgb[at + 1]!, rgb[at + 2]!];
        // ITU-R BT.601, studio range.
        planes[y * width + x] = 16 + 0.257 * red + 0.504 * green + 0.098 * blue;
        if (y % 2 === 1 || x % 2 === 1) continue;
        const half = (y / 2) * (width / 2) + x / 2;
        planes[width * height + half] = 128 - 0.148 * red - 0.291 * green + 0.439 * blue;
        planes[width * height * 1.25 + half] = 128 + 0.439 * red - 0.368 * green - 0.071 * blue;
      }
    return Buffer.concat([Buffer.from('FRAME\n'), planes]);
  });
  const path = join(mkdtempSync(join(tmpdir(), 'live-tune-eye-')), 'esc.y4m');
  writeFileSync(
    path,
    Buffer.concat([Buffer.from(`YUV4MPEG2 W${width} H${height} F30:1 Ip A1:1 C420\n`), ...frames]),
  );
  return path;
}
