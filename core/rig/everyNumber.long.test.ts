import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../archetypes/archetypes';
import { plainEsc } from '../physics/behaviour.fixture';
import { DRILLS, runDrill, type DrillId } from '../physics/drills/runDrill';
import { defaultRig } from './defaults';
import { fieldsOf, quantityAt, withQuantity, type QuantityPath } from './fields';
import { guessesFollow } from './guesses';
import { resolveRig } from './resolve';
import type { Rig } from './rig';
import { usualUse } from './use';
import type { VehicleClass } from './vehicleClass';

/** Everything that the drills say of a rig, as it is shown to four digits. */
function told(rig: Rig): string {
  // Within ten minutes, too, how much heat something takes up still counts.
  const use = { ...usualUse(rig.vehicleClass), raceMinutes: 10 };
  const resolved = resolveRig(rig, archetypeFor(rig.vehicleClass).profile, use);
  return (Object.keys(DRILLS[rig.vehicle.kind]) as DrillId[])
    .flatMap((id) => runDrill(id, resolved, plainEsc()).numbers)
    .map(({ id, value }) => `${id} ${value?.toPrecision(4)}`)
    .join('\n');
}

/** A number that is nothing so far becomes this; the others grow by a tenth. */
const FROM_NOTHING: Partial<Record<QuantityPath, number>> = {
  'vehicle.tyreGrowth': 0.1,
  'motor.endBellDegrees': 5,
  'vehicle.altitudeM': 1500,
};

const changed = (rig: Rig, path: QuantityPath): Rig => {
  const quantity = quantityAt(rig, path);
  const grown = path === 'motor.polePairs' ? quantity.value + 1 : 1.1 * quantity.value;
  const value = FROM_NOTHING[path] ?? (path === 'vehicle.drivenWeightShare' ? 0.5 : grown);
  return guessesFollow(
    rig,
    withQuantity(rig, path, {
      ...quantity,
      value: Math.min(value, path === 'vehicle.drivelineEfficiency' ? 1 : value),
    }),
  );
};

describe.each(['tenthBuggy', 'crawler', 'sportPlane', 'helicopter', 'fastBoat'] as const)(
  'every number of a %s moves something',
  (vehicleClass: VehicleClass) => {
    const rig = defaultRig(vehicleClass);
    const before = told(rig);
    it.each(fieldsOf(rig).map(({ path }) => path))('%s', (path) => {
      expect(told(changed(rig, path))).not.toBe(before);
    });
  },
);

it('a slipper clutch spares the driveline at little cost; soft tyres gear up', () => {
  const numbersOf = (change: object, drill: 'launch' | 'topSpeed') => {
    const rig = defaultRig('basher');
    const vehicle = { ...rig.vehicle, ...change };
    const resolved = resolveRig({ ...rig, vehicle }, archetypeFor('basher').profile);
    return Object.fromEntries(
      runDrill(drill, resolved, plainEsc()).numbers.map(({ id, value }) => [id, value!]),
    );
  };
  const [fixed, slipping] = [false, true].map((slipperClutch) => numbersOf({ slipperClutch }, 'launch'));
  expect(slipping!.wheelspin).toBeLessThan(0.2 * fixed!.wheelspin!);
  expect(slipping!.peakTorque).toBeLessThan(fixed!.peakTorque!);
  expect(slipping!.to20! / fixed!.to20!).toBeLessThan(1.1);
  const [hard, soft] = [0, 0.2].map((value) =>
    numbersOf({ tyreGrowth: { value, basis: 'given' } }, 'topSpeed'),
  );
  expect(soft!.top! / hard!.top!).toBeGreaterThan(1.05);
  expect(soft!.top! / hard!.top!).toBeLessThan(1.2);
});
