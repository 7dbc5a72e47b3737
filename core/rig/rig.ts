/** A rig: one model on the bench, as the user describes it. SI units, each number with its origin. */
import type { ThrottleChannel } from '../radio/pulse';
import type { Quantity } from '../units/provenance';
import type { Chemistry } from '../physics/pack';

export const VEHICLE_CLASSES = {
  crawler: 'Rock crawler',
  tenthBuggy: 'Tenth-scale buggy',
  eighthBuggy: 'Eighth-scale buggy',
  basher: 'Basher',
} as const;
export type VehicleClass = keyof typeof VEHICLE_CLASSES;

export interface Vehicle {
  massKg: Quantity;
  wheelDiameterM: Quantity;
  /** Motor turns for one turn of the wheel. */
  finalDrive: Quantity;
  /** Share of the weight on driven wheels at rest; 1 for four-wheel drive. */
  drivenWeightShare: Quantity;
  /** Tyre on ground. */
  grip: Quantity;
  rollingResistance: Quantity;
  dragAreaM2: Quantity;
  /** All wheels together, kg·m². */
  wheelInertiaKgM2: Quantity;
  /** From the motor shaft to the ground. */
  drivelineEfficiency: Quantity;
}

export interface Motor {
  kvRpmPerVolt: Quantity;
  /** Phase to phase at 20 °C. */
  resistanceOhm: Quantity;
  /** Phase to phase. */
  inductanceH: Quantity;
  noLoadCurrentA: Quantity;
  polePairs: Quantity;
  rotorInertiaKgM2: Quantity;
  sensored: boolean;
}

export interface Pack {
  chemistry: Chemistry;
  cells: number;
  capacityAh: Quantity;
  /** Each cell, ohmic. */
  cellResistanceOhm: Quantity;
  /** Wires and plugs, both ways. */
  leadResistanceOhm: Quantity;
}

/** Something fed by the BEC. */
export interface BusLoad {
  name: string;
  maxVolts: number;
}

export interface Rig {
  name: string;
  vehicleClass: VehicleClass;
  vehicle: Vehicle;
  motor: Motor;
  pack: Pack;
  channel: ThrottleChannel;
  busLoads: BusLoad[];
}
