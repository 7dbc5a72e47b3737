import { useEffect, useEffectEvent, useState } from 'react';
import { useRevalidator } from 'react-router';
import { serverHealth } from '../ui/serverHealth';

const ASK_EVERY_MS = 20_000;
const ASK_AGAIN_MS = 4000;
/** A page that is older when it is opened was kept. */
const OLD_MS = 30_000;

export interface BenchHealth {
  /** Whether the bench does not answer. */
  isAway: boolean;
  /** How far the clock of this phone is ahead of the bench's, whole minutes; 0 until that is known. */
  clockAheadMinutes: number;
}

/**
 * How the bench is, asked now and then while the page is looked at. Once it answers again the page is made anew with what is there by
 * then, and so is one that the phone had kept and showed since the bench was slow. @param at when the page was made, ISO 8601
 * @param isAsked whether this is a phone: at the bench itself each page says so for what it keeps
 */
export function useBenchHealth(at: string, isAsked: boolean): BenchHealth {
  const [isAway, setAway] = useState(false);
  const [clockAheadMinutes, setAhead] = useState(0);
  const { revalidate } = useRevalidator();
  const onBack = useEffectEvent(() => void revalidate());
  const isOld = useEffectEvent(() => Math.abs(Date.now() - Date.parse(at)) > OLD_MS);
  useEffect(() => {
    if (!isAsked) return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    // Renewed once it is known that the bench answers. Where the clocks differ that is once too often, and does no harm.
    let wasAway = isOld();
    let isLeft = false;
    const ask = async (): Promise<void> => {
      clearTimeout(timer);
      if (document.hidden) return;
      const { isWell, aheadMs } = await serverHealth();
      if (isLeft) return;
      if (isWell && wasAway) onBack();
      wasAway = !isWell;
      setAway(wasAway);
      if (aheadMs !== undefined) setAhead(Math.round(aheadMs / 60_000));
      clearTimeout(timer);
      timer = setTimeout(() => void ask(), wasAway ? ASK_AGAIN_MS : ASK_EVERY_MS);
    };
    const askNow = (): void => void ask();
    timer = setTimeout(askNow, 0);
    const events = ['online', 'offline'] as const;
    for (const name of events) window.addEventListener(name, askNow);
    document.addEventListener('visibilitychange', askNow);
    return () => {
      isLeft = true;
      clearTimeout(timer);
      for (const name of events) window.removeEventListener(name, askNow);
      document.removeEventListener('visibilitychange', askNow);
    };
  }, [isAsked]);
  return { isAway, clockAheadMinutes };
}
