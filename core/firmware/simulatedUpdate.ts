/** New firmware for the simulated ESC: it does what real updates are known for. Common practice. */
import { factoryStops, type EscProfile, type StopByItem } from '../esc/profile';

/** Every so many values, one is back on the factory's. */
const LOSES_EVERY = 3;

/**
 * The menu after an update: its last two items have changed places, and with them their numbers.
 * @param revision of the profile that describes it then
 */
export function updatedMenu(profile: EscProfile, revision: number): EscProfile {
  const items = [...profile.items.slice(0, -2), ...profile.items.slice(-2).reverse()];
  return { ...profile, revision, items: items.map((item, place) => ({ ...item, number: place + 1 })) };
}

/** What it holds then: some of the values that were not the factory's are. */
export function stopsAfterUpdate(profile: EscProfile, stops: StopByItem): StopByItem {
  const factory = factoryStops(profile);
  const changed = profile.items.map(({ id }) => id).filter((id) => stops[id] !== factory[id]);
  const lost = changed.filter((_, place) => place % LOSES_EVERY === 0);
  return { ...stops, ...Object.fromEntries(lost.map((id) => [id, factory[id]!])) };
}
