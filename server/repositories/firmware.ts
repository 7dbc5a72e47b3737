import { migrateStops } from '#core/sheet/revisionMap';
import { simulatedUpdate } from '#core/firmware/simulatedUpdate';
import { findProfileByKey, keepProfile } from './escProfiles';
import { moveToRevision } from './revisions';
import type { Bench } from './rigs';
import { simulatedMemoryOf } from './simulatedEscs';

/**
 * Gives the simulated ESC of a bench new firmware. Its profile gets a revision for the new menu, the draft moves to it, and
 * nobody knows what the ESC holds until somebody looks.
 */
export async function updateSimulated(garageId: string, bench: Bench): Promise<void> {
  const { rigId, profile } = bench;
  // The maker builds on the newest menu there is.
  const from = (await findProfileByKey(garageId, profile.id))?.profile ?? profile;
  const { memory } = await simulatedMemoryOf(rigId);
  const updated = simulatedUpdate(from, migrateStops(from, memory.stops), from.revision + 1);
  await keepProfile(garageId, updated.profile);
  const next = await findProfileByKey(garageId, profile.id);
  if (!next) throw new Error(`the profile '${profile.id}' is not in the garage it was kept in`);
  await moveToRevision({ ...bench, memory: { ...memory, stops: updated.stops } }, next, 'firmwareUpdate');
}
