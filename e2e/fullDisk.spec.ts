import { expect, test, type Page } from '@playwright/test';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { closeSync, mkdirSync, mkdtempSync, openSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';

// A Live Tune of its own, on a disk of its own that is filled to the last byte. Only root can have one: the run says so.
const PORT = Number(process.env.LIVE_TUNE_TEST_PORT ?? 4390) + 9;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const SIZE_MB = 160;
let disk = '';
let live: ChildProcess | undefined;

test.describe.configure({ mode: 'serial' });

test.beforeAll(async () => {
  test.setTimeout(120_000);
  disk = mkdtempSync(join(tmpdir(), 'live-tune-disk-'));
  const { status } = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${SIZE_MB}m,mode=755`, 'tmpfs', disk]);
  test.skip(status !== 0, 'full disk: only root can have a small file system of its own');
  console.log(`full disk: on a small file system of ${SIZE_MB} MB`);
  mkdirSync(join(disk, 'data'));
  live = spawn('./start', ['--port', String(PORT)], {
    env: { ...process.env, LIVE_TUNE_DATA: join(disk, 'data') },
    stdio: 'ignore',
  });
  await expect.poll(isWell, { timeout: 90_000 }).toBe(true);
});
test.afterAll(async () => {
  if (live) {
    const gone = new Promise((resolve) => live!.once('exit', resolve));
    live.kill('SIGTERM');
    await gone;
  }
  spawnSync('umount', [disk]);
  rmSync(disk, { recursive: true, force: true });
});

const isWell = (): Promise<boolean> =>
  fetch(`${ADDRESS}/healthz`).then(
    ({ ok }) => ok,
    () => false,
  );
const hasRoom = async (): Promise<boolean> => (await fetch(`${ADDRESS}/healthz?room`)).ok;

function fill(): void {
  const file = openSync(join(disk, 'filling'), 'w');
  try {
    for (const size of [1_000_000, 4096, 1]) {
      try {
        for (;;) writeSync(file, Buffer.alloc(size));
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error;
      }
    }
  } finally {
    closeSync(file);
  }
}

const brake = (page: Page) => page.getByRole('slider', { name: 'Brake strength' });

test('on a full disk what is there is read on, what cannot be kept is said and waits, and is kept once there is room', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await page.goto(ADDRESS);
  await page.getByRole('link', { name: /^Kelp-beach buggy/ }).click();
  await page.waitForURL('**/tune');
  const rig = page.url().replace(/tune$/, 'rig');
  fill();
  expect(await hasRoom()).toBe(false);

  // A picture that no page of the database has room for, on a page with something typed.
  await page.goto(rig);
  const pixels = randomBytes(800 * 800 * 3);
  const picture = await sharp(pixels, { raw: { width: 800, height: 800, channels: 3 } })
    .png()
    .toBuffer();
  await page.getByLabel('Name', { exact: true }).fill('Typed meanwhile');
  await page
    .getByLabel(/^Optional picture/)
    .setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: picture });
  await page.getByRole('button', { name: 'Keep the picture' }).click();
  await expect(page.getByText('the disk of the bench computer is full')).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Typed meanwhile');

  // The logs cannot be written either: nothing ends of it, and whatever is there is shown.
  for (const path of ['/', '/profiles', new URL(rig).pathname.replace(/rig$/, 'sheets')])
    expect((await page.request.get(ADDRESS + path)).status(), path).toBe(200);

  rmSync(join(disk, 'filling'));
  await expect.poll(hasRoom, { timeout: 60_000 }).toBe(true);
  await page.getByRole('button', { name: 'Keep the picture' }).click();
  await expect(page.getByRole('img')).toBeVisible();
  await page.goto(rig.replace(/rig$/, 'tune'));
  await brake(page).press('Home');
  await expect(page.getByText('draft saved')).toBeAttached({ timeout: 30_000 });
});
