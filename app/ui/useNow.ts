import { useSyncExternalStore } from 'react';

const EVERY_MS = 5000;
let now = 0;
const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | undefined;

function tick(): void {
  now = Date.now();
  for (const tell of listeners) tell();
}

function listen(tell: () => void): () => void {
  if (listeners.size === 0) {
    now = Date.now();
    timer = setInterval(tick, EVERY_MS);
    // A page that comes back from behind others knows at once how late it is.
    document.addEventListener('visibilitychange', tick);
  }
  listeners.add(tell);
  return () => {
    listeners.delete(tell);
    if (listeners.size > 0) return;
    clearInterval(timer);
    document.removeEventListener('visibilitychange', tick);
  };
}

/**
 * The clock of this device, milliseconds, every five seconds. Browsers slow it to once a minute in a tab that is hidden.
 * @param atServer what the server said that it was: the first look is the same there and here
 */
export const useNow = (atServer: number): number =>
  useSyncExternalStore(
    listen,
    () => now || atServer,
    () => atServer,
  );

const minuteOf = (ms: number): number => Math.floor(ms / 60_000);

/** The same in whole minutes since 1970, for what is large: it is made anew once a minute. @param atServer ms since 1970 */
export const useMinute = (atServer: number): number =>
  useSyncExternalStore(
    listen,
    () => minuteOf(now || atServer),
    () => minuteOf(atServer),
  );
