/**
 * A rig to start from, by class. Everything here is assumed until the user says better.
 * From memory: typical models of each class; resistances and inductances phase to phase at 20 °C.
 */
import { estimateCellResistance } from '../physics/pack';
import { assumed } from '../units/provenance';
import type { Rig, VehicleClass } from './rig';

interface ClassDefaults {
  massKg: number;
  wheelDiameterM: number;
  finalDrive: number;
  drivenWeightShare: number;
  grip: number;
  rollingResistance: number;
  dragAreaM2: number;
  wheelInertiaKgM2: number;
  kv: number;
  resistanceOhm: number;
  inductanceH: number;
  noLoadCurrentA: number;
  polePairs: number;
  rotorInertiaKgM2: number;
  cells: number;
  capacityAh: number;
}

const DEFAULTS: Record<VehicleClass, ClassDefaults> = {
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
    inductanceH: 22e-6,
    noLoadCurrentA: 3,
    polePairs: 2,
    rotorInertiaKgM2: 3.2e-5,
    cells: 6,
    capacityAh: 6,
  },
};

/** Middling pack; used only to guess a resistance. */
const ASSUMED_RATING_C = 50;
const ASSUMED_LEAD_OHM = 0.003;
const ASSUMED_DRIVELINE_EFFICIENCY = 0.85;

/** A whole rig of this class, every number marked assumed. */
export function defaultRig(vehicleClass: VehicleClass): Rig {
  const d = DEFAULTS[vehicleClass];
  return {
    name: '',
    vehicleClass,
    vehicle: {
      massKg: assumed(d.massKg),
      wheelDiameterM: assumed(d.wheelDiameterM),
      finalDrive: assumed(d.finalDrive),
      drivenWeightShare: assumed(d.drivenWeightShare),
      grip: assumed(d.grip),
      rollingResistance: assumed(d.rollingResistance),
      dragAreaM2: assumed(d.dragAreaM2),
      wheelInertiaKgM2: assumed(d.wheelInertiaKgM2),
      drivelineEfficiency: assumed(ASSUMED_DRIVELINE_EFFICIENCY),
    },
    motor: {
      kvRpmPerVolt: assumed(d.kv),
      resistanceOhm: assumed(d.resistanceOhm),
      inductanceH: assumed(d.inductanceH),
      noLoadCurrentA: assumed(d.noLoadCurrentA),
      polePairs: assumed(d.polePairs),
      rotorInertiaKgM2: assumed(d.rotorInertiaKgM2),
      sensored: true,
    },
    pack: {
      chemistry: 'lipo',
      cells: d.cells,
      capacityAh: assumed(d.capacityAh),
      cellResistanceOhm: assumed(estimateCellResistance(d.capacityAh, ASSUMED_RATING_C)),
      leadResistanceOhm: assumed(ASSUMED_LEAD_OHM),
    },
    channel: {
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
