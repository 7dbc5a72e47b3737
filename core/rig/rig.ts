/** A rig: one model on the bench, as the user describes it. SI units, each number with its origin. */
import type { Chemistry } from '../physics/pack';
import type { ThrottleChannel } from '../radio/pulse';
import type { Quantity } from '../units/provenance';
import type { BusLoad } from './busLoads';
import type { VehicleClass } from './vehicleClass';

/** Teeth between motor and wheel. */
export interface Gearing {
  spurTeeth: number;
  pinionTeeth: number;
  /** Turns of the spur's shaft for one of the wheel. */
  internalRatio: number;
}

/** The air it runs in. */
export interface Surroundings {
  /** Of the field above the sea. */
  altitudeM: Quantity;
  airCelsius: Quantity;
}

/** A car or truck. */
export interface WheeledVehicle extends Surroundings {
  kind: 'wheels';
  massKg: Quantity;
  wheelDiameterM: Quantity;
  /** How much the tyre grows at top speed, share of its diameter. */
  tyreGrowth: Quantity;
  /** Motor turns for one turn of the wheel. */
  finalDrive: Quantity;
  /** Null where only the final drive is known. */
  gearing: Gearing | null;
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
  slipperClutch: boolean;
}

/** An aeroplane, helicopter, multirotor or boat; with several motors, each has such a propeller. */
export interface PropellerVehicle extends Surroundings {
  kind: 'propeller';
  fluid: 'air' | 'water';
  massKg: Quantity;
  propellerDiameterM: Quantity;
  propellerPitchM: Quantity;
  propellerMassKg: Quantity;
  /** Motor turns for one of the propeller; 1 where it sits on the shaft. */
  gearRatio: Quantity;
  /** Static thrust coefficient, T = C_T·ρ·n²·D⁴. */
  thrustCoefficient: Quantity;
  /** Static power coefficient, P = C_P·ρ·n³·D⁵. */
  powerCoefficient: Quantity;
  /** Whether the blades fold back when it stops. */
  folding: boolean;
}

export type Vehicle = WheeledVehicle | PropellerVehicle;
export type VehicleKind = Vehicle['kind'];

export const MOTOR_KINDS = {
  inrunner: 'inrunner',
  outrunner: 'outrunner',
  brushed: 'brushed',
} as const;
export type MotorKind = keyof typeof MOTOR_KINDS;

export interface Motor {
  type: MotorKind;
  kvRpmPerVolt: Quantity;
  /** Phase to phase at 20 °C. */
  resistanceOhm: Quantity;
  /** Phase to phase. */
  inductanceH: Quantity;
  noLoadCurrentA: Quantity;
  polePairs: Quantity;
  rotorInertiaKgM2: Quantity;
  /** What the end bell is turned to, mechanical degrees. */
  endBellDegrees: Quantity;
  /** Torque that its magnets hold at rest, N·m. */
  detentNm: Quantity;
  sensored: boolean;
  temperatureSensor: boolean;
}

export interface Pack {
  chemistry: Chemistry;
  cells: number;
  capacityAh: Quantity;
  /** Printed continuous rating. */
  ratingC: Quantity;
  /** Each cell, ohmic. */
  cellResistanceOhm: Quantity;
  /** Wires and plugs, both ways. */
  leadResistanceOhm: Quantity;
}

/** What only use tells, each as a share of what is usual for its class. */
export interface InUse {
  /** How well motor and ESC shed heat. */
  motorCooling: Quantity;
  escCooling: Quantity;
  /** How much heat they take up while they warm. */
  motorHeatMass: Quantity;
  escHeatMass: Quantity;
  /** How far every pull of the trigger goes, against its lap. */
  howHard: Quantity;
  /** What corners and climbs ask for. */
  corners: Quantity;
}

/** A BEC of its own, with the red wire of the ESC's throttle lead isolated. */
export interface ExternalBec {
  volts: number;
  continuousAmps: number;
}

/** What a later step has to know about getting at things. */
export interface Access {
  programmingLead: string;
  setKey: string;
}

export interface Rig {
  name: string;
  vehicleClass: VehicleClass;
  vehicle: Vehicle;
  motor: Motor;
  /** How many motors of this kind, each with an ESC of its own. */
  motorCount: number;
  pack: Pack;
  channel: ThrottleChannel;
  busLoads: BusLoad[];
  externalBec: ExternalBec | null;
  /** Whether a fan cools the ESC. */
  fan: boolean;
  /** Gain of a stability aid, %; null where there is none. */
  stabilityGainPercent: number | null;
  access: Access;
  inUse: InUse;
}
