import type { Draft } from '#core/sheet/draft';
import { savingHealth } from '../../ui/serverHealth';

/** What became of a draft that was sent. */
export type DraftAnswer =
  | { kind: 'saved'; revision: number }
  /** Another page saved first; what it left. */
  | { kind: 'conflict'; revision: number; draft: Draft }
  /** Nobody answers, or not well: it may be sent again. Or there is no room for it. */
  | { kind: 'away' }
  | { kind: 'full' }
  /** Only the owner keeps a draft. */
  | { kind: 'notYours' }
  /** It is never taken: the rig is gone, say, or has another ESC. */
  | { kind: 'refused' };

/** Sends a draft over the revision that it is based on. */
export async function postDraft(rigId: string, baseRevision: number, draft: Draft): Promise<DraftAnswer> {
  let response: Response;
  try {
    response = await fetch(`/rigs/${rigId}/draft`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ baseRevision, ...draft }),
      keepalive: true,
    });
  } catch {
    return { kind: 'away' };
  }
  if (response.status >= 500) return { kind: (await savingHealth()) === 'full' ? 'full' : 'away' };
  if (response.status === 403) return { kind: 'notYours' };
  if (!response.ok) return { kind: 'refused' };
  const answer = (await response.json()) as
    { saved: true; revision: number } | { saved: false; revision: number; draft: Draft };
  return answer.saved
    ? { kind: 'saved', revision: answer.revision }
    : { kind: 'conflict', revision: answer.revision, draft: answer.draft };
}
