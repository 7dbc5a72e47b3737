/** A rig: one model on the bench, as the user describes it. SI units, each number with its origin. */
import type { ThrottleChannel } from '../radio/pulse';
import type { Quantity } from '../units/provenance';
import type { Chemistry } from '../physics/pack';

export const VEHICLE_CLASSES = {
  crawler: 'Rock crawler',
  tenthBuggy: 'Tenth-scale buggy',
  eighthBuggy: 'Eighth-scale buggy',
  basher: 'Basher',
  sportPlane: 'Sport aeroplane',
} as const;
export type VehicleClass = keyof typeof VEHICLE_CLASSES;

/** A car or truck. */
export interface WheeledVehicle {
  kind: 'wheels';
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

/** An aeroplane with a propeller on the motor's shaft. */
export interface PropellerVehicle {
  kind: 'propeller';
  massKg: Quantity;
  propellerDiameterM: Quantity;
  propellerPitchM: Quantity;
  propellerMassKg: Quantity;
  /** Static thrust coefficient, T = C_T·ρ·n²·D⁴. */
  thrustCoefficient: Quantity;
  /** Static power coefficient, P = C_P·ρ·n³·D⁵. */
  powerCoefficient: Quantity;
  /** Whether the blades fold back when it stops. */
  folding: boolean;
}

export type Vehicle = WheeledVehicle | PropellerVehicle;
export type VehicleKind = Vehicle['kind'];

/** How a class moves. */
export const kindOf = (vehicleClass: VehicleClass): VehicleKind =>
  vehicleClass === 'sportPlane' ? 'propeller' : 'wheels';

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
