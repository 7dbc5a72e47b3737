/**
 * Drafts that the server has not yet confirmed, kept in this browser: they outlive a reload, a crash and a
 * server that is away. One entry a tab, so that two tabs do not write over each other.
 */
import { EMPTY_DRAFT, type Draft } from '#core/sheet/draft';

export interface WaitingDraft {
  draft: Draft;
  baseRevision: number;
  /** When it was last written or tried to be sent, ms since 1970. */
  at: number;
}

/** An entry that no tab has touched for this long belongs to a tab that is gone. */
const ORPHAN_AFTER_MS = 10_000;
const TAB = 'live-tune-tab';

const prefixOf = (rigId: string): string => `live-tune-draft-${rigId}-`;

function ownKey(rigId: string): string {
  const tab = sessionStorage.getItem(TAB) ?? crypto.randomUUID();
  sessionStorage.setItem(TAB, tab);
  return prefixOf(rigId) + tab;
}

/** Keeps a draft until the server has it. */
export function keepWaiting(rigId: string, draft: Draft, baseRevision: number): void {
  const waiting: WaitingDraft = { draft, baseRevision, at: Date.now() };
  localStorage.setItem(ownKey(rigId), JSON.stringify(waiting));
}

/** Forgets it, once the server has it or the user let it go. */
export const forgetWaiting = (rigId: string): void => localStorage.removeItem(ownKey(rigId));

/** Takes over what this tab, or one that is gone, could not get saved. Taken over, it is this tab's. */
export function takeWaiting(rigId: string): WaitingDraft | undefined {
  const own = ownKey(rigId);
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(prefixOf(rigId)));
  for (const key of [own, ...keys.filter((k) => k !== own)]) {
    const waiting = read(key);
    if (!waiting || (key !== own && Date.now() - waiting.at < ORPHAN_AFTER_MS)) continue;
    localStorage.removeItem(key);
    localStorage.setItem(own, JSON.stringify({ ...waiting, at: Date.now() }));
    return waiting;
  }
  return undefined;
}

function read(key: string): WaitingDraft | undefined {
  try {
    const waiting = JSON.parse(localStorage.getItem(key) ?? 'null') as WaitingDraft | null;
    // One that an older Live Tune left here has no byHand.
    return waiting ? { ...waiting, draft: { ...EMPTY_DRAFT, ...waiting.draft } } : undefined;
  } catch {
    return undefined;
  }
}
