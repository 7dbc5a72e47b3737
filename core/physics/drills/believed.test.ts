import { expect, it } from 'vitest';
import { archetypeFor } from '../../archetypes/archetypes';
import { defaultRig } from '../../rig/defaults';
import { withQuantity, type QuantityPath } from '../../rig/fields';
import { resolveRig } from '../../rig/resolve';
import type { Rig } from '../../rig/rig';
import { usualUse } from '../../rig/use';
import type { VehicleClass } from '../../rig/vehicleClass';
import { plainEsc } from '../behaviour.fixture';
import { stint } from './stint';

type Band = readonly [least: number, most: number];

interface Believed {
  vehicleClass: VehicleClass;
  cells: number;
  minutes: number;
  given: Partial<Record<QuantityPath, number>>;
  /** From memory, written down before the model was asked: mAh a minute, can in °C at the end, mean speed in km/h. */
  perMinute: Band;
  can: Band;
  speed?: Band;
  /** What the model says otherwise, and stays so: no number was bent to fit. */
  outside?: readonly string[];
}

const RIGS: Record<string, Believed> = {
  'an eighth-scale truggy': {
    vehicleClass: 'eighthBuggy',
    cells: 4,
    minutes: 10,
    given: {
      'vehicle.massKg': 4.3,
      'vehicle.wheelDiameterM': 0.13,
      'vehicle.finalDrive': 12.5,
      'motor.kvRpmPerVolt': 1900,
      'motor.resistanceOhm': 0.007,
      'pack.capacityAh': 6,
    },
    perMinute: [350, 480],
    can: [65, 95],
    speed: [30, 42],
    // 330: six per cent short.
    outside: ['perMinute'],
  },
  'a modified tenth-scale buggy on carpet': {
    vehicleClass: 'tenthBuggy',
    cells: 2,
    minutes: 5,
    given: {
      'vehicle.massKg': 1.6,
      'vehicle.finalDrive': 9.2,
      'vehicle.grip': 1,
      'vehicle.rollingResistance': 0.03,
      'motor.kvRpmPerVolt': 4000,
      'motor.resistanceOhm': 0.008,
    },
    perMinute: [250, 400],
    can: [55, 85],
    speed: [25, 38],
  },
  'a competition crawler': {
    vehicleClass: 'crawler',
    cells: 3,
    minutes: 30,
    given: {
      'vehicle.massKg': 2.4,
      'vehicle.finalDrive': 40,
      'motor.kvRpmPerVolt': 1400,
      'pack.capacityAh': 1.5,
    },
    perMinute: [20, 50],
    can: [30, 55],
    speed: [2, 5],
  },
  'a short-course truck': {
    vehicleClass: 'tenthBuggy',
    cells: 3,
    minutes: 8,
    given: {
      'vehicle.massKg': 2.9,
      'vehicle.wheelDiameterM': 0.108,
      'vehicle.finalDrive': 11,
      'vehicle.dragAreaM2': 0.06,
      'motor.kvRpmPerVolt': 2400,
      'motor.resistanceOhm': 0.008,
    },
    perMinute: [250, 420],
    can: [60, 95],
    speed: [25, 40],
  },
  'a foam trainer': {
    vehicleClass: 'sportPlane',
    cells: 3,
    minutes: 10,
    given: {
      'vehicle.massKg': 0.9,
      'vehicle.propellerDiameterM': 0.254,
      'vehicle.propellerPitchM': 0.119,
      'motor.kvRpmPerVolt': 1000,
      'motor.resistanceOhm': 0.05,
      'motor.noLoadCurrentA': 1,
      'pack.capacityAh': 2.2,
    },
    perMinute: [110, 200],
    can: [30, 60],
    // 105: five per cent short.
    outside: ['perMinute'],
  },
  'a spec touring car': {
    vehicleClass: 'specCircuit',
    cells: 2,
    minutes: 5,
    given: {
      'vehicle.finalDrive': 4.5,
      'motor.kvRpmPerVolt': 1800,
      'motor.resistanceOhm': 0.028,
      'motor.noLoadCurrentA': 2.5,
    },
    perMinute: [90, 180],
    can: [40, 70],
    speed: [20, 32],
  },
};

function asked({ vehicleClass, cells, minutes, given }: Believed): Record<string, number | undefined> {
  const start: Rig = structuredClone(defaultRig(vehicleClass));
  start.pack.cells = cells;
  const rig = (Object.entries(given) as [QuantityPath, number][]).reduce(
    (next, [path, value]) => withQuantity(next, path, { value, basis: 'given' }),
    start,
  );
  const use = { ...usualUse(vehicleClass), raceMinutes: minutes };
  const resolved = resolveRig(rig, archetypeFor(vehicleClass).profile, use);
  const { numbers } = stint(resolved, plainEsc({ cutoffVoltsPerCell: 3.2, dragBrake: 0.08 }));
  return Object.fromEntries(numbers.map(({ id, value }) => [id, value]));
}

it.each(Object.entries(RIGS))('%s uses, warms and runs as one would believe', (_, believed) => {
  const { perMinute, can, speed } = asked(believed);
  const isOutside = (value: number | undefined, band: Band | undefined): boolean =>
    band !== undefined && (value! < band[0] || value! > band[1]);
  const outside = [
    isOutside(perMinute, believed.perMinute) ? 'perMinute' : '',
    isOutside(can, believed.can) ? 'can' : '',
    isOutside(speed, believed.speed) ? 'speed' : '',
  ].filter(Boolean);
  expect(outside).toEqual(believed.outside ?? []);
});
