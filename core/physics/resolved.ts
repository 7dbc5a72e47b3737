/** What physics is given: a rig as plain SI numbers. Where they come from is the rig's affair. */
import type { MotorModel } from './motor';
import type { Lap } from './lap';
import type { Chemistry, PackThermal } from './pack';

/** How warm a motor is where it has the resistance that it is given, and when a run begins: from a lap, not hot, °C. Assumed. */
export const WARM_C = 50;

/** Motor, pack and ESC as plain SI numbers. */
export interface ResolvedPower {
  motor: MotorModel;
  cells: number;
  /** At the charge with which a drill starts, V. */
  openVolts: number;
  /** As one motor feels it: the pack sags under all of them, as warm as the air, ohm. */
  packOhm: number;
  /** Of that, what the wires and plugs have. */
  leadOhm: number;
  chemistry: Chemistry;
  /** One motor's share of the pack, Ah. */
  capacityAh: number;
  startCharge: number;
  /** With which a stint starts: a pack off the charger. */
  fullCharge: number;
  /** What a stint drives over and over. */
  lap: Lap;
  /** How long it has to last, minutes; undefined where nobody has said. */
  raceMinutes: number | undefined;
  /** How much of a stint is drawn, minutes: the same whatever the ESC does. */
  shownMinutes: number;
  burstAmps: number;
  thermal: ThermalModel;
  packThermal: PackThermal;
  fan: boolean;
  /** Advance that the motor has of itself, electrical degrees: the ESC's comes on top. */
  endBellDegrees: number;
  /** Torque that a motor's magnets hold at rest, N·m. */
  detentTorque: number;
  sensored: boolean;
  bus: BusModel;
  /** Relative error that a step of a run may make. */
  accuracy: number;
  ambientC: number;
}

/** What hangs on the receiver and what feeds it. */
export interface BusModel {
  /** All together, A at `atVolts`: at rest, moving, held still. */
  idleAmps: number;
  movingAmps: number;
  stallAmps: number;
  /** What the supply gives for long; a share more for a moment. */
  continuousAmps: number;
  /** The voltage of an external BEC; undefined where the ESC's own feeds them. */
  externalVolts: number | undefined;
  /** How many motors share the pack that feeds it. */
  sharedByMotors: number;
  /** Whether the ESC's own turns what it does not give into heat. */
  isLinear: boolean;
}

export interface ResolvedWheels extends ResolvedPower {
  kind: 'wheels';
  massKg: number;
  wheelRadiusM: number;
  finalDrive: number;
  drivenWeightShare: number;
  grip: number;
  rollingResistance: number;
  dragAreaM2: number;
  wheelInertiaKgM2: number;
  drivelineEfficiency: number;
  /** How much larger the tyre is at the no-load speed, as a share. */
  tyreGrowth: number;
  /** What corners and climbs of its lap ask for, as a share of what is usual. */
  cornersShare: number;
  /** Whether a clutch slips before the tyres do. */
  slipperClutch: boolean;
}

export interface ResolvedPropeller extends ResolvedPower {
  kind: 'propeller';
  massKg: number;
  propeller: Propeller;
}

/** A rig as plain SI numbers, ready for the steppers. */
export type ResolvedRig = ResolvedWheels | ResolvedPropeller;

export interface Propeller {
  diameterM: number;
  /** How far it would screw itself forward in one turn of the motor's shaft, m. */
  pitchM: number;
  /** About the shaft, blades and rotor, kg·m². */
  inertia: number;
  thrustCoefficient: number;
  powerCoefficient: number;
}

/** Heat in motor and ESC as lumped nodes. */
export interface ThermalModel {
  /** Heat capacities, J/K. */
  windingJPerK: number;
  caseJPerK: number;
  escJPerK: number;
  /** Winding to case, K/W. */
  windingToCase: number;
  /** Case to the air, standing and moving, K/W. */
  caseStill: number;
  caseMoving: number;
  /** ESC to the air, without and with a fan, K/W. */
  escStill: number;
  escFan: number;
}
