/** A copy of everything each day, the last seven of them: by itself, behind the first answers, and never on a short disk. */
import { createWriteStream } from 'node:fs';
import { readdir, rename, rm, stat, statfs } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { saveGarage } from './saveGarage';

const KEPT = 7;
/** Room that is left to everything else. */
const LEFT_FREE_BYTES = 200_000_000;
const NAME = /^live-tune-(\d{4}-\d{2}-\d{2})\.zip$/;

export interface Copies {
  folder: string;
  /** The newest first. */
  kept: { day: string; bytes: number }[];
  /** Why there is none of today; empty where all is well. */
  skipped: string;
}

/** Why the last try did nothing; empty where it did. */
let lastSkipped = '';

/** The daily copies that there are. */
export async function copiesIn(folder: string): Promise<Copies> {
  const names = (await readdir(folder))
    .filter((name) => NAME.test(name))
    .toSorted()
    .toReversed();
  const kept = await Promise.all(
    names.map(async (name) => ({
      day: NAME.exec(name)![1]!,
      bytes: (await stat(join(folder, name))).size,
    })),
  );
  return { folder, kept, skipped: lastSkipped };
}

export type CopyOutcome = 'kept' | 'there already' | 'no room';

/**
 * Keeps the copy of a day, and lets go of those beyond seven. A copy that was broken off is no copy.
 * @param today YYYY-MM-DD
 * @param freeBytes room on the disk of a folder
 */
export async function keepDailyCopy(
  garageId: string,
  folder: string,
  today: string,
  freeBytes: (folder: string) => Promise<number> = freeIn,
): Promise<CopyOutcome> {
  const { kept } = await copiesIn(folder);
  if (kept.some(({ day }) => day === today)) return 'there already';
  const needed = 2 * (kept[0]?.bytes ?? 0) + LEFT_FREE_BYTES;
  if ((await freeBytes(folder)) < needed) {
    lastSkipped = `The disk is too full for a copy: ${Math.ceil(needed / 1e6)} MB must be free.`;
    return 'no room';
  }
  const making = join(folder, 'making.part');
  try {
    const { bytes, done } = saveGarage(garageId);
    await Promise.all([pipeline(bytes, createWriteStream(making)), done]);
    await rename(making, join(folder, `live-tune-${today}.zip`));
  } catch (error) {
    await rm(making, { force: true });
    lastSkipped = 'The last copy failed. Check the disk.';
    throw error;
  }
  lastSkipped = '';
  const days = (await copiesIn(folder)).kept.map(({ day }) => day);
  for (const day of days.slice(KEPT)) await rm(join(folder, `live-tune-${day}.zip`), { force: true });
  return 'kept';
}

async function freeIn(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}

const FIRST_AFTER_MS = 60_000;
const LOOK_EVERY_MS = 3_600_000;

/**
 * Looks every hour whether there is a copy of the day, the first time a minute behind the start.
 * @param keep makes the copy of this day
 */
export function startDailyCopies(keep: () => Promise<unknown>, onFault: (error: unknown) => void): void {
  const look = (): void => void keep().catch(onFault);
  setTimeout(() => {
    look();
    setInterval(look, LOOK_EVERY_MS).unref();
  }, FIRST_AFTER_MS).unref();
}
