/** New firmware for the simulated ESC: it does what real updates are known for. Common practice. */
import { factoryStops, type EscProfile, type StopByItem } from '../esc/profile';

/** Every so many values, one is back on the factory's. */
const LOSES_EVERY = 3;

export interface Updated {
  profile: EscProfile;
  /** What it holds then. */
  stops: StopByItem;
}

/**
 * The ESC after an update: its last two items have changed places, and with them their numbers; some of the values that
 * were not the factory's are.
 * @param revision of the profile that describes it then
 */
export function simulatedUpdate(profile: EscProfile, stops: StopByItem, revision: number): Updated {
  const items = [...profile.items.slice(0, -2), ...profile.items.slice(-2).reverse()];
  const factory = factoryStops(profile);
  const changed = profile.items.map(({ id }) => id).filter((id) => stops[id] !== factory[id]);
  const lost = changed.filter((_, place) => place % LOSES_EVERY === 0);
  return {
    profile: { ...profile, revision, items: items.map((item, place) => ({ ...item, number: place + 1 })) },
    stops: { ...stops, ...Object.fromEntries(lost.map((id) => [id, factory[id]!])) },
  };
}
