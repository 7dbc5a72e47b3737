import { copperResistance, motorModel, type MotorModel } from '../physics/motor';
import { openCircuitVolts } from '../physics/pack';
import { bladeInertia, type Propeller } from '../physics/propeller';
import type { EscProfile } from '../esc/profile';
import type { Basis } from '../units/provenance';
import type { PropellerVehicle, Rig, WheeledVehicle } from './rig';

/** Motor, pack and ESC as plain SI numbers. */
export interface ResolvedPower {
  motor: MotorModel;
  cells: number;
  openVolts: number;
  packOhm: number;
  burstAmps: number;
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
}

export interface ResolvedPropeller extends ResolvedPower {
  kind: 'propeller';
  massKg: number;
  propeller: Propeller;
}

/** A rig as plain SI numbers, ready for the steppers. */
export type ResolvedRig = ResolvedWheels | ResolvedPropeller;

/** Charge at which the drills start: a pack off the charger that has driven to the line. */
const DRILL_STATE_OF_CHARGE = 0.9;

/** Winding temperature during the drills: warm from a lap, not hot. Assumed. */
const DRILL_WINDING_C = 50;

/** Plain numbers for the hot loops; provenance stays behind. */
export function resolveRig(rig: Rig, profile: EscProfile): ResolvedRig {
  const power = resolvePower(rig, profile);
  return rig.vehicle.kind === 'wheels'
    ? { ...power, ...resolveWheels(rig.vehicle) }
    : { ...power, ...resolvePropeller(rig.vehicle, power.motor) };
}

function resolvePower({ motor, pack }: Rig, { limits }: EscProfile): ResolvedPower {
  const windingOhm = copperResistance(motor.resistanceOhm.value, DRILL_WINDING_C);
  return {
    motor: motorModel(motor.kvRpmPerVolt.value, windingOhm, limits.bridgeOhm, {
      inductance: motor.inductanceH.value,
      noLoadCurrent: motor.noLoadCurrentA.value,
      polePairs: motor.polePairs.value,
      rotorInertia: motor.rotorInertiaKgM2.value,
    }),
    cells: pack.cells,
    openVolts: pack.cells * openCircuitVolts(pack.chemistry, DRILL_STATE_OF_CHARGE),
    packOhm: pack.cells * pack.cellResistanceOhm.value + pack.leadResistanceOhm.value,
    burstAmps: limits.burstAmps,
  };
}

const resolveWheels = (vehicle: WheeledVehicle): Omit<ResolvedWheels, keyof ResolvedPower> => ({
  kind: 'wheels',
  massKg: vehicle.massKg.value,
  wheelRadiusM: vehicle.wheelDiameterM.value / 2,
  finalDrive: vehicle.finalDrive.value,
  drivenWeightShare: vehicle.drivenWeightShare.value,
  grip: vehicle.grip.value,
  rollingResistance: vehicle.rollingResistance.value,
  dragAreaM2: vehicle.dragAreaM2.value,
  wheelInertiaKgM2: vehicle.wheelInertiaKgM2.value,
  drivelineEfficiency: vehicle.drivelineEfficiency.value,
});

function resolvePropeller(
  vehicle: PropellerVehicle,
  motor: MotorModel,
): Omit<ResolvedPropeller, keyof ResolvedPower> {
  const diameterM = vehicle.propellerDiameterM.value;
  return {
    kind: 'propeller',
    massKg: vehicle.massKg.value,
    propeller: {
      diameterM,
      inertia: bladeInertia(vehicle.propellerMassKg.value, diameterM) + motor.rotorInertia,
      thrustCoefficient: vehicle.thrustCoefficient.value,
      powerCoefficient: vehicle.powerCoefficient.value,
    },
  };
}

/** The inputs of the drills that a user can put a better number to, with their words and origin. */
export function drillInputs({ vehicle, motor, pack }: Rig): { name: string; basis: Basis }[] {
  const ofVehicle =
    vehicle.kind === 'wheels'
      ? [
          { name: 'mass', basis: vehicle.massKg.basis },
          { name: 'gearing', basis: vehicle.finalDrive.basis },
          { name: 'grip', basis: vehicle.grip.basis },
        ]
      : [
          { name: 'propeller size', basis: vehicle.propellerDiameterM.basis },
          { name: 'its mass', basis: vehicle.propellerMassKg.basis },
          { name: 'its coefficients', basis: vehicle.powerCoefficient.basis },
        ];
  return [
    ...ofVehicle,
    { name: 'motor kV', basis: motor.kvRpmPerVolt.basis },
    { name: 'motor resistance', basis: motor.resistanceOhm.basis },
    { name: 'motor inductance', basis: motor.inductanceH.basis },
    { name: 'pack resistance', basis: pack.cellResistanceOhm.basis },
  ];
}
