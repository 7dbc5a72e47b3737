import type { Draft } from '#core/sheet/draft';
import { database } from '../database';
import { DraftModel } from '../models';
import { lockRig } from './locks';

export type DraftSaved =
  | { saved: true; revision: number }
  /** Somebody else saved in between: what they left, so that the user can choose. */
  | { saved: false; revision: number; draft: Draft };

/**
 * Saves a draft over the revision it was based on, and never over another.
 * @param baseRevision the revision that the page had when the user moved something
 */
export async function saveDraft(rigId: string, baseRevision: number, draft: Draft): Promise<DraftSaved> {
  return database().transaction(async (transaction): Promise<DraftSaved> => {
    await lockRig(rigId, transaction);
    const current = await DraftModel.findByPk(rigId, { rejectOnEmpty: true, transaction });
    if (current.revision !== baseRevision)
      return { saved: false, revision: current.revision, draft: current.document };
    const revision = baseRevision + 1;
    await current.update({ document: draft, revision, updatedAt: new Date() }, { transaction });
    return { saved: true, revision };
  });
}
