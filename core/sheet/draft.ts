/** The draft: what the user means to change. It holds intents only; what is untouched stays as it is. */
import { itemById, type EscProfile, type StopByItem } from '../esc/profile';
import type { Holdings } from './evidence';

/** Wanted stop by item id. */
export interface Draft {
  stops: StopByItem;
}

export const EMPTY_DRAFT: Draft = { stops: {} };

/** One value to change. */
export interface Change {
  itemId: string;
  /** Null where it is not known what the ESC holds. */
  fromStopId: string | null;
  toStopId: string;
}

/** Whether two drafts mean the same, whatever the order of their intents. */
export function sameIntents(a: Draft, b: Draft): boolean {
  const ids = Object.keys(a.stops);
  return ids.length === Object.keys(b.stops).length && ids.every((id) => a.stops[id] === b.stops[id]);
}

/** The intents of a draft that this profile has a place for. */
export function fittingDraft(profile: EscProfile, draft: Draft): Draft {
  const fits = ([itemId, stopId]: [string, string]): boolean =>
    profile.items.some((item) => item.id === itemId && item.stops.some((stop) => stop.id === stopId));
  return { stops: Object.fromEntries(Object.entries(draft.stops).filter(fits)) };
}

/** What the ESC should hold: the draft over what it is believed to hold. */
export const draftedStops = (believed: StopByItem, draft: Draft): StopByItem => ({
  ...believed,
  ...draft.stops,
});

/**
 * The draft with one item moved. Moving it back to what the ESC surely holds takes the intent away.
 */
export function moveDraft(draft: Draft, holdings: Holdings, itemId: string, stopId: string): Draft {
  const { [itemId]: _moved, ...others } = draft.stops;
  return { stops: holdings[itemId]?.stopId === stopId ? others : { ...others, [itemId]: stopId } };
}

/** What differs between the ESC and the draft, in menu order. Intents for items that the profile lacks are passed over. */
export function changesOf(profile: EscProfile, holdings: Holdings, draft: Draft): Change[] {
  return profile.items.flatMap((item) => {
    const toStopId = draft.stops[item.id];
    const fromStopId = holdings[item.id]?.stopId ?? null;
    return toStopId === undefined || toStopId === fromStopId
      ? []
      : [{ itemId: item.id, fromStopId, toStopId }];
  });
}

/**
 * The order in which changes are safe to load: menu order, but the BEC voltage last, when everything else
 * has been seen to work. Source: common practice.
 */
export function loadOrder(profile: EscProfile, changes: Change[]): Change[] {
  const late = (change: Change): number => (itemById(profile, change.itemId).setting === 'becVolts' ? 1 : 0);
  const place = (change: Change): number => itemById(profile, change.itemId).number;
  return [...changes].sort((a, b) => late(a) - late(b) || place(a) - place(b));
}
