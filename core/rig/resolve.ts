import { WARM_C } from '../physics/resolved';
import { AIR_DENSITY, airDensity, WATER_DENSITY } from '../physics/air';
import { copperResistance, motorModel, type MotorModel } from '../physics/motor';
import { chargeAt, openCircuitVolts, packThermal, temperatureFactor } from '../physics/pack';
import { bladeInertia } from '../physics/propeller';
import { shedding } from '../physics/thermalNodes';
import type {
  BusModel,
  ResolvedPower,
  ResolvedPropeller,
  ResolvedRig,
  ResolvedWheels,
  ThermalModel,
} from '../physics/resolved';
import type { Lap } from '../physics/lap';
import type { EscLimits, EscProfile } from '../esc/profile';
import type { InUse, PropellerVehicle, Rig, Surroundings, WheeledVehicle } from './rig';
import { AT_THE_LINE } from './noLoad';
import { thermalOf } from './thermal';
import { shownMinutes, usualUse, type Use } from './use';

/** Loose enough to be quick, tight enough that no number moves by a thousandth: tests hold it. */
const ACCURACY = 1e-4;

/**
 * Plain numbers for the hot loops; provenance stays behind.
 * @param use what it is used for; what is usual for its class where nobody has said
 */
export function resolveRig(
  rig: Rig,
  profile: EscProfile,
  use: Use = usualUse(rig.vehicleClass),
): ResolvedRig {
  const power = resolvePower(rig, profile, use);
  return rig.vehicle.kind === 'wheels'
    ? { ...power, ...resolveWheels(rig.vehicle, rig.motorCount), cornersShare: rig.inUse.corners.value }
    : { ...power, ...resolvePropeller(rig.vehicle, power.motor, rig.motorCount) };
}

function resolvePower(rig: Rig, { limits }: EscProfile, use: Use): ResolvedPower {
  const { motor, pack, motorCount, vehicleClass, fan, vehicle } = rig;
  // A pack begins as warm as the air; while it runs it warms from there.
  const coldCells = pack.cells * pack.cellResistanceOhm.value * temperatureFactor(vehicle.airCelsius.value);
  const windingOhm = copperResistance(motor.resistanceOhm.value, WARM_C);
  return {
    motor: motorModel(motor.kvRpmPerVolt.value, windingOhm, limits.bridgeOhm, {
      inductance: motor.inductanceH.value,
      noLoadCurrent: motor.noLoadCurrentA.value,
      polePairs: motor.polePairs.value,
      rotorInertia: motor.rotorInertiaKgM2.value,
    }),
    cells: pack.cells,
    openVolts: pack.cells * openCircuitVolts(pack.chemistry, AT_THE_LINE),
    // Motors share the pack: each sees its own current and that of its fellows.
    packOhm: motorCount * (coldCells + pack.leadResistanceOhm.value),
    leadOhm: motorCount * pack.leadResistanceOhm.value,
    chemistry: pack.chemistry,
    capacityAh: pack.capacityAh.value / motorCount,
    startCharge: AT_THE_LINE,
    fullCharge: use.chargedVoltsPerCell === null ? 1 : chargeAt(pack.chemistry, use.chargedVoltsPerCell),
    lap: drivenAsHard(use.lap, rig.inUse),
    raceMinutes: use.raceMinutes ?? undefined,
    shownMinutes: shownMinutes(use),
    burstAmps: limits.burstAmps,
    thermal: thermalInUse(thermalOf(vehicleClass), rig.inUse),
    packThermal: packThermal(pack.chemistry, pack.cells, pack.capacityAh.value / motorCount),
    fan,
    // Turned by hand once round, the rotor's field goes round once for each pair of poles.
    endBellDegrees: motor.endBellDegrees.value * motor.polePairs.value,
    detentTorque: motor.detentNm.value,
    sensored: motor.sensored,
    bus: busOf(rig, limits),
    accuracy: ACCURACY,
    ambientC: vehicle.airCelsius.value,
  };
}

