/** Word of what was changed, from whoever changed it to whoever looks at it: within this server, since there is one. */

/** That something was changed; what it is now is asked for as always. */
export interface Change {
  garageId: string;
  /** Null where it is not about one rig. */
  rigId: string | null;
  /** Who did it; undefined for the bench itself. */
  deviceId: string | undefined;
  /** As its owner calls it. */
  name: string;
}

type Watcher = (change: Change) => void;

const watchers = new Set<Watcher>();

export function tellOthers(change: Change): void {
  for (const watcher of watchers) watcher(change);
}

/** @returns what ends it */
export function watchChanges(watcher: Watcher): () => void {
  watchers.add(watcher);
  return () => void watchers.delete(watcher);
}
