/**
 * What is on the ESC is evidence, not a field: observations are only ever added, and the latest one of each
 * item is what is believed, with how sure one may be.
 */
import { factoryStops, type EscProfile, type StopByItem } from '../esc/profile';

/** How an item's value came to be known, best first. */
export const EVIDENCE = {
  readBack: 'read back',
  countedBack: 'counted back',
  seenStored: 'seen stored',
  userWord: 'on your word',
  assumedFactory: 'assumed as from the factory',
} as const;
export type EvidenceBasis = keyof typeof EVIDENCE;

/** Only what the ESC itself has shown again counts as verified; the user's word never does. */
export const isVerified = (basis: EvidenceBasis): boolean => basis === 'readBack' || basis === 'countedBack';

export interface Observation {
  itemId: string;
  /** Null when it became unknown. */
  stopId: string | null;
  basis: EvidenceBasis;
  /** ISO 8601. */
  at: string;
}

/** What is believed of one item. */
export type Holding = Omit<Observation, 'itemId'>;

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
 * @param observations oldest first; those of items that the profile lacks are passed over
 */
export function holdingsOf(profile: EscProfile, observations: Observation[]): Holdings {
  const known = new Set(profile.items.map((item) => item.id));
  const latest: Record<string, Holding> = {};
  for (const { itemId, ...holding } of observations) if (known.has(itemId)) latest[itemId] = holding;
  return latest;
}

/** A stop for every item, taking the factory's where the ESC's is unknown. For drills and plans, which need one. */
export function believedStops(profile: EscProfile, holdings: Holdings): StopByItem {
  const factory = factoryStops(profile);
  return Object.fromEntries(profile.items.map(({ id }) => [id, holdings[id]?.stopId ?? factory[id]!]));
}

/** The weakest basis among all items: how far the whole may be trusted. */
export function weakestBasis(holdings: Holdings): EvidenceBasis {
  const order = Object.keys(EVIDENCE) as EvidenceBasis[];
  const worst = Object.values(holdings).reduce((most, { basis }) => Math.max(most, order.indexOf(basis)), 0);
  return order[worst]!;
}
