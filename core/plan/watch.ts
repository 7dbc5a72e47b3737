/**
 * What eyes and ears make of an ESC that talks in lamps and beeps. Only cues are used, never the inside of
 * a simulated ESC: the same watcher serves a real one.
 */
import { mediumOf, type Notes } from '../esc/media';
import { itemById, type EscProfile } from '../esc/profile';
import type { Config, Machine, Observed } from '../procedure/language';
import { stateOf } from '../procedure/step';

export interface Watched {
  /** The last numbers that were shown or heard. */
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
 * Takes in what was seen and heard. A long tone, or the tune of a tone menu, says that the value shown last was
 * stored for the item shown last; the tone of a reset, that every item is on its factory stop.
 */
export function watch(
  profile: EscProfile,
  before: Watched,
  observed: Observed[],
): { watched: Watched; stored: SeenStored[] } {
  const notes = notesOf(profile);
  let watched = before;
  const stored: SeenStored[] = [];
  for (const cue of observed) {
    const number = numberOf(cue, notes);
    if (number?.of === 'item') watched = { itemNumber: number.value, stopNumber: undefined };
    if (number?.of === 'stop') watched = { ...watched, stopNumber: number.value };
    if (cue.type === 'tone' && cue.tone === 'reset') {
      stored.push(...profile.items.map(({ id, factoryStopId }) => ({ itemId: id, stopId: factoryStopId })));
    }
    if (cue.type === 'tone' && (cue.tone === 'long' || cue.tone === 'tune')) {
      const item = profile.items.find((i) => i.number === watched.itemNumber);
      const stop = item?.stops.find((s) => s.number === watched.stopNumber);
      if (item && stop) stored.push({ itemId: item.id, stopId: stop.id });
      watched = NOTHING_SEEN;
    }
  }
  return { watched, stored };
}

/** The value that the ESC shows as stored, where it does. */
export function shownStored(profile: EscProfile, machine: Machine, config: Config): SeenStored | undefined {
  const item = machine.menu[config.itemCursor];
  if (!item || stateOf(machine, config).role !== 'showingStored') return undefined;
  const stop = itemById(profile, item.itemId).stops.find(({ number }) => number === config.stopCursor + 1);
  return stop && { itemId: item.itemId, stopId: stop.id };
}

interface NoteNumbers {
  item: readonly Notes[];
  stop: readonly Notes[];
}

function notesOf({ media }: EscProfile): NoteNumbers {
  const tones = mediumOf(media, 'stickTones');
  const toggle = mediumOf(media, 'stickToggle');
  return { item: (tones ?? toggle)?.itemNotes ?? [], stop: tones?.stopNotes ?? [] };
}

function numberOf(cue: Observed, notes: NoteNumbers): { of: 'item' | 'stop'; value: number } | undefined {
  if (cue.type === 'count') return { of: cue.of, value: cue.count };
  if (cue.type !== 'group' || cue.of === 'exit') return undefined;
  const place = notes[cue.of].indexOf(cue.notes);
  return place === -1 ? undefined : { of: cue.of, value: place + 1 };
}
