import { copperResistance, motorModel, type MotorModel } from '../physics/motor';
import { openCircuitVolts } from '../physics/pack';
import type { EscProfile } from '../esc/profile';
import type { Basis } from '../units/provenance';
import type { Rig } from './rig';

/** A rig as plain SI numbers, ready for the steppers. */
export interface ResolvedRig {
  massKg: number;
  wheelRadiusM: number;
  finalDrive: number;
  drivenWeightShare: number;
  grip: number;
  rollingResistance: number;
  dragAreaM2: number;
  wheelInertiaKgM2: number;
  drivelineEfficiency: number;
  motor: MotorModel;
  cells: number;
  openVolts: number;
  packOhm: number;
  burstAmps: number;
}

/** Charge at which the drills start: a pack off the charger that has driven to the line. */
const DRILL_STATE_OF_CHARGE = 0.9;

/** Winding temperature during the drills: warm from a lap, not hot. Assumed. */
const DRILL_WINDING_C = 50;

/** Plain numbers for the hot loops; provenance stays behind. */
export function resolveRig(rig: Rig, profile: EscProfile): ResolvedRig {
  const { vehicle, motor, pack } = rig;
  const windingOhm = copperResistance(motor.resistanceOhm.value, DRILL_WINDING_C);
  return {
    massKg: vehicle.massKg.value,
    wheelRadiusM: vehicle.wheelDiameterM.value / 2,
    finalDrive: vehicle.finalDrive.value,
    drivenWeightShare: vehicle.drivenWeightShare.value,
    grip: vehicle.grip.value,
    rollingResistance: vehicle.rollingResistance.value,
    dragAreaM2: vehicle.dragAreaM2.value,
    wheelInertiaKgM2: vehicle.wheelInertiaKgM2.value,
    drivelineEfficiency: vehicle.drivelineEfficiency.value,
    motor: motorModel(motor.kvRpmPerVolt.value, windingOhm, profile.limits.bridgeOhm, {
      inductance: motor.inductanceH.value,
      noLoadCurrent: motor.noLoadCurrentA.value,
      polePairs: motor.polePairs.value,
      rotorInertia: motor.rotorInertiaKgM2.value,
    }),
    cells: pack.cells,
    openVolts: pack.cells * openCircuitVolts(pack.chemistry, DRILL_STATE_OF_CHARGE),
    packOhm: pack.cells * pack.cellResistanceOhm.value + pack.leadResistanceOhm.value,
    burstAmps: profile.limits.burstAmps,
  };
}

/** The inputs of the drills that a user can put a better number to, with their words and origin. */
export function drillInputs(rig: Rig): { name: string; basis: Basis }[] {
  const { vehicle, motor, pack } = rig;
  return [
    { name: 'mass', basis: vehicle.massKg.basis },
    { name: 'gearing', basis: vehicle.finalDrive.basis },
    { name: 'grip', basis: vehicle.grip.basis },
    { name: 'motor kV', basis: motor.kvRpmPerVolt.basis },
    { name: 'motor resistance', basis: motor.resistanceOhm.basis },
    { name: 'motor inductance', basis: motor.inductanceH.basis },
    { name: 'pack resistance', basis: pack.cellResistanceOhm.basis },
  ];
}
