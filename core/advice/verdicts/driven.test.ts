import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../../archetypes/archetypes';
import { factoryStops } from '../../esc/profile';
import { rangeOf } from '../../radio/pulse';
import { defaultRig } from '../../rig/defaults';
import { usualGoals } from '../goals';
import { drivenSoFar, drivenTo, takeDriven } from './driven';

/** A rig and an ESC that nothing was driven for yet: what is driven is kept with these very objects. */
const situation = () => {
  const profile = { ...archetypeFor('tenthBuggy').profile };
  const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
  const goals = usualGoals('tenthBuggy');
  return { rig, profile, stops: factoryStops(profile), range: rangeOf(rig.channel), rules: undefined, goals };
};

describe('what was driven on one thread', () => {
  it('counts on another: it is not driven again', () => {
    const there = situation();
    const peak = drivenTo('launch', 'peakPack', there)!;
    const driven = drivenSoFar(there.rig, there.profile);
    expect(driven).toHaveLength(1);
    // Marked, so that it shows where the number comes from.
    const marked = driven.map(
      ([key, numbers]) => [key, numbers.map((one) => ({ ...one, value: (one.value ?? 0) + 1000 }))] as const,
    );
    const here = situation();
    takeDriven(here.rig, here.profile, structuredClone(marked));
    expect(drivenTo('launch', 'peakPack', here)).toBe(peak + 1000);
    // Another rig has nothing of it.
    expect(drivenTo('launch', 'peakPack', situation())).toBe(peak);
  });
});
