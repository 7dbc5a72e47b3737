import type { Day } from '#core/days/day';
import { useEffect, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import { isNotKept, type NotKept } from '../../ui/keepTyped';

interface Saved {
  problems: { path: string; sentence: string }[];
  outcome: 'kept' | 'changed' | 'refused';
}

const AGAIN_AFTER_MS = 3000;

/**
 * A day as it is changed here. What is changed while a save is on its way waits for its answer, and goes next: quick hands lose
 * nothing. While nobody answers, it is tried again. What somebody else changed in between is never written over.
 */
export function useDay<D extends Day>(kept: D, revision: number) {
  const fetcher = useFetcher<Saved | NotKept>();
  const [waiting, setWaiting] = useState<Partial<D>>({});
  const [sent, setSent] = useState<{ part: Partial<D>; over: number; answer: unknown }>();
  const { data, state } = fetcher;
  const isAnswered = sent !== undefined && state === 'idle' && data !== sent.answer;
  const isAway = isNotKept(data);
  const isKept = isAnswered && !isAway && data?.outcome === 'kept';
  useEffect(() => {
    if (!isAnswered) return undefined;
    if (isAway) {
      const soon = setTimeout(() => {
        setWaiting((later) => ({ ...sent.part, ...later }));
        setSent(undefined);
      }, AGAIN_AFTER_MS);
      return () => clearTimeout(soon);
    }
    // Once it is kept the page has it: then what was sent is let go of. What was refused is let go of with all that waits.
    if (isKept && revision === sent.over) return undefined;
    queueMicrotask(() => {
      setSent(undefined);
      if (!isKept) setWaiting({});
    });
    return undefined;
  }, [isAnswered, isAway, isKept, revision, sent]);
  const { submit } = fetcher;
  useEffect(() => {
    if (sent !== undefined || state !== 'idle' || Object.keys(waiting).length === 0) return;
    const part = waiting;
    queueMicrotask(() => {
      setSent({ part, over: revision, answer: data });
      setWaiting({});
      void submit(
        { intent: 'save', revision: String(revision), day: JSON.stringify({ ...kept, ...part }) },
        { method: 'post', action: `/days/${kept.id}` },
      );
    });
  }, [sent, state, waiting, revision, data, kept, submit]);
  const day = useMemo(() => ({ ...kept, ...sent?.part, ...waiting }), [kept, sent, waiting]);
  return {
    day,
    save: (part: Partial<D>): void => setWaiting((before) => ({ ...before, ...part })),
    isSaving: state !== 'idle',
    told: isAway ? undefined : data,
    away: isAway ? data : undefined,
  };
}
