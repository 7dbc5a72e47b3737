/**
 * Every number of a rig that a person can state: its bounds in SI, the unit that the trade writes it in, and
 * why it is asked. The form, the open format and their messages all read this table.
 */
import { withUnit } from '../units/format';
import { INCHES_A_METRE } from '../units/convert';
import type { Quantity } from '../units/provenance';
import type { InUse, Motor, Pack, PropellerVehicle, Rig, WheeledVehicle } from './rig';

type KeysOf<T, V> = { [K in keyof T]: T[K] extends V ? K & string : never }[keyof T];
export type QuantityPath =
  | `vehicle.${KeysOf<WheeledVehicle, Quantity> | KeysOf<PropellerVehicle, Quantity>}`
  | `motor.${KeysOf<Motor, Quantity>}`
  | `pack.${KeysOf<Pack, Quantity>}`
  | `inUse.${KeysOf<InUse, Quantity>}`;

export interface RigField {
  path: QuantityPath;
  label: string;
  /** As the trade writes it; '' where it has none. */
  unit: string;
  /** How many of that unit make one of SI. */
  perSi: number;
  /** Bounds in SI: wide enough for anything held in the hands, narrow enough to catch a wrong unit. */
  least: number;
  most: number;
  decimals: number;
  why: string;
  /** Rarely known; shown only when asked for. */
  advanced: boolean;
}

type Bounds = readonly [least: number, most: number];

const field = (
  path: QuantityPath,
  label: string,
  unit: readonly [name: string, perSi: number, decimals: number],
  [least, most]: Bounds,
  why: string,
  advanced = false,
): RigField => ({
  path,
  label,
  unit: unit[0],
  perSi: unit[1],
  decimals: unit[2],
  least,
  most,
  why,
  advanced,
});

export const RIG_FIELDS: readonly RigField[] = [
  field(
    'vehicle.massKg',
    'Mass, ready to drive',
    ['g', 1000, 0],
    [0.05, 60],
    'Decides how hard it pulls away and how long it takes to stop.',
  ),
  field(
    'vehicle.wheelDiameterM',
    'Wheel diameter',
    ['mm', 1000, 1],
    [0.01, 0.5],
    'With the gearing, turns motor speed into road speed.',
  ),
  field(
    'vehicle.finalDrive',
    'Final drive',
    [': 1', 1, 3],
    [0.5, 200],
    'Motor turns for one turn of the wheel: spur ÷ pinion × internal ratio.',
  ),
  field(
    'vehicle.tyreGrowth',
    'Growth of the tyre at top speed',
    ['%', 100, 1],
    [0, 1],
    'Soft tyres balloon, which gears the car up.',
    true,
  ),
  field(
    'vehicle.grip',
    'Grip of tyre on ground',
    ['', 1, 2],
    [0.05, 3],
    'About 0.3 on loose sand, 0.6 on hard dirt, 1 on tarmac. Above it wheels spin or slide.',
  ),
  field(
    'vehicle.rollingResistance',
    'Rolling resistance',
    ['', 1, 3],
    [0.001, 0.5],
    'About 0.02 on tarmac, 0.06 on dirt, 0.15 on loose ground.',
    true,
  ),
  field(
    'vehicle.dragAreaM2',
    'Air drag area',
    ['m²', 1, 3],
    [0, 1],
    'Frontal area times drag coefficient. Matters above 30 km/h.',
    true,
  ),
  field(
    'vehicle.wheelInertiaKgM2',
    'Inertia of all wheels',
    ['kg·cm²', 10000, 2],
    [0, 1],
    'Heavy wheels take some of the punch.',
    true,
  ),
  field(
    'vehicle.drivenWeightShare',
    'Weight on driven wheels',
    ['%', 100, 0],
    [0.1, 1],
    '100 for four-wheel drive.',
    true,
  ),
  field(
    'vehicle.drivelineEfficiency',
    'Driveline efficiency',
    ['%', 100, 0],
    [0.2, 1],
    'Share of the power that the gears let through.',
    true,
  ),
  field(
    'vehicle.propellerDiameterM',
    'Propeller diameter',
    ['in', INCHES_A_METRE, 2],
    [0.02, 1.5],
    'The first number printed on it.',
  ),
  field(
    'vehicle.propellerPitchM',
    'Propeller pitch',
    ['in', INCHES_A_METRE, 2],
    [0.01, 1.5],
    'The second number printed on it.',
  ),
  field(
    'vehicle.propellerMassKg',
    'Propeller mass',
    ['g', 1000, 1],
    [0.0005, 2],
    'Decides how fast it spools up and how long it takes to stop.',
    true,
  ),
  field(
    'vehicle.gearRatio',
    'Gear ratio to the propeller',
    [': 1', 1, 3],
    [0.2, 50],
    'Motor turns for one turn of propeller or rotor. 1 if it sits on the shaft.',
    true,
  ),
  field(
    'vehicle.thrustCoefficient',
    'Thrust coefficient, standing',
    ['', 1, 4],
    [0.002, 0.3],
    'About 0.10 for sport propellers. From a measured thrust and rpm: T/(ρ·n²·D⁴).',
    true,
  ),
  field(
    'vehicle.powerCoefficient',
    'Power coefficient, standing',
    ['', 1, 4],
    [0.001, 0.3],
    'About 0.045 at a pitch of half the diameter, more with more pitch.',
    true,
  ),
  field(
    'vehicle.altitudeM',
    'Your field above the sea',
    ['m', 1, 0],
    [-400, 6000],
    'Thinner air: less thrust, less current and less drag. A tenth of both at 1000 m.',
    true,
  ),
  field(
    'vehicle.airCelsius',
    'Air on the day',
    ['°C', 1, 0],
    [-20, 50],
    'Warm air is thinner, and motor and ESC run hotter.',
    true,
  ),
  field('motor.kvRpmPerVolt', 'Motor kV', ['rpm/V', 1, 0], [50, 20000], 'On its label. Rpm per volt.'),
  field(
    'motor.resistanceOhm',
    'Motor resistance',
    ['mΩ', 1000, 2],
    [0.0005, 2],
    'Phase to phase, from its data sheet. Limits current and braking.',
  ),
  field(
    'motor.noLoadCurrentA',
    'No-load current',
    ['A', 1, 2],
    [0, 50],
    'Current when running free; shows its friction.',
  ),
  field(
    'motor.polePairs',
    'Pole pairs',
    ['', 1, 0],
    [1, 30],
    'Half the number of magnets: two for most four-pole motors.',
  ),
  field(
    'motor.endBellDegrees',
    'End bell turned to',
    ['°', 1, 1],
    [0, 90],
    'Mechanical advance on the motor. The ESC’s electrical degrees add to it.',
    true,
  ),
  field(
    'motor.detentNm',
    'Torque its magnets hold',
    ['mN·m', 1000, 1],
    [0, 0.5],
    'Decides whether it holds on a slope and how finely it starts. About 4 for an inrunner, 15 for an outrunner.',
    true,
  ),
  field(
    'motor.inductanceH',
    'Motor inductance',
    ['µH', 1e6, 2],
    [1e-7, 1e-2],
    'Decides how brake strength and frequency work together.',
    true,
  ),
  field(
    'motor.rotorInertiaKgM2',
    'Rotor inertia',
    ['g·cm²', 1e7, 1],
    [0, 0.01],
    'Acts with the square of the gearing.',
    true,
  ),
  field('pack.capacityAh', 'Pack capacity', ['mAh', 1000, 0], [0.05, 100], 'On its label.'),
  field(
    'pack.ratingC',
    'Printed rating',
    ['C', 1, 0],
    [1, 500],
    'On its label. Used to estimate the resistance if not measured.',
  ),
  field(
    'pack.cellResistanceOhm',
    'Resistance of a cell',
    ['mΩ', 1000, 2],
    [0.00005, 1],
    'From the charger. Decides how far the voltage sags.',
  ),
  field('pack.leadResistanceOhm', 'Wires and plugs', ['mΩ', 1000, 1], [0, 1], 'Both ways together.', true),
  field(
    'inUse.motorCooling',
    'Motor sheds heat',
    ['%', 100, 0],
    [0.1, 10],
    'Against the usual for its class: less under a closed shell, more with a fan. Runs tell.',
    true,
  ),
  field(
    'inUse.escCooling',
    'ESC sheds heat',
    ['%', 100, 0],
    [0.1, 10],
    'Against the usual for its class. Runs tell.',
    true,
  ),
  field(
    'inUse.motorHeatMass',
    'Motor takes up heat',
    ['%', 100, 0],
    [0.1, 10],
    'While it warms, against the usual for its class. A heavier motor takes up more.',
    true,
  ),
  field(
    'inUse.escHeatMass',
    'ESC takes up heat',
    ['%', 100, 0],
    [0.1, 10],
    'While it warms, against the usual for its class.',
    true,
  ),
  field(
    'inUse.howHard',
    'Pull of the trigger',
    ['%', 100, 0],
    [0.3, 1.5],
    'Against the lap of the stint: less for a softer finger. Runs tell.',
    true,
  ),
  field(
    'inUse.corners',
    'Corners and climbs ask for',
    ['%', 100, 0],
    [0, 4],
    'Against the lap of the stint: tyre scrub and hills. Runs tell.',
    true,
  ),
];

