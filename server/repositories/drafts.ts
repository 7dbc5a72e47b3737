import type { Draft } from '#core/sheet/draft';
import { DraftModel } from '../models';

export type DraftSaved =
  | { saved: true; revision: number }
  /** Somebody else saved in between: what they left, so that the user can choose. */
  | { saved: false; revision: number; draft: Draft };

/**
 * Saves a draft over the revision it was based on, and never over another.
 * @param baseRevision the revision that the page had when the user moved something
 */
export async function saveDraft(rigId: string, baseRevision: number, draft: Draft): Promise<DraftSaved> {
  const [count] = await DraftModel.update(
    { document: draft, revision: baseRevision + 1, updatedAt: new Date() },
    { where: { rigId, revision: baseRevision } },
  );
  if (count === 1) return { saved: true, revision: baseRevision + 1 };
  const current = await DraftModel.findByPk(rigId, { rejectOnEmpty: true });
  return { saved: false, revision: current.revision, draft: current.document };
}
