/** The draft: what the user means to change. It holds intents only; what is untouched stays as it is. */
import {
  choosersOf,
  existsOn,
  hasStop,
  itemById,
  type BelievedStops,
  type DraftedStops,
  type EscProfile,
  type ProfileItem,
  type StopByItem,
  type WantedStops,
} from '../esc/profile';
import {
  NO_HAND_VALUES,
  handChangesOf,
  handValuesOf,
  HAND_VALUE_KEYS,
  type HandValues,
  type HandValueKey,
} from '../rig/handValues';
import type { Rig } from '../rig/rig';
import { heldStops, type HeldStops, type Holdings } from './evidence';

export interface Draft {
  stops: WantedStops;
  /** Wanted numbers of the model and its radio. */
  byHand: HandValues;
  /** Why some of it was chosen, or whose it is. */
  reasons: Reasons;
  /** The set-up that it was taken from; null where it was none. */
  setUpId: string | null;
}

/** Why a value was chosen, in a sentence, by the id of its item or the key of a number of the model. */
export type Reasons = Readonly<Record<string, string>>;

export const EMPTY_DRAFT: Draft = { stops: {}, byHand: NO_HAND_VALUES, reasons: {}, setUpId: null };

/** As much of a draft as concerns the ESC. */
type EscIntents = Pick<Draft, 'stops'>;

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
  return (
    ids.length === Object.keys(b.stops).length &&
    ids.every((id) => a.stops[id] === b.stops[id]) &&
    HAND_VALUE_KEYS.every((key) => a.byHand[key] === b.byHand[key])
  );
}

/** Whether two drafts are the same altogether: what they mean, and why. */
export const sameDraft = (a: Draft, b: Draft): boolean =>
  sameIntents(a, b) &&
  a.setUpId === b.setUpId &&
  Object.keys(a.reasons).length === Object.keys(b.reasons).length &&
  Object.entries(a.reasons).every(([key, reason]) => b.reasons[key] === reason);

/** As much of a draft as is left to do: intents that are neither held nor had already are gone, with their reasons. */
export function openDraft(profile: EscProfile, holdings: Holdings, rig: Rig, draft: Draft): Draft {
  const stops = Object.fromEntries(
    changesOf(profile, holdings, draft).map(({ itemId, toStopId }) => [itemId, toStopId]),
  );
  const byHand = Object.fromEntries(handChangesOf(rig, draft.byHand).map(({ key, to }) => [key, to]));
  const isOpen = ([key]: [string, string]): boolean => key in stops || key in byHand;
  const left = Object.keys(stops).length + Object.keys(byHand).length;
  return {
    stops,
    byHand,
    reasons: Object.fromEntries(Object.entries(draft.reasons).filter(isOpen)),
    setUpId: left === 0 ? null : draft.setUpId,
  };
}

/** The intents of a draft that this profile has a place for. */
export const fittingDraft = (profile: EscProfile, draft: Draft): Draft => ({
  ...draft,
  stops: fittingStops(profile, draft.stops),
});

/** Those of these stops that this profile has, and can hold. */
export function fittingStops(profile: EscProfile, stops: StopByItem): WantedStops {
  const fits = ([itemId, stopId]: [string, string]): boolean =>
    profile.items.some(
      (item) => item.id === itemId && !item.commandStopIds.includes(stopId) && hasStop(item, stopId),
    );
  return Object.fromEntries(Object.entries(stops).filter(fits));
}

/** What the ESC should hold: the draft over what it is believed to hold. */
export const draftedStops = (believed: BelievedStops, draft: EscIntents): DraftedStops => ({
  ...(believed as StopByItem),
  ...(draft.stops as StopByItem),
});

/** What the ESC will surely hold: what is drafted, and what it is known to hold; nothing where nobody knows. */
export const sureStops = (profile: EscProfile, holdings: Holdings, draft: EscIntents): StopByItem => {
  const held = heldStops(profile, holdings);
  return Object.fromEntries(
    profile.items.flatMap(({ id }) => {
      const stopId = draft.stops[id] ?? held[id];
      return stopId ? [[id, stopId]] : [];
    }),
  );
};

/**
 * The draft with one item moved. Moving it back to what the ESC surely holds takes the intent away.
 */
export function moveDraft(draft: Draft, holdings: Holdings, itemId: string, stopId: string): Draft {
  const { [itemId]: _moved, ...others } = draft.stops;
  const stops = holdings[itemId]?.stopId === stopId ? others : { ...others, [itemId]: stopId };
  return { ...draft, stops, reasons: without(draft.reasons, itemId) };
}

/** A reason was for the value that it was given for. */
function without(reasons: Reasons, key: string): Reasons {
  const { [key]: _reason, ...others } = reasons;
  return others;
}

/** The draft with a number of the model or its radio moved. Moving it back to what the rig has takes the intent away. */
export function moveHandValue(draft: Draft, rig: Rig, key: HandValueKey, value: number): Draft {
  const { [key]: _moved, ...others } = draft.byHand;
  const byHand = handValuesOf(rig)[key] === value ? others : { ...others, [key]: value };
  return { ...draft, byHand, reasons: without(draft.reasons, key) };
}

/**
 * What differs between the ESC and the draft, in menu order. Intents for items that the profile lacks, or that will not be in
 * the menu, are passed over.
 */
