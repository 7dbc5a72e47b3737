import { migrateStops } from '#core/sheet/revisionMap';
import { stopsAfterUpdate, updatedMenu } from '#core/firmware/simulatedUpdate';
import { findProfileByKey, keepProfile } from './escProfiles';
import { moveToRevision } from './revisions';
import type { Bench } from './rigs';

/**
 * Gives the simulated ESC of a bench new firmware. Its profile gets a revision for the new menu, the draft moves to it, and
 * nobody knows what the ESC holds until somebody looks.
 */
export async function updateSimulated(garageId: string, bench: Bench): Promise<void> {
  const { id } = bench.profile;
  // The maker builds on the newest menu there is.
  const from = (await findProfileByKey(garageId, id))?.profile ?? bench.profile;
  await keepProfile(garageId, updatedMenu(from, from.revision + 1));
  const next = await findProfileByKey(garageId, id);
  if (!next) throw new Error(`the profile '${id}' is not in the garage it was kept in`);
  await moveToRevision(bench, next, 'firmwareUpdate', (stops) =>
    stopsAfterUpdate(from, migrateStops(from, stops)),
  );
}
