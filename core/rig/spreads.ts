/** How far off each number of a rig may be where it is a guess. */
import { fieldsOf, quantityAt, type QuantityPath } from './fields';
import type { Rig } from './rig';

export interface Spread {
  path: QuantityPath;
  /** As it stands in a sentence. */
  label: string;
  /** How far off a guess may be, as a share of it. From memory. */
  share: number;
}

const SPREADS: readonly Spread[] = [
  { path: 'vehicle.massKg', label: 'mass', share: 0.1 },
  { path: 'motor.kvRpmPerVolt', label: 'motor kV', share: 0.05 },
  { path: 'motor.resistanceOhm', label: 'motor resistance', share: 0.3 },
  { path: 'motor.inductanceH', label: 'motor inductance', share: 0.4 },
  { path: 'motor.noLoadCurrentA', label: 'no-load current', share: 0.3 },
  { path: 'motor.rotorInertiaKgM2', label: 'rotor inertia', share: 0.3 },
  { path: 'pack.cellResistanceOhm', label: 'pack resistance', share: 0.5 },
  { path: 'pack.leadResistanceOhm', label: 'resistance of wires and plugs', share: 0.5 },
  { path: 'pack.capacityAh', label: 'pack capacity', share: 0.1 },
  { path: 'vehicle.grip', label: 'grip', share: 0.25 },
  { path: 'vehicle.rollingResistance', label: 'rolling resistance', share: 0.4 },
  { path: 'vehicle.dragAreaM2', label: 'air drag', share: 0.3 },
  { path: 'vehicle.wheelInertiaKgM2', label: 'inertia of the wheels', share: 0.3 },
  { path: 'vehicle.drivelineEfficiency', label: 'driveline efficiency', share: 0.08 },
  { path: 'vehicle.thrustCoefficient', label: 'thrust coefficient', share: 0.2 },
  { path: 'vehicle.powerCoefficient', label: 'power coefficient', share: 0.2 },
  { path: 'motor.detentNm', label: 'what the magnets hold', share: 0.5 },
  { path: 'inUse.motorCooling', label: 'how well the motor is cooled', share: 0.35 },
  { path: 'inUse.escCooling', label: 'how well the ESC is cooled', share: 0.35 },
  { path: 'inUse.motorHeatMass', label: 'how much heat the motor takes up', share: 0.3 },
  { path: 'inUse.escHeatMass', label: 'how much heat the ESC takes up', share: 0.3 },
  { path: 'inUse.howHard', label: 'how hard the lap is driven', share: 0.15 },
  { path: 'inUse.corners', label: 'what corners and climbs ask for', share: 0.4 },
];

/** The spreads of the numbers that a rig has. */
export function spreadsOf(rig: Rig): Spread[] {
  const paths = new Set(fieldsOf(rig).map(({ path }) => path));
  return SPREADS.filter(({ path }) => paths.has(path));
}

/** The same of those that nobody has given, measured or fitted. */
export const guessesOf = (rig: Rig): Spread[] =>
  spreadsOf(rig).filter(({ path }) => quantityAt(rig, path).basis === 'assumed');
