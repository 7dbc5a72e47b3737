import { useEffect, useState } from 'react';

export interface Alarm {
  id: string;
  /** Minutes since 1970. */
  at: number;
  words: string;
}

const KEY = 'live-tune/alarms';

/**
 * What is due and was not seen yet. The title of the page says it, and a sound where that is switched on. What came due while the
 * page was hidden or closed for a while is told on return.
 * @param now minutes since 1970
 */
export function useAlarms(alarms: readonly Alarm[], now: number) {
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set());
  const [openedAt, setOpenedAt] = useState<number>();
  const [hasSound, setSound] = useState(false);
  useEffect(() => {
    queueMicrotask(() => {
      setSound(localStorage.getItem(KEY) === 'sound');
      setOpenedAt(Math.floor(Date.now() / 60_000));
    });
  }, []);
  // What was long over when the page was opened is no news.
  const due =
    openedAt === undefined
      ? []
      : alarms.filter(({ id, at }) => at <= now && at > openedAt - LOOKS_BACK && !seen.has(id));
  const newest = due.at(-1)?.id;
  useEffect(() => {
    if (newest !== undefined && hasSound) beep();
  }, [newest, hasSound]);
  const words = due.at(-1)?.words;
  useEffect(() => {
    if (words === undefined) return undefined;
    const before = document.title;
    document.title = `● ${words}`;
    return () => {
      document.title = before;
    };
  }, [words]);
  return {
    due,
    see: (): void => setSeen(new Set([...seen, ...due.map(({ id }) => id)])),
    hasSound,
    switchSound: (on: boolean): void => {
      localStorage.setItem(KEY, on ? 'sound' : 'quiet');
      setSound(on);
      if (on) beep();
    },
  };
}

/** Minutes before a page is opened within which what came due is still told. */
const LOOKS_BACK = 30;

/** Two short tones. */
function beep(): void {
  const context = new AudioContext();
  for (const [n, hertz] of [880, 1175].entries()) {
    const tone = context.createOscillator();
    const level = context.createGain();
    level.gain.value = 0.15;
    tone.frequency.value = hertz;
    tone.connect(level).connect(context.destination);
    tone.start(context.currentTime + 0.25 * n);
    tone.stop(context.currentTime + 0.25 * n + 0.18);
  }
  setTimeout(() => void context.close(), 1000);
}
