import { startTransition, useEffect, useState } from 'react';

/** No browser keeps a page busy for longer than this, ms. */
const LATEST_MS = 2000;

/** False until the page has come to rest for the first time: what takes its time may begin then, and holds up no first look. */
export function useWhenIdle(): boolean {
  const [isIdle, setIsIdle] = useState(false);
  useEffect(() => {
    const rest = (): void => startTransition(() => setIsIdle(true));
    // One browser has no word for it.
    if (!('requestIdleCallback' in window)) {
      const timer = setTimeout(rest, LATEST_MS / 10);
      return () => clearTimeout(timer);
    }
    const asked = window.requestIdleCallback(rest, { timeout: LATEST_MS });
    return () => window.cancelIdleCallback(asked);
  }, []);
  return isIdle;
}
