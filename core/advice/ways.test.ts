import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../archetypes/archetypes';
import { fortyItems, everyItem } from '../archetypes/fortyItems.fixture';
import { UNTIED, factoryStops, type EscProfile } from '../esc/profile';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { Rig } from '../rig/rig';
import type { VehicleClass } from '../rig/vehicleClass';
import { usualGoals } from './goals';
import { waysOf, type Way, type WayFacts } from './ways';

function ways(
  vehicle: VehicleClass,
  change: (rig: Rig) => void = () => undefined,
  given: Partial<WayFacts> = {},
) {
  const rig = structuredClone(defaultRig(vehicle));
  change(rig);
  const { profile } = { ...archetypeFor(vehicle), ...given };
  const stops = factoryStops(profile);
  const goals = usualGoals(vehicle);
  const facts = {
    rig,
    stops,
    believed: stops,
    factory: stops,
    range: rangeOf(rig.channel),
    rules: undefined,
    goals,
  };
  return new Map(waysOf({ ...facts, profile, ...given }).map((way) => [way.id, way]));
}
const here = (way: Way | undefined): string[] => way!.sides.map((side) => side.here);

/** No archetype can be silenced. */
function withErrorBeeps(profile: EscProfile): EscProfile {
  const [item] = profile.items;
  const stop = item!.stops[0]!;
  const beeps = {
    ...item!,
    ...UNTIED,
    id: 'beeps',
    number: 99,
    setting: 'errorBeeps' as const,
    factoryStopId: 'on',
    stops: [{ ...stop, id: 'on', value: { kind: 'choice', choice: 'on' } as const }],
  };
  return { ...profile, items: [...profile.items, beeps] };
}

describe('questions about how to work (common practice)', () => {
  it('limiting at the radio leaves fewer trigger positions and no full signal', () => {
    const [atRadio, inEsc] = here(ways('tenthBuggy', undefined, { profile: everyItem() }).get('limiting'));
    const positions = (words: string | undefined): number => Number(/(\d+) trigger/.exec(words!)![1]);
    expect(positions(atRadio)).toBeLessThan(positions(inEsc));
    expect(atRadio).toContain('never arrives');
    expect(inEsc).not.toContain('never arrives');
  });

  it('an end point of 60 % is 60 % where it was lowered after calibrating, and all of it where before', () => {
    const [first, last] = here(ways('tenthBuggy').get('calibrating'));
    expect(first).toContain('gives 60\u00a0%');
    expect(last).toContain('gives 100\u00a0%');
  });

  it('two ESCs in turn take twice the moves; a single one raises no question', () => {
    const [together, inTurn] = here(ways('twinPlane', (rig) => (rig.motorCount = 2)).get('severalMotors'));
    expect(parseInt(inTurn!, 10)).toBe(2 * parseInt(together!, 10));
    expect(ways('sportPlane').has('severalMotors')).toBe(false);
  });

  it('a long press takes as long as the profile says, a restart as long as its start, both their sum', () => {
    const { profile } = archetypeFor('tenthBuggy');
    const medium = profile.media.find((one) => 'storeHoldMs' in one)!;
    const storing = ways('tenthBuggy').get('storing')!;
    const seconds = (words: string): number => Number(/([\d.]+)\s*s\b/.exec(words)![1]);
    const holdS = (medium as { storeHoldMs: number }).storeHoldMs / 1000;
    const bootS = profile.bootMs / 1000;
    expect(here(storing).map(seconds)).toEqual([holdS, bootS]);
    expect(seconds(storing.usual)).toBeCloseTo(holdS + bootS, 6);
  });

  it('high-voltage cells begin 4 % faster when full: 4.35 against 4.18 V', () => {
    const [full, kind] = here(ways('tenthBuggy', (rig) => (rig.pack.chemistry = 'lihv')).get('highVoltage'));
    expect(full).toContain('4\u00a0% less');
    // The curve of these cells passes 4.18 V at 85 % of the charge.
    expect(kind).toContain('15\u00a0% of the capacity is not used');
    expect(ways('tenthBuggy').has('highVoltage')).toBe(false);
  });

  it('silenced, every guard acts without a word', () => {
    const [, silenced] = here(
      ways('basher', undefined, { profile: withErrorBeeps(everyItem()) }).get('errorBeeps'),
    );
    expect(silenced).toMatch(/^[1-9] guards act silently/);
  });

  it('from the factory and from what is there are counted apart', () => {
    const profile = fortyItems();
    const factory = factoryStops(profile);
    const [a, b] = profile.items;
    const believed = { ...factory, [a!.id]: a!.stops.at(-1)!.id };
    const stops = { ...believed, [b!.id]: b!.stops.at(-1)!.id };
    const [fromFactory, fromHere] = here(
      ways('basher', undefined, { profile, factory, believed, stops }).get('startingFrom'),
    );
    expect(fromFactory).toContain('2 values to set');
    expect(fromHere).toContain('1 value to set');
    expect(fromHere).toContain(a!.label);
  });
});
