import { sameDraft, sameIntents, type Draft } from '#core/sheet/draft';
import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import { postDraft } from './postDraft';
import { useStroke } from './useStroke';
import { forgetWaiting, keepWaiting, takeWaiting } from './waitingDraft';

export type SaveStatus =
  | { kind: 'saved' }
  | { kind: 'saving' }
  /** The server does not answer, or has no room; the draft is kept here and sent again. */
  | { kind: 'away' | 'full' }
  /** The server never takes it: the rig is gone, or has another ESC. The draft waits in the browser. */
  | { kind: 'refused' }
  /** Only the owner keeps a draft: what is moved here is tried out. */
  | { kind: 'notYours' }
  /** Another page saved first. */
  | { kind: 'conflict'; theirs: Draft; revision: number };

interface Kept {
  draft: Draft;
  revision: number;
}

const TRY_AGAIN_MS = 2000;
/** The trace comes first: the server works on the same processors. Until then the draft waits in the browser. */
const REST_MS = 100;
/** A page that is still there by then has not been left. */
const STAYED_MS = 5000;

/**
 * The draft of one rig, shown at once and saved as it moves, one request at a time, each based on the
 * revision before it. Never writes over what another page has saved. What is not saved yet waits in the
 * browser, and is taken up again by the next page of this tab.
 */
export function useDraft(rigId: string, kept: Kept) {
  const [draft, showDraft] = useState(kept.draft);
  // What was moved last counts, also before all that follows from it is shown.
  const newest = useRef(kept.draft);
  const listeners = useRef(new Set<(draft: Draft) => void>());
  const setDraft = useCallback((next: Draft): void => {
    newest.current = next;
    listeners.current.forEach((listener) => listener(next));
    showDraft(next);
  }, []);
  /** For what must follow a move at once, before the page is drawn again. Returns how to stop. */
  const onMoved = useCallback((listener: (draft: Draft) => void): (() => void) => {
    listeners.current.add(listener);
    return () => void listeners.current.delete(listener);
  }, []);
  const [status, setStatus] = useState<SaveStatus>({ kind: 'saved' });
  const revision = useRef(kept.revision);
  const waiting = useRef<Draft>(undefined);
  const sending = useRef(false);

  const forget = useForget(rigId, waiting);

  const send = useCallback(async (): Promise<void> => {
    if (sending.current) return;
    sending.current = true;
    // What the user moved while a request was on its way.
    const latest = (): Draft | undefined => waiting.current;
    setStatus({ kind: 'saving' });
    await pause(REST_MS);
    while (waiting.current) {
      const next = waiting.current;
      waiting.current = undefined;
      const answer = await postDraft(rigId, revision.current, next);
      if (answer.kind === 'notYours') {
        waiting.current = undefined;
        sending.current = false;
        forget();
        setStatus({ kind: 'notYours' });
        return;
      }
      if (answer.kind === 'refused') {
        keepWaiting(rigId, latest() ?? next, revision.current);
        waiting.current = undefined;
        sending.current = false;
        setStatus({ kind: 'refused' });
        return;
      }
      if (answer.kind === 'away' || answer.kind === 'full') {
        const unsent = latest() ?? next;
        waiting.current = unsent;
        keepWaiting(rigId, unsent, revision.current);
        setStatus({ kind: answer.kind });
        await pause(TRY_AGAIN_MS);
      } else if (answer.kind === 'saved' || sameIntents(answer.draft, next)) {
        // Also where it was saved before, and only the answer was lost on its way.
        revision.current = answer.revision;
        // More may have been moved meanwhile: it waits on the new revision now.
        const moved = latest();
        if (moved) keepWaiting(rigId, moved, answer.revision);
        else forget();
      } else {
        waiting.current = undefined;
        sending.current = false;
        setStatus({ kind: 'conflict', theirs: answer.draft, revision: answer.revision });
        return;
      }
    }
    sending.current = false;
    setStatus({ kind: 'saved' });
  }, [rigId, forget]);

  const beginsStep = useStroke();
  const past = useRef<Draft[]>([]);
  const future = useRef<Draft[]>([]);
  const [steps, setSteps] = useState({ back: 0, forward: 0 });

  const show = useCallback(
    (next: Draft) => {
      setDraft(next);
      setSteps({ back: past.current.length, forward: future.current.length });
      waiting.current = next;
      keepWaiting(rigId, next, revision.current);
      void send();
    },
    [rigId, send, setDraft],
  );

  const change = useCallback(
    (by: (draft: Draft) => Draft) => {
      const before = newest.current;
      const next = by(before);
      if (!sameDraft(before, next)) {
        if (beginsStep()) past.current.push(before);
        future.current = [];
      }
      show(next);
    },
    [show, beginsStep],
  );

  /** The draft as it was on top of one pile; what is there now goes onto the other. */
  const stepTo = useCallback(
    (from: Draft[], onto: Draft[]) => {
      const next = from.pop();
      if (!next) return;
      onto.push(newest.current);
      show(next);
    },
    [show],
  );
  const undo = useCallback(() => stepTo(past.current, future.current), [stepTo]);
  const redo = useCallback(() => stepTo(future.current, past.current), [stepTo]);

  const takeUp = useEffectEvent(() => {
    const left = takeWaiting(rigId);
    if (!left) return;
    if (sameIntents(left.draft, kept.draft)) {
      forgetWaiting(rigId);
      return;
    }
    setDraft(left.draft);
    if (left.baseRevision === revision.current) change(() => left.draft);
    else setStatus({ kind: 'conflict', theirs: kept.draft, revision: kept.revision });
  });
  useEffect(() => {
    // What waits in the browser is an outside system: it can be read only once the page is there.
    queueMicrotask(takeUp);
  }, []);

  // After something else on the server changed the draft (a load that fulfilled it), take what it left.
  const { draft: keptDraft, revision: keptRevision } = kept;
  useEffect(() => {
    if (keptRevision <= revision.current || sending.current) return;
    revision.current = keptRevision;
    setDraft(keptDraft);
  }, [keptDraft, keptRevision, setDraft]);

  const settle = useCallback(
    (choice: 'mine' | 'theirs') => {
      if (status.kind !== 'conflict') return;
      revision.current = status.revision;
      if (choice === 'mine') change((mine) => mine);
      else {
        forgetWaiting(rigId);
        setDraft(status.theirs);
        setStatus({ kind: 'saved' });
      }
    },
    [rigId, change, setDraft, status],
  );

  return { draft, onMoved, change, status, settle, undo, redo, steps };
}

/**
 * Forgets what waited in the browser, but not while the page is being left: the next one may have been made before the
 * server had it, and takes it up then.
 */
function useForget(rigId: string, waiting: { readonly current: Draft | undefined }): () => void {
  const leaving = useRef(false);
  const putOff = useRef(false);
  const forget = useCallback((): void => {
    putOff.current = leaving.current;
    if (!leaving.current) forgetWaiting(rigId);
  }, [rigId]);
  useEffect(() => {
    const onLeaving = (): void => {
      leaving.current = true;
      // A download looks the same, and leaves the page where it is.
      setTimeout(() => {
        leaving.current = false;
        if (putOff.current && !waiting.current) forget();
      }, STAYED_MS);
    };
    window.addEventListener('beforeunload', onLeaving);
    return () => window.removeEventListener('beforeunload', onLeaving);
  }, [forget, waiting]);
  return forget;
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
