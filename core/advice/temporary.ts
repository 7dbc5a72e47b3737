/** Values that are set for an event and go back afterwards. */
import { stopById, type EscProfile, type ProfileItem, type Stop, type StopByItem } from '../esc/profile';
import type { Goals } from './goals';

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

/** Marks a value as meant for a while. @param until YYYY-MM-DD @throws {Error} for a stop that the item does not have */
export function withTemporary(
  temporary: Goals['temporary'],
  item: ProfileItem,
  stopId: string,
  returnsToStopId: string,
  until: string,
): Goals['temporary'] {
  stopById(item, stopId);
  stopById(item, returnsToStopId);
  return { ...temporary, [item.id]: { stopId, returnsToStopId, until } };
}
