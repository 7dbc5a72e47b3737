import type { MediumFamily } from '#core/esc/media';
import { useCallback, useEffect, useState } from 'react';
import { useFetcher } from 'react-router';
import { answered, isNotKept, type NotKept } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';
import type { Where } from './where';
import type { LoadAnswer } from './loadAnswer';

const TRY_AGAIN_MS = 2000;
const WHY_NOT_KEPT = {
  away: 'the server does not answer. Stay on this page: it keeps trying.',
  full: 'the disk of the bench computer is full. Free some space and stay on this page: it keeps trying.',
  notYours: 'this device may not keep it. Ask the owner, at the bench.',
} as const;

interface FinishedLoad {
  medium: MediumFamily | null;
  where: Where;
  changed: readonly string[];
  /** Whether everything that was seen has reached the server. */
  ready: boolean;
  /** Of the load, where several devices have it. */
  loadId: string | undefined;
}

/**
 * Keeps the sheet of a finished load, until the server has it: whoever leaves the page loses nothing. However often it is
 * sent, it is one sheet.
 */
export function useKeptSheet({ medium, where, changed, ready, loadId: shared }: FinishedLoad) {
  const [own] = useState(() => crypto.randomUUID());
  const loadId = shared ?? own;
  const { escNumber } = useBench();
  const { state, data, submit } = useFetcher<LoadAnswer | NotKept>();
  const send = useCallback(() => {
    const form = new FormData();
    form.set('load', loadId);
    form.set('medium', medium ?? '');
    form.set('where', where);
    form.set('esc', String(escNumber));
    for (const itemId of changed) form.append('changed', itemId);
    void submit(form, { method: 'post' });
  }, [loadId, medium, where, escNumber, changed, submit]);
  const isIdle = state === 'idle';
  const isAway = isNotKept(data);
  useEffect(() => {
    if (ready && isIdle && data === undefined) send();
  }, [ready, isIdle, data, send]);
  useEffect(() => {
    if (!isIdle || !isAway) return;
    const timer = setTimeout(send, TRY_AGAIN_MS);
    return () => clearTimeout(timer);
  }, [isIdle, isAway, send]);

  const answer = answered(data);
  return {
    /** Of the sheet; undefined until it is kept. */
    number: answer?.kept,
    problem: isNotKept(data) ? WHY_NOT_KEPT[data.notKept] : answer?.sentence,
    again: send,
  };
}
