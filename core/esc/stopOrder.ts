import { itemById, type EscProfile, type ProfileItem, type Stop, type StopByItem } from './profile';
import { comparableNumber } from '../settings/value';
import { VOCABULARY } from '../settings/vocabulary';

/**
 * Stops with the lowest vocabulary value first, so that left always does what the left word says. Choices keep the ESC's
 * order. A command is done once and never held: it has no place on a rail.
 */
export function inOrder(item: ProfileItem, cells: number): Stop[] {
  const number = (stop: Stop): number => comparableNumber(stop.value, cells) ?? 0;
  const held = item.stops.filter(({ id }) => !item.commandStopIds.includes(id));
  return VOCABULARY[item.setting].choices ? held : held.toSorted((a, b) => number(a) - number(b));
}

/** Where a draft mark may go next: one stop down or up on each of some rails. */
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
