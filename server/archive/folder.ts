/** Where archives lie on disk: daily copies, and those that are being taken in. */
import { mkdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { allGarages } from '../repositories/garages';

/** The folder of daily copies; made where it is missing. Without a data folder, as in a test, one that the system clears. */
export function copiesFolder(): string {
  const folder = process.env.LIVE_TUNE_COPIES ?? join(tmpdir(), 'live-tune-copies');
  mkdirSync(folder, { recursive: true });
  return folder;
}

/** The folder of the daily copies of one garage: the first has the whole, as it always had. */
export async function copiesFolderOf(garageId: string): Promise<string> {
  const [first] = await allGarages();
  if (garageId === first?.id) return copiesFolder();
  const folder = join(copiesFolder(), garageId);
  mkdirSync(folder, { recursive: true });
  return folder;
}

/** The folder for what is being taken in. */
export function arrivalsFolder(): string {
  const folder = join(copiesFolder(), 'arriving');
  mkdirSync(folder, { recursive: true });
  return folder;
}
