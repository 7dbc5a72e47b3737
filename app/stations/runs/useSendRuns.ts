import { useCallback, useEffect, useRef, useState } from 'react';
import { useRevalidator } from 'react-router';
import {
  allWaitingRuns,
  forgetWaitingRun,
  keepWaitingRun,
  sendRun,
  type RunOfRig,
  type WaitingRun,
} from './waitingRuns';

const TRY_EVERY_MS = 4000;
/** What was refused is asked again seldom: a phone that was removed must still get through to the pairing page. */
const AFTER_REFUSAL_MS = 120_000;

/** What waits by now; the same as before where that is nothing, so that nothing is shown anew. */
function newer(before: RunOfRig[]): RunOfRig[] {
  const now = allWaitingRuns();
  return before.length === 0 && now.length === 0 ? before : now;
}

export type Sending = 'idle' | 'away' | 'refused';

/**
 * The runs that wait here for the server: sent when it is there, at once and then again and again. One of these a page.
 * @param isKnown whether this device may send anything at all: on the doorstep nobody is
 */
export function useSendRuns(isKnown: boolean) {
  const [waiting, setWaiting] = useState<RunOfRig[]>([]);
  const [sending, setSending] = useState<Sending>('idle');
  const { revalidate } = useRevalidator();
  const isBusy = useRef(false);
  const refusedUntil = useRef(0);
  const flush = useCallback(async (): Promise<void> => {
    if (!isKnown || isBusy.current || performance.now() < refusedUntil.current) return;
    isBusy.current = true;
    let count = 0;
    let state: Sending = 'idle';
    for (const { rigId, run } of allWaitingRuns()) {
      const sent = await sendRun(rigId, run);
      if (sent === 'kept') {
        forgetWaitingRun(rigId, run.id);
        count += 1;
      } else state = sent;
      // Where nobody answers, nobody takes the next one. One that is refused holds up no other.
      if (sent === 'away') break;
    }
    isBusy.current = false;
    setWaiting(newer);
    setSending(state);
    if (state === 'refused') refusedUntil.current = performance.now() + AFTER_REFUSAL_MS;
    if (count > 0) await revalidate();
  }, [isKnown, revalidate]);
  useEffect(() => {
    const first = setTimeout(() => void flush(), 0);
    const again = setInterval(() => {
      if (allWaitingRuns().length > 0) void flush();
      // Another tab may have sent them.
      else setWaiting(newer);
    }, TRY_EVERY_MS);
    return () => {
      clearTimeout(first);
      clearInterval(again);
    };
  }, [flush]);
  const keep = (rigId: string, run: WaitingRun): void => {
    keepWaitingRun(rigId, run);
    setWaiting(allWaitingRuns());
    refusedUntil.current = 0;
    void flush();
  };
  return { waiting, sending, keep };
}
