import type { Goals } from '#core/advice/goals';
import { useCallback, useEffect, useRef, useState } from 'react';
import { forgetWaitingGoals, keepWaitingGoals, waitingGoals } from './waitingGoals';

const TRY_AGAIN_MS = 2000;

/** What the driver is after: counts at once, and is kept as soon as the server answers; the newest word wins. */
export function useKeptGoals(rigId: string, kept: Goals) {
  const [goals, setGoals] = useState(kept);
  const newest = useRef(kept);
  const unsent = useRef<Goals>(undefined);
  const sending = useRef(false);

  const send = useCallback(async (): Promise<void> => {
    if (sending.current) return;
    sending.current = true;
    while (unsent.current) {
      const next = unsent.current;
      unsent.current = undefined;
      if (await postGoals(rigId, next)) {
        if (newest.current === next) forgetWaitingGoals(rigId);
        continue;
      }
      unsent.current ??= next;
      await new Promise((resolve) => setTimeout(resolve, TRY_AGAIN_MS));
    }
    sending.current = false;
  }, [rigId]);

  const changeGoals = useCallback(
    (by: Partial<Goals>): void => {
      newest.current = { ...newest.current, ...by };
      unsent.current = newest.current;
      setGoals(newest.current);
      keepWaitingGoals(rigId, newest.current);
      void send();
    },
    [rigId, send],
  );

  // What the page before had not heard the server confirm: this page may have been made without it.
  useEffect(() => {
    const waiting = waitingGoals(rigId);
    if (!waiting) return;
    newest.current = unsent.current = waiting;
    // The server cannot know what this browser has kept: it comes in after the first drawing.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setGoals(waiting);
    void send();
  }, [rigId, send]);
  return { goals, changeGoals };
}

/** Whether the server has it, or refuses it for good. */
async function postGoals(rigId: string, goals: Goals): Promise<boolean> {
  try {
    const response = await fetch(`/rigs/${rigId}/goals`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(goals),
      keepalive: true,
    });
    return response.status < 500;
  } catch {
    return false;
  }
}
