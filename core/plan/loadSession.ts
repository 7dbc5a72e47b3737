/**
 * One load, from the first value to the last count: what is meant, what was seen stored, what was counted back.
 * It heals itself: a value that went to the wrong place is put right, and counted, like any other.
 */
import { itemById, stopById, type EscProfile, type StopByItem } from '../esc/profile';
import { loadOrder, type Change } from '../sheet/draft';
import type { EvidenceBasis } from '../sheet/evidence';
import type { Leg } from './loadPlan';
import type { SeenStored } from './watch';

export interface LoadSession {
  /** What the ESC should hold, every item. */
  target: StopByItem;
  /** What it is believed to hold, every item. */
  held: StopByItem;
  /** Items that this load has to count back, and those of them that it has. */
  toCount: readonly string[];
  counted: readonly string[];
}

/** One thing that was learned about the ESC. */
export interface Finding {
  itemId: string;
  stopId: string;
  basis: EvidenceBasis;
}

/**
 * Begins a load.
 * @param uncounted items that were stored earlier but never shown again
 */
export function beginLoad(held: StopByItem, target: StopByItem, uncounted: readonly string[]): LoadSession {
  const differing = Object.keys(target).filter((itemId) => target[itemId] !== held[itemId]);
  return { target, held, toCount: [...new Set([...differing, ...uncounted])], counted: [] };
}

/** What is left to do, in order: everything to store, then everything to show. */
export function legsLeft(profile: EscProfile, session: LoadSession): Leg[] {
  const { target, held, toCount, counted } = session;
  const changes = Object.keys(target)
    .filter((itemId) => held[itemId] !== target[itemId])
    .map((itemId): Change => ({ itemId, fromStopId: held[itemId]!, toStopId: target[itemId]! }));
  const left = toCount.filter((itemId) => !counted.includes(itemId));
  const place = (itemId: string): number => itemById(profile, itemId).number;
  return [
    ...loadOrder(profile, changes).map(({ itemId, toStopId }): Leg => ({
      purpose: 'store',
      itemId,
      stopId: toStopId,
    })),
    ...left
      .toSorted((a, b) => place(a) - place(b))
      .map((itemId): Leg => ({ purpose: 'show', itemId, stopId: target[itemId]! })),
  ];
}

/** After values were heard being stored. An item that was counted before must be counted again. */
export function afterStored(
  session: LoadSession,
  stored: SeenStored[],
): { session: LoadSession; findings: Finding[] } {
  const findings = stored.map((seen): Finding => ({ ...seen, basis: 'seenStored' }));
  const next = stored.reduce<LoadSession>(
    (before, { itemId, stopId }) => ({
      ...before,
      held: { ...before.held, [itemId]: stopId },
      toCount: before.toCount.includes(itemId) ? before.toCount : [...before.toCount, itemId],
      counted: before.counted.filter((id) => id !== itemId),
    }),
    session,
  );
  return { session: next, findings };
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

/** A leg in words: "Brake strength, 85 % → 65 %". */
export function legTitle(profile: EscProfile, held: StopByItem, leg: Leg): string {
  const item = itemById(profile, leg.itemId);
  const from = stopById(item, held[leg.itemId]!).label;
  const to = stopById(item, leg.stopId).label;
  return leg.purpose === 'store' ? `${item.label}: ${from} → ${to}` : `${item.label}: count it back`;
}
