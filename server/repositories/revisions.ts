import type { StopByItem } from '#core/esc/profile';
import { migrateDraft, migrateStops } from '#core/sheet/revisionMap';
import { downgrade } from '#core/sheet/downgrade';
import { database } from '../database';
import { DraftModel, SimulatedEscModel } from '../models';
import { OpenLoadModel } from '../openLoadModel';
import type { StoredProfile } from './escProfiles';
import { lockRig } from './locks';
import { addObservations } from './observations';
import { TOUCHED, type Bench } from './rigs';
import { keepMemory } from './simulatedEscs';

/** Whether only the description was wrong, or the ESC itself has become another. */
export type RevisionCause = 'correction' | 'firmwareUpdate';

/**
 * Moves a rig to another revision of its ESC profile: the draft by the map of the two, evidence by what is
 * the same; new firmware makes every value unknown. Sheets stay as they are.
 * @param stopsAfter what else happens to the memory of the simulated ESC
 */
export async function moveToRevision(
  { rigId, profile }: Pick<Bench, 'rigId' | 'profile'>,
  next: StoredProfile,
  cause: RevisionCause,
  stopsAfter: (before: StopByItem) => StopByItem = (before) => before,
): Promise<void> {
  await database().transaction(async (transaction) => {
    const row = await lockRig(rigId, transaction);
    await row.update({ escProfileId: next.id, touched: TOUCHED, updatedAt: new Date() }, { transaction });
    // What was under way was worked by the menu of before.
    await OpenLoadModel.destroy({ where: { rigId }, transaction });
    const draft = await DraftModel.findByPk(rigId, { rejectOnEmpty: true, transaction });
    await draft.update(
      {
        document: migrateDraft(profile, next.profile, draft.document).draft,
        revision: draft.revision + 1,
        updatedAt: new Date(),
      },
      { transaction },
    );
    const escs = await SimulatedEscModel.findAll({ where: { rigId }, transaction });
    for (const { escNumber, memory } of escs) {
      const stops = migrateStops(next.profile, stopsAfter(memory.stops));
      await keepMemory({ rigId, escNumber }, { ...memory, stops }, transaction);
      if (cause === 'correction') continue;
      const lost = downgrade(next.profile, { kind: 'firmwareUpdate' }, new Date().toISOString());
      await addObservations({ rigId, escNumber }, lost, transaction);
    }
  });
}