/** The table's entry for a path. @throws {Error} on a path that is not in it */
export function rigField(path: QuantityPath): RigField {
  const found = RIG_FIELDS.find((f) => f.path === path);
  if (!found) throw new Error(`no rig field '${path}'`);
  return found;
}

/** A number of a rig in the unit that the trade writes it in. @param value SI */
export function quantityWords(path: QuantityPath, value: number): string {
  const { unit, perSi, decimals } = rigField(path);
  return withUnit(value * perSi, unit, decimals);
}

/** The fields that a rig has: a car has no propeller, and a boat nothing from thin air. */
export const fieldsOf = (rig: Rig): RigField[] =>
  RIG_FIELDS.filter(({ path }) => {
    const [part, key] = partAndKey(path);
    const isNowhere =
      (path === 'vehicle.altitudeM' && isOnWater(rig)) ||
      (path === 'inUse.corners' && rig.vehicle.kind === 'propeller');
    return key in rig[part] && !isNowhere;
  });

const isOnWater = ({ vehicle }: Rig): boolean => vehicle.kind === 'propeller' && vehicle.fluid === 'water';

const partAndKey = (path: QuantityPath) =>
  path.split('.') as ['vehicle' | 'motor' | 'pack' | 'inUse', string];

/** The number of a rig at a path. @throws {Error} where this rig has no such number */
export function quantityAt(rig: Rig, path: QuantityPath): Quantity {
  const [part, key] = partAndKey(path);
  const quantity = (rig[part] as unknown as Record<string, Quantity | undefined>)[key];
  if (!quantity) throw new Error(`this rig has no ${path}`);
  return quantity;
}

/** A copy of a rig with one number replaced. */
export function withQuantity(rig: Rig, path: QuantityPath, quantity: Quantity): Rig {
  const [part, key] = partAndKey(path);
  return { ...rig, [part]: { ...rig[part], [key]: quantity } };
}
