import { createContext, use, useState, useSyncExternalStore, type ReactNode } from 'react';

/** What the last move did, said at the rail that moved. Beside React's own state: a drill must not redraw forty rails. */
class LastMove {
  private said: { itemId: string; words: string } | undefined;
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** @returns the words for an item; undefined where another moved last */
  of(itemId: string): string | undefined {
    return this.said?.itemId === itemId ? this.said.words : undefined;
  }

  say(itemId: string, words: string): void {
    this.said = { itemId, words };
    for (const listener of this.listeners) listener();
  }
}

const LastMoveContext = createContext(new LastMove());

export function LastMoveProvider({ children }: { children: ReactNode }) {
  const [lastMove] = useState(() => new LastMove());
  return <LastMoveContext value={lastMove}>{children}</LastMoveContext>;
}

export const useLastMove = (): LastMove => use(LastMoveContext);

/** At a rail: what its last move did to the numbers of the drill that is shown. */
export function MoveEffect({ itemId }: { itemId: string }) {
  const lastMove = useLastMove();
  const words = useSyncExternalStore(
    lastMove.subscribe,
    () => lastMove.of(itemId),
    () => undefined,
  );
  return words ? (
    <p role="status" className="text-sm text-draft sm:pl-42">
      {words}
    </p>
  ) : null;
}
