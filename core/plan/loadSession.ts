/**
 * One load, from the first value to the last count: what is meant, what was seen stored, what was counted back.
 * It heals itself: a value that went to the wrong place is put right, and counted, like any other.
 */
import {
  choosersOf,
  itemById,
  labelIn,
  stopById,
  type EscProfile,
  type WantedStops,
  type StopByItem,
} from '../esc/profile';
import { changesInOrder, setAlong, type Change } from '../sheet/draft';
import type { EvidenceBasis, HeldStops } from '../sheet/evidence';
import type { Leg } from './loadPlan';
import { showLeg, storeLeg, throughMenus } from './throughMenus';
import type { SeenStored } from './watch';

export interface LoadSession {
  /** What the ESC should hold. Items that are unknown and that nobody wants changed are not in it. */
  target: StopByItem;
  /** What it is believed to hold, every item; null where nobody knows. */
  held: HeldStops;
  /** Whether the medium can show what is stored. */
  showsStored: boolean;
  /** Items that this load has to get right, and those of them that it has counted back. */
  concerned: readonly string[];
  counted: readonly string[];
}

/** One thing that was learned about the ESC. */
export interface Finding {
  itemId: string;
  /** Null where nobody knows any longer what it holds. */
  stopId: string | null;
  basis: EvidenceBasis;
}

type KnownFinding = Finding & { stopId: string };

/**
 * Begins a load.
 * @param intents the items that have to be right in the end; the others are left alone
 * @param uncounted items that were stored earlier but never shown again
 */
export function beginLoad(
  held: HeldStops,
  intents: WantedStops,
  uncounted: readonly string[],
  showsStored: boolean,
): LoadSession {
  const differing = Object.keys(intents).filter((itemId) => intents[itemId] !== held[itemId]);
  const known = Object.entries(held).filter((entry): entry is [string, string] => entry[1] !== null);
  return {
    target: { ...Object.fromEntries(known), ...intents },
    held,
    showsStored,
    concerned: [...new Set([...differing, ...(showsStored ? uncounted : [])])],
    counted: [],
  };
}

/**
 * What is left to do, in order: everything to store, then everything to show.
 * @param arranged another order for what is to be stored, where the one of the manual is not safe
 */
export function legsLeft(
  profile: EscProfile,
  session: LoadSession,
  arranged: (changes: Change[]) => Change[] = (changes) => changes,
): Leg[] {
  const { target, held, concerned, counted, showsStored } = session;
  const changes = Object.keys(target)
    .filter((itemId) => held[itemId] !== target[itemId])
    .map((itemId): Change => ({ itemId, fromStopId: held[itemId] ?? null, toStopId: target[itemId]! }));
  const place = (itemId: string): number => itemById(profile, itemId).number;
  const left = (showsStored ? concerned.filter((itemId) => !counted.includes(itemId)) : []).toSorted(
    (a, b) => place(a) - place(b),
  );
  const stores = arranged(changesInOrder(profile, held, changes));
  return choosersOf(profile).size === 0
    ? [...stores.map(storeLeg), ...left.map((itemId) => showLeg(target, itemId))]
    : throughMenus(profile, { held, target }, stores, left);
}

/**
 * After values were heard being stored. An item that was counted before must be counted again; so must one that
 * was set along, which nobody saw.
 */
export function afterStored(
  profile: EscProfile,
  session: LoadSession,
  stored: SeenStored[],
): { session: LoadSession; findings: KnownFinding[] } {
  const findings = stored.flatMap((seen): KnownFinding[] => [
    // A command is done, and not held.
    ...(itemById(profile, seen.itemId).commandStopIds.includes(seen.stopId)
      ? []
      : [{ ...seen, basis: 'seenStored' as const }]),
    ...Object.entries(setAlong(profile, seen.itemId, seen.stopId)).map(([itemId, stopId]): KnownFinding => ({
      itemId,
      stopId,
      basis: 'setAlong',
    })),
  ]);
  const next = findings.reduce<LoadSession>(
    (before, { itemId, stopId }) => ({
      ...before,
      // An item that nobody knew and nobody meant to change is taken as it is now: there is no way back.
      target: { ...before.target, [itemId]: before.target[itemId] ?? stopId },
      held: { ...before.held, [itemId]: stopId },
      concerned: before.concerned.includes(itemId) ? before.concerned : [...before.concerned, itemId],
      counted: before.counted.filter((id) => id !== itemId),
    }),
    session,
  );
  return { session: next, findings };
}

/**
 * After the ESC showed, while values are still to be stored, what an item holds. Otherwise a plan that believes something
 * else would leave the item and come back to it for ever. Once all is stored, only counting says what it holds.
 */
export function afterShown(session: LoadSession, { itemId, stopId }: SeenStored): LoadSession {
  const { held, target } = session;
  const isStoring = Object.keys(target).some((id) => held[id] !== target[id]);
  if (!isStoring || held[itemId] === stopId) return session;
  return { ...session, held: { ...held, [itemId]: stopId } };
}

/**
 * After the user counted the flashes of an item.
 * @param flashes 1 upward
 * @returns undefined where the item has no such stop: the user miscounted
 */
export function afterCounted(
  profile: EscProfile,
  session: LoadSession,
  itemId: string,
  flashes: number,
): { session: LoadSession; finding: Finding } | undefined {
  const stop = itemById(profile, itemId).stops.find((s) => s.number === flashes);
  if (!stop) return undefined;
  const right = stop.id === session.target[itemId];
  return {
    session: {
      ...session,
      held: { ...session.held, [itemId]: stop.id },
      counted: right ? [...session.counted, itemId] : session.counted,
    },
    finding: { itemId, stopId: stop.id, basis: 'countedBack' },
  };
}

/**
 * After something other than what was meant was stored for an item, and nobody saw what: it is unknown, stored again,
 * and counted where that can be.
 */
export function afterAstray(
  session: LoadSession,
  itemId: string,
): { session: LoadSession; finding: Finding } {
  const { target, held, concerned, counted } = session;
  // What nobody knew and nobody wants changed has no stop to be put back to.
  const isWanted = target[itemId] !== undefined;
  return {
    session: {
      ...session,
      held: { ...held, [itemId]: null },
      concerned: !isWanted || concerned.includes(itemId) ? concerned : [...concerned, itemId],
      counted: counted.filter((id) => id !== itemId),
    },
    finding: { itemId, stopId: null, basis: 'interrupted' },
  };
}

/**
 * A full set of stops to plan from. Where nobody knows what an item holds, a stop other than the wanted one:
 * a plan that took it for right would do nothing about it.
 */
export function stopsToPlanFrom(profile: EscProfile, { held, target }: LoadSession): StopByItem {
  return Object.fromEntries(
    profile.items.map((item) => {
      const known = held[item.id];
      const other = item.stops.find((stop) => stop.id !== target[item.id]) ?? item.stops[0]!;
      return [item.id, known ?? (item.factoryStopId === target[item.id] ? other.id : item.factoryStopId)];
    }),
  );
}

/** A leg in words: "Brake strength: 85 % → 65 %". */
export function legTitle(profile: EscProfile, held: HeldStops, leg: Leg): string {
  const item = itemById(profile, leg.itemId);
  const fromId = held[leg.itemId];
  const from = fromId ? stopById(item, fromId).label : 'unknown';
  const to = stopById(item, leg.stopId).label;
  const label = labelIn(profile, item);
  return leg.purpose === 'store' ? `${label}: ${from} → ${to}` : `${label}: count it back`;
}
