/**
 * What eyes and ears make of an ESC that talks in flashes and beeps. Only cues are used, never the inside of
 * a simulated ESC: the same watcher serves a real one.
 */
import type { EscProfile } from '../esc/profile';
import type { Observed } from '../procedure/language';

export interface Watched {
  /** The last numbers that were flashed. */
  itemNumber: number | undefined;
  stopNumber: number | undefined;
}

export const NOTHING_SEEN: Watched = { itemNumber: undefined, stopNumber: undefined };

/** A value that was heard being stored. */
export interface SeenStored {
  itemId: string;
  stopId: string;
}

/**
 * Takes in what was seen and heard.
 * @returns what is now known, and the values that a long tone said were stored
 */
export function watch(
  profile: EscProfile,
  before: Watched,
  observed: Observed[],
): { watched: Watched; stored: SeenStored[] } {
  let watched = before;
  const stored: SeenStored[] = [];
  for (const cue of observed) {
    if (cue.type === 'count' && cue.of === 'item') watched = { itemNumber: cue.count, stopNumber: undefined };
    if (cue.type === 'count' && cue.of === 'stop') watched = { ...watched, stopNumber: cue.count };
    if (cue.type === 'tone' && cue.tone === 'long') {
      const item = profile.items.find((i) => i.number === watched.itemNumber);
      const stop = item?.stops.find((s) => s.number === watched.stopNumber);
      if (item && stop) stored.push({ itemId: item.id, stopId: stop.id });
      watched = NOTHING_SEEN;
    }
  }
  return { watched, stored };
}
