import { itemById, type EscProfile, type ProfileItem, type Stop, type StopByItem } from './profile';
import { comparableNumber } from '../settings/value';
import { VOCABULARY } from '../settings/vocabulary';

/** Stops with the lowest vocabulary value first, so that left always does what the left word says. Choices keep the ESC's order. */
export function inOrder(item: ProfileItem, cells: number): Stop[] {
  const number = (stop: Stop): number => comparableNumber(stop.value, cells) ?? 0;
  return VOCABULARY[item.setting].choices ? item.stops : item.stops.toSorted((a, b) => number(a) - number(b));
}

/** Where a lozenge may go next: one stop down or up on each of some rails. */
export function oneStepOn(
  profile: EscProfile,
  stops: StopByItem,
  itemIds: readonly string[],
  cells: number,
): StopByItem[] {
  return itemIds.flatMap((itemId) => {
    const order = inOrder(itemById(profile, itemId), cells);
    const at = order.findIndex(({ id }) => id === stops[itemId]);
    return [order[at + 1], order[at - 1]]
      .filter((stop) => stop !== undefined)
      .map(({ id }) => ({ ...stops, [itemId]: id }));
  });
}
