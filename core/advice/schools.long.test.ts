import { describe, expect, it } from 'vitest';
import { ARCHETYPES, type Archetype } from '../archetypes/archetypes';
import { factoryStops, type StopByItem } from '../esc/profile';
import { escBehaviour } from '../physics/escChain';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { resolveRig } from '../rig/resolve';
import { SCHOOLS } from './disagreements';
import { schoolsFor, sidesTold } from './schools';

/** No pattern offers to do without sensors, where the motor starts by feel. */
function withSensorless({ profile, serves }: Archetype): Archetype {
  const items = profile.items.map((item) =>
    item.setting === 'motorType'
      ? {
          ...item,
          stops: [
            ...item.stops,
            {
              ...item.stops[0]!,
              id: 'without',
              number: 9,
              value: { kind: 'choice', choice: 'sensorless' } as const,
            },
          ],
        }
      : item,
  );
  return { profile: { ...profile, items }, serves };
}

/** Everything that a question shows of its sides, rig by rig of the archetypes that let it be answered. */
function* toldAnywhere(id: string): Generator<string[]> {
  for (const { profile, serves } of ARCHETYPES.map(withSensorless))
    for (const vehicleClass of serves) {
      const rig = { ...defaultRig(vehicleClass), name: 'Test' };
      const school = schoolsFor(profile, rig.pack.cells, vehicleClass).find((one) => one.id === id);
      if (!school) continue;
      const behave = (stops: StopByItem) =>
        escBehaviour(profile, stops, rig.channel, rangeOf(rig.channel), rig.pack.cells);
      const told = sidesTold(school, profile, resolveRig(rig, profile), factoryStops(profile), behave);
      yield told.map(({ numbers }) => numbers.map(({ number }) => String(number.value?.toFixed(3))).join());
    }
}

describe.each(SCHOOLS.map(({ id }) => id))('the disagreement about %s', (id) => {
  it('has at least two sides that differ in what they cost, on at least one rig', () => {
    let sides = 0;
    for (const told of toldAnywhere(id)) {
      sides = new Set(told).size;
      if (sides > 1) break;
    }
    expect(sides).toBeGreaterThan(1);
  });
});
