/** Values that are set for an event and go back afterwards. */
import { stopById, type EscProfile, type ProfileItem, type Stop, type StopByItem } from '../esc/profile';
import { isVerified, type Holding, type Holdings } from '../sheet/evidence';
import type { Goals, Temporary } from './goals';

export interface ActiveTemporary {
  item: ProfileItem;
  returnsTo: Stop;
  /** The last day, YYYY-MM-DD. */
  until: string;
}

/**
 * The temporary values that stand in any of some sets of stops, what is drafted and what the ESC holds: it is told until
 * it is put back in both.
 */
export function activeTemporary(
  temporary: Goals['temporary'],
  profile: EscProfile,
  ...sets: readonly StopByItem[]
): ActiveTemporary[] {
  return profile.items.flatMap((item) => {
    const meant = temporary[item.id];
    const returnsTo = item.stops.find(({ id }) => id === meant?.returnsToStopId);
    if (!meant || !returnsTo || !sets.some((stops) => stops[item.id] === meant.stopId)) return [];
    return [{ item, returnsTo, until: meant.until }];
  });
}

/** A value for a while that is not back for certain. */
export interface ToPutBack extends ActiveTemporary {
  /** The ESC holds it; nobody knows what it holds; or it was put back and not verified since. */
  how: 'held' | 'unknown' | 'notVerified';
}

/** What has to be put back on the ESC, or to be verified there. */
export function toPutBack(
  temporary: Goals['temporary'],
  profile: EscProfile,
  holdings: Holdings,
): ToPutBack[] {
  return profile.items.flatMap((item) => {
    const meant = temporary[item.id];
    const holding = holdings[item.id];
    const returnsTo = item.stops.find(({ id }) => id === meant?.returnsToStopId);
    const how = meant && holding && howOut(meant, holding);
    return meant && returnsTo && how ? [{ item, returnsTo, until: meant.until, how }] : [];
  });
}

function howOut(
  { stopId, returnsToStopId, since }: Temporary,
  holding: Holding,
): ToPutBack['how'] | undefined {
  if (holding.stopId === stopId) return 'held';
  const wasLoaded = since !== undefined && Date.parse(holding.at) > Date.parse(since);
  if (!wasLoaded) return undefined;
  if (holding.stopId === null) return 'unknown';
  return holding.stopId === returnsToStopId && !isVerified(holding.basis) ? 'notVerified' : undefined;
}

/** Marks a value as meant for a while. @param until YYYY-MM-DD @param since ISO 8601 @throws {Error} for a stop that the item does not have */
export function withTemporary(
  temporary: Goals['temporary'],
  item: ProfileItem,
  stopId: string,
  returnsToStopId: string,
  until: string,
  since: string,
): Goals['temporary'] {
  stopById(item, stopId);
  stopById(item, returnsToStopId);
  return { ...temporary, [item.id]: { stopId, returnsToStopId, until, since } };
}
