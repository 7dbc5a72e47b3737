import { migrateDraft, migrateStops } from '#core/sheet/revisionMap';
import { downgrade } from '#core/sheet/downgrade';
import { literal } from 'sequelize';
import { database } from '../database';
import { DraftModel, RigModel, SimulatedEscModel } from '../models';
import type { StoredProfile } from './escProfiles';
import { addObservations, type Bench } from './rigs';

/** Whether only the description was wrong, or the ESC itself has become another. */
export type RevisionCause = 'correction' | 'firmwareUpdate';

/**
 * Moves a rig to another revision of its ESC profile: the draft by the map of the two, evidence by what is
 * the same; new firmware makes every value unknown. Sheets stay as they are.
 */
export async function moveToRevision(bench: Bench, next: StoredProfile, cause: RevisionCause): Promise<void> {
  const { rigId, profile, draft, memory } = bench;
  await database().transaction(async (transaction) => {
    const where = { rigId };
    await RigModel.update(
      { escProfileId: next.id, updatedAt: new Date() },
      { where: { id: rigId }, transaction },
    );
    await DraftModel.update(
      {
        document: migrateDraft(profile, next.profile, draft).draft,
        revision: literal('revision + 1'),
        updatedAt: new Date(),
      },
      { where, transaction },
    );
    await SimulatedEscModel.update(
      {
        memory: { ...memory, stops: migrateStops(next.profile, memory.stops) },
        writes: literal('writes + 1'),
      },
      { where, transaction },
    );
    if (cause === 'firmwareUpdate') {
      const lost = downgrade(next.profile, { kind: 'firmwareUpdate' }, new Date().toISOString());
      await addObservations(rigId, lost, transaction);
    }
  });
}
