import { useCallback, useEffect, useRef, useState } from 'react';
import { useRevalidator } from 'react-router';
import { forgetWaitingRun, keepWaitingRun, sendRun, waitingRuns, type WaitingRun } from './waitingRuns';

const TRY_EVERY_MS = 4000;

export type Sending = 'idle' | 'away' | 'refused';

/** The runs that wait here for the server: sent when it is there, at once and then again and again. One of these a rig. */
export function useSendRuns(rigId: string) {
  const [waiting, setWaiting] = useState<WaitingRun[]>([]);
  const [sending, setSending] = useState<Sending>('idle');
  const { revalidate } = useRevalidator();
  const isBusy = useRef(false);
  const flush = useCallback(async (): Promise<void> => {
    if (isBusy.current) return;
    isBusy.current = true;
    let count = 0;
    let state: Sending = 'idle';
    for (const run of waitingRuns(rigId)) {
      const sent = await sendRun(rigId, run);
      if (sent === 'kept') {
        forgetWaitingRun(rigId, run.id);
        count += 1;
      } else state = sent;
      // Where nobody answers, nobody takes the next one. One that is refused holds up no other.
      if (sent === 'away') break;
    }
    isBusy.current = false;
    setWaiting(waitingRuns(rigId));
    setSending(state);
    if (count > 0) await revalidate();
  }, [rigId, revalidate]);
  useEffect(() => {
    const first = setTimeout(() => void flush(), 0);
    const again = setInterval(() => {
      if (waitingRuns(rigId).length > 0) void flush();
      // Another tab may have sent them.
      else setWaiting((before) => (before.length === 0 ? before : []));
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
  return { waiting, sending, keep };
}
