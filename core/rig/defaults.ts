/**
 * A rig to start from, by class. Everything here is assumed until the user says better.
 * From memory: typical models of each class; resistances and inductances phase to phase at 20 °C.
 */
import { estimateCellResistance } from '../physics/pack';
import { estimateStaticCoefficients } from '../physics/propeller';
import { assumed } from '../units/provenance';
import { kindOf, type PropellerVehicle, type Rig, type VehicleClass, type WheeledVehicle } from './rig';

interface PowerDefaults {
  massKg: number;
  kv: number;
  resistanceOhm: number;
  inductanceH: number;
  noLoadCurrentA: number;
  polePairs: number;
  rotorInertiaKgM2: number;
  sensored: boolean;
  cells: number;
  capacityAh: number;
}

interface WheelDefaults extends PowerDefaults {
  wheelDiameterM: number;
  finalDrive: number;
  drivenWeightShare: number;
  grip: number;
  rollingResistance: number;
  dragAreaM2: number;
  wheelInertiaKgM2: number;
}

interface PropellerDefaults extends PowerDefaults {
  diameterInch: number;
  pitchInch: number;
  propellerMassKg: number;
}

const ON_WHEELS: Record<Exclude<VehicleClass, 'sportPlane'>, WheelDefaults> = {
  crawler: {
    massKg: 2.6,
    wheelDiameterM: 0.115,
    finalDrive: 38,
    drivenWeightShare: 1,
    grip: 0.9,
    rollingResistance: 0.06,
    dragAreaM2: 0.04,
    wheelInertiaKgM2: 0.001,
    kv: 1800,
    resistanceOhm: 0.06,
    inductanceH: 35e-6,
    noLoadCurrentA: 0.9,
    polePairs: 6,
    rotorInertiaKgM2: 1.4e-5,
    sensored: true,
    cells: 3,
    capacityAh: 2.2,
  },
  tenthBuggy: {
    massKg: 1.7,
    wheelDiameterM: 0.085,
    finalDrive: 8.8,
    drivenWeightShare: 1,
    grip: 0.6,
    rollingResistance: 0.06,
    dragAreaM2: 0.03,
    wheelInertiaKgM2: 5e-4,
    kv: 3500,
    resistanceOhm: 0.0105,
    inductanceH: 5.5e-6,
    noLoadCurrentA: 4,
    polePairs: 2,
    rotorInertiaKgM2: 2.2e-6,
    sensored: true,
    cells: 2,
    capacityAh: 5,
  },
  eighthBuggy: {
    massKg: 3.4,
    wheelDiameterM: 0.112,
    finalDrive: 10.2,
    drivenWeightShare: 1,
    grip: 0.65,
    rollingResistance: 0.06,
    dragAreaM2: 0.045,
    wheelInertiaKgM2: 1.2e-3,
    kv: 2000,
    resistanceOhm: 0.008,
    inductanceH: 9e-6,
    noLoadCurrentA: 4,
    polePairs: 2,
    rotorInertiaKgM2: 6e-6,
    sensored: true,
    cells: 4,
    capacityAh: 5,
  },
  basher: {
    massKg: 6.5,
    wheelDiameterM: 0.17,
    finalDrive: 12,
    drivenWeightShare: 1,
    grip: 0.7,
    rollingResistance: 0.08,
    dragAreaM2: 0.08,
    wheelInertiaKgM2: 6e-3,
    kv: 900,
    resistanceOhm: 0.011,
    inductanceH: 17e-6,
    noLoadCurrentA: 3,
    polePairs: 2,
    rotorInertiaKgM2: 3.2e-5,
    sensored: true,
    cells: 6,
    capacityAh: 6,
  },
};

const SPORT_PLANE: PropellerDefaults = {
  massKg: 1.6,
  diameterInch: 12,
  pitchInch: 6,
  propellerMassKg: 0.032,
  kv: 850,
  resistanceOhm: 0.035,
  inductanceH: 18e-6,
  noLoadCurrentA: 1.6,
  polePairs: 7,
  rotorInertiaKgM2: 5e-5,
  sensored: false,
  cells: 3,
  capacityAh: 3.3,
};

/** Middling pack; used only to guess a resistance. */
const ASSUMED_RATING_C = 50;
const ASSUMED_LEAD_OHM = 0.003;
const ASSUMED_DRIVELINE_EFFICIENCY = 0.85;
const METRES_AN_INCH = 0.0254;

/** A whole rig of this class, every number marked assumed. */
export function defaultRig(vehicleClass: VehicleClass): Rig {
  const d = vehicleClass === 'sportPlane' ? SPORT_PLANE : ON_WHEELS[vehicleClass];
  return {
    name: '',
    vehicleClass,
    vehicle:
      vehicleClass === 'sportPlane' ? propellerVehicle(SPORT_PLANE) : wheeledVehicle(ON_WHEELS[vehicleClass]),
    motor: {
      kvRpmPerVolt: assumed(d.kv),
      resistanceOhm: assumed(d.resistanceOhm),
      inductanceH: assumed(d.inductanceH),
      noLoadCurrentA: assumed(d.noLoadCurrentA),
      polePairs: assumed(d.polePairs),
      rotorInertiaKgM2: assumed(d.rotorInertiaKgM2),
      sensored: d.sensored,
    },
    pack: {
      chemistry: 'lipo',
      cells: d.cells,
      capacityAh: assumed(d.capacityAh),
      cellResistanceOhm: assumed(estimateCellResistance(d.capacityAh, ASSUMED_RATING_C)),
      leadResistanceOhm: assumed(ASSUMED_LEAD_OHM),
    },
    channel: {
      rest: kindOf(vehicleClass) === 'propeller' ? 'low' : 'centre',
      centreMicros: 1500,
      travelMicros: 500,
      forwardEndPointPercent: 100,
      brakeEndPointPercent: 100,
      subTrimMicros: 0,
      trimMicros: 0,
      reversed: false,
      stepMicros: 1,
    },
    busLoads: [],
  };
}

const wheeledVehicle = (d: WheelDefaults): WheeledVehicle => ({
  kind: 'wheels',
  massKg: assumed(d.massKg),
  wheelDiameterM: assumed(d.wheelDiameterM),
  finalDrive: assumed(d.finalDrive),
  drivenWeightShare: assumed(d.drivenWeightShare),
  grip: assumed(d.grip),
  rollingResistance: assumed(d.rollingResistance),
  dragAreaM2: assumed(d.dragAreaM2),
  wheelInertiaKgM2: assumed(d.wheelInertiaKgM2),
  drivelineEfficiency: assumed(ASSUMED_DRIVELINE_EFFICIENCY),
});

function propellerVehicle(d: PropellerDefaults): PropellerVehicle {
  const { thrust, power } = estimateStaticCoefficients(d.pitchInch / d.diameterInch);
  return {
    kind: 'propeller',
    massKg: assumed(d.massKg),
    propellerDiameterM: assumed(d.diameterInch * METRES_AN_INCH),
    propellerPitchM: assumed(d.pitchInch * METRES_AN_INCH),
    propellerMassKg: assumed(d.propellerMassKg),
    thrustCoefficient: assumed(thrust),
    powerCoefficient: assumed(power),
    folding: false,
  };
}
