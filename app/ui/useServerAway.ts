import { useEffect, useState } from 'react';

const ASK_EVERY_MS = 1500;

/** Asks until the server and its database are well, and loads the page anew when they were not. */
export function useServerAway(): 'asking' | 'away' | 'well' {
  const [state, setState] = useState<'asking' | 'away' | 'well'>('asking');
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let wasAway = false;
    const ask = async (): Promise<void> => {
      const well = await fetch('/healthz').then(
        (response) => response.ok,
        () => false,
      );
      if (well && wasAway) {
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