const drivenAsHard = (lap: Lap, { howHard }: InUse): Lap => ({
  ...lap,
  howHardPercent: lap.howHardPercent * howHard.value,
});

/** The heat of a class with what this one sheds and takes up of it. */
const thermalInUse = (
  usual: ThermalModel,
  { motorCooling, escCooling, motorHeatMass, escHeatMass }: InUse,
): ThermalModel => ({
  ...shedding(usual, { motor: motorCooling.value, esc: escCooling.value }),
  windingJPerK: usual.windingJPerK * motorHeatMass.value,
  caseJPerK: usual.caseJPerK * motorHeatMass.value,
  escJPerK: usual.escJPerK * escHeatMass.value,
});

function busOf({ busLoads, externalBec, motorCount }: Rig, limits: EscLimits): BusModel {
  const sum = (amps: 'idleAmps' | 'movingAmps' | 'stallAmps'): number =>
    busLoads.reduce((total, load) => total + load.count * load[amps], 0);
  return {
    idleAmps: sum('idleAmps'),
    movingAmps: sum('movingAmps'),
    stallAmps: sum('stallAmps'),
    continuousAmps: externalBec?.continuousAmps ?? limits.becContinuousAmps,
    externalVolts: externalBec?.volts,
    sharedByMotors: motorCount,
    isLinear: limits.becKind === 'linear',
  };
}

/** Density of the air there, as a share of the standard air that the drills count in. */
const airShare = ({ altitudeM, airCelsius }: Surroundings): number =>
  airDensity(altitudeM.value, airCelsius.value) / AIR_DENSITY;

/** Each motor's share of the vehicle. */
const resolveWheels = (
  vehicle: WheeledVehicle,
  motors: number,
): Omit<ResolvedWheels, keyof ResolvedPower | 'cornersShare'> => ({
  kind: 'wheels',
  massKg: vehicle.massKg.value / motors,
  wheelRadiusM: vehicle.wheelDiameterM.value / 2,
  finalDrive: vehicle.finalDrive.value,
  drivenWeightShare: vehicle.drivenWeightShare.value,
  grip: vehicle.grip.value,
  rollingResistance: vehicle.rollingResistance.value,
  dragAreaM2: (vehicle.dragAreaM2.value * airShare(vehicle)) / motors,
  wheelInertiaKgM2: vehicle.wheelInertiaKgM2.value / motors,
  drivelineEfficiency: vehicle.drivelineEfficiency.value,
  tyreGrowth: vehicle.tyreGrowth.value,
  slipperClutch: vehicle.slipperClutch,
});

/**
 * Each motor's share, with its propeller as the motor's shaft feels it: behind a gear of G it turns G times slower,
 * so thrust at a shaft speed falls with G², torque at the shaft with G³, inertia with G². In water the density is
 * 815 times that of air; the drills count in standard air.
 */
function resolvePropeller(
  vehicle: PropellerVehicle,
  motor: MotorModel,
  motors: number,
): Omit<ResolvedPropeller, keyof ResolvedPower> {
  const diameterM = vehicle.propellerDiameterM.value;
  const gear = vehicle.gearRatio.value;
  const density = vehicle.fluid === 'water' ? WATER_DENSITY / AIR_DENSITY : airShare(vehicle);
  return {
    kind: 'propeller',
    massKg: vehicle.massKg.value / motors,
    propeller: {
      diameterM,
      pitchM: vehicle.propellerPitchM.value / gear,
      inertia: bladeInertia(vehicle.propellerMassKg.value, diameterM) / gear ** 2 + motor.rotorInertia,
      thrustCoefficient: (vehicle.thrustCoefficient.value * density) / gear ** 2,
      powerCoefficient: (vehicle.powerCoefficient.value * density) / gear ** 3,
    },
  };
}
