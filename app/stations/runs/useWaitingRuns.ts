import { useCallback, useEffect, useRef, useState } from 'react';
import { useRevalidator } from 'react-router';
import { forgetWaitingRun, keepWaitingRun, sendRun, waitingRuns, type WaitingRun } from './waitingRuns';

const TRY_EVERY_MS = 4000;

export type Sending = 'idle' | 'away' | 'refused';

/** The runs that wait here for the server: sent when it is there, at once and then again and again. */
export function useWaitingRuns(rigId: string) {
  const [waiting, setWaiting] = useState<WaitingRun[]>([]);
  const [sending, setSending] = useState<Sending>('idle');
  /** How many were kept since the page was opened. */
  const [kept, setKept] = useState(0);
  const { revalidate } = useRevalidator();
  const isBusy = useRef(false);
  const flush = useCallback(async (): Promise<void> => {
    if (isBusy.current) return;
    isBusy.current = true;
    let count = 0;
    let state: Sending = 'idle';
    for (const run of waitingRuns(rigId)) {
      const sent = await sendRun(rigId, run);
      if (sent !== 'kept') {
        state = sent;
        break;
      }
      forgetWaitingRun(rigId, run.id);
      count += 1;
    }
    isBusy.current = false;
    setWaiting(waitingRuns(rigId));
    setSending(state);
    if (count > 0) {
      setKept((before) => before + count);
      await revalidate();
    }
  }, [rigId, revalidate]);
  useEffect(() => {
    const first = setTimeout(() => void flush(), 0);
    const again = setInterval(() => {
      if (waitingRuns(rigId).length > 0) void flush();
    }, TRY_EVERY_MS);
    return () => {
      clearTimeout(first);
      clearInterval(again);
    };
  }, [rigId, flush]);
  const keep = (run: WaitingRun): void => {
    keepWaitingRun(rigId, run);
    setWaiting(waitingRuns(rigId));
    void flush();
  };
  return { waiting, sending, kept, keep };
}
