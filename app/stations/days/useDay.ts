import { mergeDays, type DayConflict } from '#core/days/mergeDays';
import type { Day } from '#core/days/day';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import { isNotKept, type NotKept } from '../../ui/keepTyped';
import { waitingDays } from './waitingDay';

interface Saved {
  problems: { path: string; sentence: string }[];
  outcome: 'kept' | 'changed' | 'refused';
}

const AGAIN_AFTER_MS = 3000;

/** What is on its way to the server. */
interface Sent<D> {
  part: Partial<D>;
  base: D;
  over: number;
  answer: unknown;
}

/**
 * A day as it is changed here. What is changed while a save is on its way waits for its answer, and goes next: quick hands lose
 * nothing. While nobody answers it waits in this browser, also when the page is closed, and is tried again. What others changed
 * meanwhile is merged; what cannot both be is told.
 */
export function useDay<D extends Day>(kept: D, revision: number) {
  const fetcher = useFetcher<Saved | NotKept>();
  const [waiting, setWaiting] = useState<Partial<D>>({});
  const [sent, setSent] = useState<Sent<D>>();
  const [conflicts, setConflicts] = useState<readonly DayConflict[]>([]);
  const { data, state } = fetcher;
  const isAnswered = sent !== undefined && state === 'idle' && data !== sent.answer;
  const isAway = isNotKept(data) && data.notKept !== 'notYours';
  const isNotOurs = isNotKept(data) && !isAway;
  const outcome = isAnswered && !isNotKept(data) ? data?.outcome : undefined;

  /** Goes on from what is kept by now with what was changed here since `base`. */
  const mergeOnto = useEffectEvent((base: D, part: Partial<D>): void => {
    const merged = mergeDays(base, { ...base, ...part }, kept);
    const left = differing(merged.day, kept);
    if (Object.keys(left).length === 0) waitingDays.forget(kept.id);
    setWaiting(left);
    setConflicts(merged.conflicts);
  });

  useEffect(() => {
    const takeUp = (): void => {
      const left = waitingDays.take(kept.id) as { base: D; part: Partial<D> } | undefined;
      if (left) mergeOnto(left.base, left.part);
    };
    // What only this browser knows is taken up after the first look, which is the server's.
    queueMicrotask(takeUp);
  }, [kept.id]);

  useEffect(() => {
    const part = { ...sent?.part, ...waiting };
    if (Object.keys(part).length > 0)
      waitingDays.keep(kept.id, { base: sent?.base ?? kept, part: part as Partial<Day> });
  }, [kept, sent, waiting]);

  useEffect(() => {
    // A phone that was removed, by mistake perhaps, has it still when it is paired again.
    if (!isAnswered || isNotOurs) return undefined;
    if (isAway) {
      const soon = setTimeout(() => {
        setWaiting((later) => ({ ...sent.part, ...later }));
        setSent(undefined);
      }, AGAIN_AFTER_MS);
      return () => clearTimeout(soon);
    }
    // Once it is kept the page has it: then what was sent is let go of.
    if ((outcome === 'kept' || outcome === 'changed') && revision === sent.over) return undefined;
    queueMicrotask(() => {
      setSent(undefined);
      if (outcome === 'changed') mergeOnto(sent.base, { ...sent.part, ...waiting });
      // What was refused is let go of with all that waits.
      else if (outcome !== 'kept') setWaiting({});
      if (outcome !== 'changed' && (outcome !== 'kept' || Object.keys(waiting).length === 0))
        waitingDays.forget(kept.id);
    });
    return undefined;
  }, [isAnswered, isAway, isNotOurs, outcome, revision, sent, waiting, kept.id]);

  const { submit } = fetcher;
  useEffect(() => {
    if (sent !== undefined || state !== 'idle' || Object.keys(waiting).length === 0) return;
    const part = waiting;
    queueMicrotask(() => {
      setSent({ part, base: kept, over: revision, answer: data });
      setWaiting({});
      void submit(
        { intent: 'save', revision: String(revision), day: JSON.stringify({ ...kept, ...part }) },
        { method: 'post', action: `/days/${kept.id}` },
      );
    });
  }, [sent, state, waiting, revision, data, kept, submit]);

  const day = useMemo(() => ({ ...kept, ...sent?.part, ...waiting }), [kept, sent, waiting]);
  const save = (part: Partial<D>): void => setWaiting((before) => ({ ...before, ...part }));
  return {
    day,
    save,
    isSaving: state !== 'idle',
    saved: {
      told: isNotKept(data) ? undefined : data,
      away: isNotKept(data) ? data : undefined,
      conflicts,
      onSettled: () => setConflicts([]),
    },
  };
}

/** The fields in which a day differs from another. */
const differing = <D extends Day>(day: D, from: D): Partial<D> =>
  Object.fromEntries(
    Object.entries(day).filter(
      ([name, value]) => JSON.stringify(value) !== JSON.stringify(from[name as keyof D]),
    ),
  ) as Partial<D>;
