import { useEffect, useState } from 'react';
import { isServerWell } from './serverHealth';

const ASK_EVERY_MS = 1500;
/** A page that fails again so soon after it was loaded again fails for another reason. */
const ONCE_WITHIN_MS = 20_000;
const LAST_RELOAD = 'live-tune-last-reload';

/**
 * Asks until the server and its database are well, and loads the page again then. Where they are well already,
 * as after a short break, it is loaded again once.
 */
export function useServerAway(): 'asking' | 'away' | 'well' {
  const [state, setState] = useState<'asking' | 'away' | 'well'>('asking');
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let wasAway = false;
    const ask = async (): Promise<void> => {
      const well = await isServerWell();
      if (well && (wasAway || mayReload())) {
        sessionStorage.setItem(LAST_RELOAD, String(Date.now()));
        window.location.reload();
        return;
      }
      wasAway ||= !well;
      setState(well ? 'well' : 'away');
      if (!well) timer = setTimeout(() => void ask(), ASK_EVERY_MS);
    };
    void ask();
    return () => clearTimeout(timer);
  }, []);
  return state;
}

const mayReload = (): boolean =>
  Date.now() - Number(sessionStorage.getItem(LAST_RELOAD) ?? 0) > ONCE_WITHIN_MS;
