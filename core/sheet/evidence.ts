/**
 * What is on the ESC is evidence, not a field: observations are only ever added, and the latest one of each
 * item is what is believed, with how sure one may be.
 */
import { factoryStops, hasStop, type BelievedStops, type EscProfile, type ProfileItem } from '../esc/profile';

/** How an item's value came to be known, best first; behind them, how it came to be unknown. */
export const EVIDENCE = {
  readBack: 'read back',
  countedBack: 'counted back',
  readOffForm: 'read back from the form by hand',
  seenStored: 'seen stored',
  userWord: 'as you say',
  setAlong: 'set together with another item, as the manual says',
  assumedFactory: 'assumed as from the factory',
  interrupted: 'unknown since an interrupted load',
  firmwareUpdate: 'unknown since a firmware update',
  stopGone: 'unknown: its stop no longer exists in the profile',
} as const;
export type EvidenceBasis = keyof typeof EVIDENCE;

/** Only what the ESC itself has shown again counts as verified; the user's word never does. */
export const isVerified = (basis: EvidenceBasis): boolean =>
  basis === 'readBack' || basis === 'countedBack' || basis === 'readOffForm';

export interface Observation {
  itemId: string;
  /** Null when it became unknown. */
  stopId: string | null;
  basis: EvidenceBasis;
  /** ISO 8601. */
  at: string;
}

/** What is believed of one item. */
export interface Holding {
  /** Null where it is unknown. */
  stopId: string | null;
  basis: EvidenceBasis;
  at: string;
  /** The last stop that was known, where the present one is not. */
  lastStopId?: string;
}

/** What is believed of every item, by item id. */
export type Holdings = Readonly<Record<string, Holding>>;

/** The observations with which an ESC's history begins: nobody has looked, so factory values are assumed. */
export const assumeFactory = (profile: EscProfile, at: string): Observation[] =>
  Object.entries(factoryStops(profile)).map(([itemId, stopId]) => ({
    itemId,
    stopId,
    basis: 'assumedFactory',
    at,
  }));

/**
 * What the ESC holds, as far as is known.
 * @param observations oldest first; those of items that the profile lacks are passed over, those of stops that
 * it lacks make the item unknown
 */
export function holdingsOf(profile: EscProfile, observations: Observation[]): Holdings {
  const items = new Map(profile.items.map((item) => [item.id, item]));
  const latest: Record<string, Holding> = {};
  for (const { itemId, stopId, basis, at } of observations) {
    const item = items.get(itemId);
    if (!item) continue;
    const before = latest[itemId];
    const lastStopId = before?.stopId ?? before?.lastStopId;
    const last = lastStopId === undefined ? {} : { lastStopId };
    if (stopId === null) latest[itemId] = { stopId, basis, at, ...last };
    else if (hasStop(item, stopId)) latest[itemId] = { stopId, basis, at };
    else latest[itemId] = { stopId: null, basis: 'stopGone', at, ...last };
  }
  return latest;
}

/** A stop for every item: the known one, else the last known, else the factory's. For drills, which need one. */
export function believedStops(profile: EscProfile, holdings: Holdings): BelievedStops {
  const factory = factoryStops(profile);
  return Object.fromEntries(
    profile.items.map(({ id }) => [id, holdings[id]?.stopId ?? holdings[id]?.lastStopId ?? factory[id]!]),
  );
}

/** What is known for certain or believed, with null where nobody knows. */
export const heldStops = (profile: EscProfile, holdings: Holdings): HeldStops =>
  Object.fromEntries(profile.items.map(({ id }) => [id, holdings[id]?.stopId ?? null]));
export type HeldStops = Readonly<Record<string, string | null>>;

/** The items whose value nobody knows, in menu order. */
export const unknownItems = (profile: EscProfile, holdings: Holdings): ProfileItem[] =>
  profile.items.filter(({ id }) => (holdings[id]?.stopId ?? null) === null);

/** The weakest basis among all items: how far the whole may be trusted. */
export const weakestBasis = (holdings: Holdings): EvidenceBasis =>
  weakestOf(Object.values(holdings).map(({ basis }) => basis));

/** The weakest of some; the best there is where there are none. */
export function weakestOf(bases: readonly EvidenceBasis[]): EvidenceBasis {
  const order = Object.keys(EVIDENCE) as EvidenceBasis[];
  return order[Math.max(0, ...bases.map((basis) => order.indexOf(basis)))]!;
}