export function changesOf(profile: EscProfile, holdings: Holdings, draft: EscIntents): Change[] {
  const then = sureStops(profile, holdings, draft);
  return profile.items.flatMap((item) => {
    if (!canBeSet(profile, then, item)) return [];
    const toStopId = draft.stops[item.id];
    const fromStopId = holdings[item.id]?.stopId ?? null;
    return toStopId === undefined || toStopId === fromStopId
      ? []
      : [{ itemId: item.id, fromStopId, toStopId }];
  });
}

/** Whether an item can be set while the ESC holds these: it is in the menu, or in that of a bank that the maker has left free. */
export function canBeSet({ banks }: EscProfile, stops: StopByItem, { existsWhile }: ProfileItem): boolean {
  return existsWhile.every(({ itemId, stopIds }) =>
    itemId === banks?.itemId
      ? stopIds.some((id) => !banks.fixedStopIds.includes(id))
      : stopIds.includes(stops[itemId] ?? ''),
  );
}

/**
 * The order in which changes are safe to load: what overwrites other items or renumbers the menu first, then menu
 * order, but the BEC voltage last, when everything else has been seen to work. Source: common practice.
 */
export function loadOrder(profile: EscProfile, changes: Change[]): Change[] {
  const choosers = choosersOf(profile);
  const rank = ({ itemId }: Change): number => {
    const item = itemById(profile, itemId);
    if (item.setting === 'becVolts') return Infinity;
    const first = item.overwrites.length > 0 || item.renumbersMenu || choosers.has(itemId);
    return first ? overwriteDepth(profile, itemId) : profile.items.length;
  };
  const place = ({ itemId }: Change): number => itemById(profile, itemId).number;
  return [...changes].sort((a, b) => (rank(a) === rank(b) ? place(a) - place(b) : rank(a) - rank(b)));
}

/** Whether a change has its place in a load, first or last, whatever order would be shorter or safer for the others. */
export function keepsItsPlace(profile: EscProfile, { itemId }: Change): boolean {
  const { setting, overwrites, renumbersMenu } = itemById(profile, itemId);
  return setting === 'becVolts' || overwrites.length > 0 || renumbersMenu || choosersOf(profile).has(itemId);
}

/** How many items in a row lead to this one by overwriting; 0 where none overwrites it. */
function overwriteDepth(profile: EscProfile, itemId: string): number {
  const above = profile.items.filter(({ overwrites }) => overwrites.some(({ sets }) => itemId in sets));
  return above.reduce((depth, item) => Math.max(depth, 1 + overwriteDepth(profile, item.id)), 0);
}

/**
 * Every value to store, in order, so that the ESC ends where it should: the changes, and behind them whatever
 * they overwrite and must not.
 * @param held what it is believed to hold; items that nobody knows, and nobody changes, are left as they come
 */
export function changesInOrder(profile: EscProfile, held: HeldStops, changes: Change[]): Change[] {
  const target: Record<string, string | null> = { ...held };
  for (const { itemId, toStopId } of changes) target[itemId] = toStopId;
  const now: Record<string, string | null> = { ...held };
  const done: Change[] = [];
  // One that sets another back again would never end.
  const most = MOST_ROUNDS * (profile.items.length + 1);
  for (let open = changes; open.length > 0 && done.length < most;) {
    const next = nextChange(profile, known(now), open);
    done.push(next);
    Object.assign(now, setAlong(profile, next.itemId, next.toStopId), { [next.itemId]: next.toStopId });
    open = Object.keys(target).flatMap((itemId): Change[] => {
      const toStopId = target[itemId];
      const fromStopId = now[itemId] ?? null;
      return !toStopId || toStopId === fromStopId ? [] : [{ itemId, fromStopId, toStopId }];
    });
  }
  return done;
}

const MOST_ROUNDS = 4;

const known = (stops: HeldStops): StopByItem =>
  Object.fromEntries(Object.entries(stops).filter((entry): entry is [string, string] => entry[1] !== null));

/** What is stored next: all that is in the menu now; then what lies in another bank, by way of it; the bank itself last. */
function nextChange(profile: EscProfile, now: StopByItem, open: readonly Change[]): Change {
  const { banks } = profile;
  const item = ({ itemId }: Change): ProfileItem => itemById(profile, itemId);
  const [here] = loadOrder(
    profile,
    open.filter((change) => change.itemId !== banks?.itemId && existsOn(now, item(change))),
  );
  if (here) return here;
  const away = open.find((change) => change.itemId !== banks?.itemId);
  const way = away && wayTo(item(away), now);
  return way ?? open.find((change) => change.itemId === banks?.itemId) ?? open[0]!;
}

/** The change that brings an item into the menu; undefined where it is there. */
export function wayTo({ existsWhile }: ProfileItem, now: StopByItem): Change | undefined {
  const missing = existsWhile.find(({ itemId, stopIds }) => !stopIds.includes(now[itemId] ?? ''));
  return (
    missing && {
      itemId: missing.itemId,
      fromStopId: now[missing.itemId] ?? null,
      toStopId: missing.stopIds[0]!,
    }
  );
}

/** What choosing a stop does to other items, by the manual: item id to stop id. */
export const setAlong = (profile: EscProfile, itemId: string, stopId: string): StopByItem =>
  itemById(profile, itemId).overwrites.find((o) => o.stopId === stopId)?.sets ?? {};
