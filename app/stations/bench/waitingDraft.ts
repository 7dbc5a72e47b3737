/** Drafts that the server has not yet confirmed, kept in this browser. */
import { EMPTY_DRAFT, type Draft } from '#core/sheet/draft';
import { waitingHere } from '../../ui/waitingHere';

interface WaitingDraft {
  draft: Draft;
  baseRevision: number;
}

const drafts = waitingHere<WaitingDraft>('live-tune-draft-');

/** Keeps a draft until the server has it. */
export const keepWaiting = (rigId: string, draft: Draft, baseRevision: number): void =>
  drafts.keep(rigId, { draft, baseRevision });

export const forgetWaiting = drafts.forget;

/** Takes over what this tab, or one that is gone, could not get saved. */
export function takeWaiting(rigId: string): WaitingDraft | undefined {
  const waiting = drafts.take(rigId);
  // One that an older Live Tune left here has no byHand.
  return waiting && { ...waiting, draft: { ...EMPTY_DRAFT, ...waiting.draft } };
}
