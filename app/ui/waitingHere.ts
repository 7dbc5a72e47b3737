/**
 * What the server has not confirmed yet, kept in this browser: it outlives a reload, a crash and a server that is away. One entry a
 * tab, so that two tabs do not write over each other.
 */

/** An entry that no tab has touched for this long belongs to a tab that is gone. */
const ORPHAN_AFTER_MS = 10_000;
const TAB = 'live-tune-tab';
const TAB_LENGTH = '00000000-0000-4000-8000-000000000000'.length;

/** With when it was last written or taken up, ms since 1970. */
type Waiting<T> = T & { at: number };

export interface WaitingHere<T extends object> {
  /** Keeps something until the server has it. */
  keep: (id: string, value: T) => void;
  /** Forgets it, once the server has it or the user let it go. */
  forget: (id: string) => void;
  /** Takes over what this tab, or one that is gone, could not get saved. Taken over, it is this tab's. */
  take: (id: string) => T | undefined;
  /** Of what something waits, whichever tab it is of. */
  ids: () => string[];
}

/** @param prefix of its keys: one kind of thing each */
export function waitingHere<T extends object>(prefix: string): WaitingHere<T> {
  const ownKey = (id: string): string => {
    const tab = sessionStorage.getItem(TAB) ?? crypto.randomUUID();
    sessionStorage.setItem(TAB, tab);
    return `${prefix}${id}-${tab}`;
  };
  const keysOf = (id: string): string[] => {
    const begins = `${prefix}${id}-`;
    return Object.keys(localStorage).filter(
      (key) => key.startsWith(begins) && key.length === begins.length + TAB_LENGTH,
    );
  };
  const keep = (id: string, value: T): void =>
    localStorage.setItem(ownKey(id), JSON.stringify({ ...value, at: Date.now() }));
  // A page that is left leaves what waits to the next one at once.
  if ('window' in globalThis)
    window.addEventListener('pagehide', () => {
      const tab = sessionStorage.getItem(TAB);
      for (const key of Object.keys(localStorage))
        if (tab !== null && key.startsWith(prefix) && key.endsWith(tab))
          localStorage.setItem(key, JSON.stringify({ ...read(key), at: 0 }));
    });
  return {
    keep,
    forget: (id) => localStorage.removeItem(ownKey(id)),
    take: (id) => {
      const own = ownKey(id);
      for (const key of [own, ...keysOf(id).filter((other) => other !== own)]) {
        const waiting = read(key) as Waiting<T> | undefined;
        if (!waiting || (key !== own && Date.now() - waiting.at < ORPHAN_AFTER_MS)) continue;
        localStorage.removeItem(key);
        keep(id, waiting);
        return waiting;
      }
      return undefined;
    },
    ids: () => [
      ...new Set(
        Object.keys(localStorage)
          .filter((key) => key.startsWith(prefix))
          .map((key) => key.slice(prefix.length, -TAB_LENGTH - 1)),
      ),
    ],
  };
}

function read(key: string): object | undefined {
  try {
    return (JSON.parse(localStorage.getItem(key) ?? 'null') as object | null) ?? undefined;
  } catch {
    return undefined;
  }
}
