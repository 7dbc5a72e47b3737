/** Legs through menus whose items depend on what is chosen: banks, vehicle types, open modes. */
import { choosersOf, existsOn, itemById, type EscProfile, type StopByItem } from '../esc/profile';
import { setAlong, wayTo, type Change } from '../sheet/draft';
import type { HeldStops } from '../sheet/evidence';
import { legsFor, type Leg } from './loadPlan';

export const storeLeg = ({ itemId, toStopId }: Change): Leg => ({
  purpose: 'store',
  itemId,
  stopId: toStopId,
});
export const showLeg = (target: StopByItem, itemId: string): Leg => ({
  purpose: 'show',
  itemId,
  stopId: target[itemId]!,
});

/**
 * Everything to do for these changes: store each, then have each shown again where the medium can show what is stored.
 * @param changes in the order in which they are stored, ways into other banks among them
 */
export function legsOf(
  profile: EscProfile,
  held: StopByItem,
  changes: readonly Change[],
  showsStored: boolean,
): Leg[] {
  if (choosersOf(profile).size === 0) return legsFor([...changes], showsStored);
  const target = {
    ...held,
    ...Object.fromEntries(changes.map(({ itemId, toStopId }) => [itemId, toStopId])),
  };
  const changed = [...new Set(changes.map(({ itemId }) => itemId))].filter((id) => held[id] !== target[id]);
  return throughMenus(profile, { held, target }, changes, showsStored ? changed : []);
}

/**
 * Where some items are in the menu only while others are on certain stops: what is to be counted is counted before its menu is
 * left, and what lies in a menu that nothing else leads to is fetched.
 */
export function throughMenus(
  profile: EscProfile,
  { held, target }: { held: HeldStops; target: StopByItem },
  stores: readonly Change[],
  left: readonly string[],
): Leg[] {
  const choosers = choosersOf(profile);
  const now: Record<string, string> = Object.fromEntries(
    Object.entries(held).filter((entry): entry is [string, string] => entry[1] !== null),
  );
  const legs: Leg[] = [];
  let open = [...left];
  const showHere = (): void => {
    const here = open.filter(
      (itemId) => now[itemId] === target[itemId] && existsOn(now, itemById(profile, itemId)),
    );
    legs.push(...here.map((itemId) => showLeg(target, itemId)));
    open = open.filter((itemId) => !here.includes(itemId));
  };
  const store = (change: Change): void => {
    if (choosers.has(change.itemId)) showHere();
    legs.push(storeLeg(change));
    Object.assign(now, setAlong(profile, change.itemId, change.toStopId), {
      [change.itemId]: change.toStopId,
    });
  };
  stores.forEach(store);
  showHere();
  for (let way = wayToNext(profile, now, open); way; way = wayToNext(profile, now, open)) {
    const backTo = target[way.itemId];
    const before = open.length;
    store(way);
    showHere();
    if (backTo !== undefined) store({ itemId: way.itemId, fromStopId: way.toStopId, toStopId: backTo });
    if (open.length === before) break;
  }
  return legs;
}

const wayToNext = (profile: EscProfile, now: StopByItem, open: readonly string[]): Change | undefined =>
  open.map((itemId) => wayTo(itemById(profile, itemId), now)).find((way) => way !== undefined);
