import { ARCHETYPES } from '../archetypes/archetypes';
import { factoryStops } from '../esc/profile';
import { defaultRig } from '../rig/defaults';
import type { Surroundings } from './makeLessons';

/** Every archetype with what its lessons are made of, and a value drafted. */
export const surroundings = ARCHETYPES.map(({ profile, serves }): Surroundings => {
  const rig = defaultRig(serves[0] ?? 'tenthBuggy');
  const stops = factoryStops(profile);
  const item = profile.items.find(
    ({ existsWhile, stops: its }) => existsWhile.length === 0 && its.length > 1,
  )!;
  const other = item.stops.find(({ id }) => id !== stops[item.id])!;
  return { profile, channel: rig.channel, stops, cells: rig.pack.cells, draft: { [item.id]: other.id } };
});
