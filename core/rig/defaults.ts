/**
 * A rig to start from, by class. Everything here is assumed until the user says better.
 * From memory: typical models of each class; resistances and inductances phase to phase at 20 °C.
 */
import { estimateCellResistance } from '../physics/pack';
import { estimateStaticCoefficients } from '../physics/propeller';
import { assumed } from '../units/provenance';
import type { InUse, MotorKind, PropellerVehicle, Rig, WheeledVehicle, Surroundings } from './rig';
import { fluidOf, kindOf, type VehicleClass } from './vehicleClass';

interface MotorDefaults {
  type: MotorKind;
  kv: number;
  resistanceOhm: number;
  inductanceH: number;
  noLoadCurrentA: number;
  polePairs: number;
  rotorInertiaKgM2: number;
}

/** Torque of rest by kind of motor, N·m. From memory: a four-pole inrunner 2 to 6 mN·m, an outrunner more. */
export const USUAL_DETENT_NM: Record<MotorKind, number> = {
  inrunner: 0.004,
  outrunner: 0.015,
  brushed: 0.006,
};

/** Motors by size, as far as they are alike across classes. */
const MOTORS = {
  smallOutrunner: motor('outrunner', 1800, 0.06, 35e-6, 0.9, 6, 1.4e-5),
  tenthInrunner: motor('inrunner', 3500, 0.0105, 5.5e-6, 4, 2, 2.2e-6),
  eighthInrunner: motor('inrunner', 2000, 0.008, 9e-6, 4, 2, 6e-6),
  largeInrunner: motor('inrunner', 900, 0.011, 17e-6, 3, 2, 3.2e-5),
  planeOutrunner: motor('outrunner', 850, 0.035, 18e-6, 1.6, 7, 5e-5),
  largePlaneOutrunner: motor('outrunner', 560, 0.03, 15e-6, 1.6, 7, 9e-5),
  heliOutrunner: motor('outrunner', 1100, 0.025, 12e-6, 2, 5, 4e-5),
  quadOutrunner: motor('outrunner', 1900, 0.055, 25e-6, 0.9, 7, 2e-6),
  boatInrunner: motor('inrunner', 2200, 0.009, 9e-6, 3.5, 2, 5e-6),
  tugOutrunner: motor('outrunner', 500, 0.12, 60e-6, 0.6, 7, 2e-5),
} as const;

function motor(
  type: MotorKind,
  kv: number,
  resistanceOhm: number,
  inductanceH: number,
  noLoadCurrentA: number,
  polePairs: number,
  rotorInertiaKgM2: number,
): MotorDefaults {
  return { type, kv, resistanceOhm, inductanceH, noLoadCurrentA, polePairs, rotorInertiaKgM2 };
}

interface PowerDefaults {
  massKg: number;
  motor: keyof typeof MOTORS;
  kv?: number;
  cells: number;
  capacityAh: number;
}

interface WheelDefaults extends PowerDefaults {
  wheelDiameterM: number;
  finalDrive: number;
  grip: number;
  rollingResistance: number;
  dragAreaM2: number;
  wheelInertiaKgM2: number;
  drivenWeightShare?: number;
  tyreGrowth?: number;
}

interface PropellerDefaults extends PowerDefaults {
  diameterInch: number;
  pitchInch: number;
  propellerMassKg: number;
  motors?: number;
  gearRatio?: number;
  folding?: boolean;
}

const DIRT = { grip: 0.62, rollingResistance: 0.06 };
const CARPET = { grip: 1.0, rollingResistance: 0.025, dragAreaM2: 0.025, wheelInertiaKgM2: 4e-4 };
const CIRCUIT = {
  ...CARPET,
  massKg: 1.38,
  wheelDiameterM: 0.063,
  motor: 'tenthInrunner',
  cells: 2,
  capacityAh: 6,
} as const;
const ROCK = { grip: 0.9, rollingResistance: 0.06, dragAreaM2: 0.04, wheelInertiaKgM2: 1e-3 };

const ON_WHEELS: Partial<Record<VehicleClass, WheelDefaults>> = {
  crawler: {
    ...ROCK,
    massKg: 2.6,
    wheelDiameterM: 0.115,
    finalDrive: 38,
    motor: 'smallOutrunner',
    cells: 3,
    capacityAh: 2.2,
  },
  trailTruck: {
    ...ROCK,
    massKg: 3.2,
    wheelDiameterM: 0.11,
    finalDrive: 34,
    motor: 'smallOutrunner',
    cells: 3,
    capacityAh: 4,
  },
  tenthBuggy: {
    ...DIRT,
    massKg: 1.7,
    wheelDiameterM: 0.085,
    finalDrive: 8.8,
    dragAreaM2: 0.03,
    wheelInertiaKgM2: 5e-4,
    motor: 'tenthInrunner',
    cells: 2,
    capacityAh: 5,
  },
  eighthBuggy: {
    ...DIRT,
    massKg: 3.4,
    wheelDiameterM: 0.112,
    finalDrive: 10.2,
    dragAreaM2: 0.045,
    wheelInertiaKgM2: 1.2e-3,
    motor: 'eighthInrunner',
    cells: 4,
    capacityAh: 5,
  },
  specCircuit: { ...CIRCUIT, finalDrive: 6.2, kv: 3000 },
  modifiedCircuit: { ...CIRCUIT, finalDrive: 8.6, kv: 4000 },
  sprint: {
    ...CARPET,
    massKg: 2.2,
    wheelDiameterM: 0.09,
    finalDrive: 3.2,
    motor: 'eighthInrunner',
    cells: 4,
    capacityAh: 4,
    drivenWeightShare: 1,
    tyreGrowth: 0.08,
  },
  basher: {
    massKg: 6.5,
    wheelDiameterM: 0.17,
    finalDrive: 12,
    grip: 0.7,
    rollingResistance: 0.08,
    dragAreaM2: 0.08,
    wheelInertiaKgM2: 6e-3,
    motor: 'largeInrunner',
    cells: 6,
    capacityAh: 6,
    tyreGrowth: 0.1,
  },
  showTruck: {
    massKg: 4.5,
    wheelDiameterM: 0.12,
    finalDrive: 14,
    grip: 0.9,
    rollingResistance: 0.03,
    dragAreaM2: 0.06,
    wheelInertiaKgM2: 1.5e-3,
    motor: 'tenthInrunner',
    kv: 2400,
    cells: 3,
    capacityAh: 5,
    drivenWeightShare: 0.6,
  },
};

const ON_PROPELLERS: Partial<Record<VehicleClass, PropellerDefaults>> = {
  sportPlane: {
    massKg: 1.6,
    diameterInch: 12,
    pitchInch: 6,
    propellerMassKg: 0.032,
    motor: 'planeOutrunner',
    cells: 3,
    capacityAh: 3.3,
  },
  aerobaticPlane: {
    massKg: 2.2,
    diameterInch: 15,
    pitchInch: 7,
    propellerMassKg: 0.045,
    motor: 'largePlaneOutrunner',
    cells: 6,
    capacityAh: 3,
  },
  glider: {
    massKg: 1.9,
    diameterInch: 13,
    pitchInch: 8,
    propellerMassKg: 0.03,
    motor: 'planeOutrunner',
    kv: 750,
    cells: 3,
    capacityAh: 2.2,
    folding: true,
  },
  twinPlane: {
    massKg: 2.8,
    diameterInch: 10,
    pitchInch: 6,
    propellerMassKg: 0.02,
    motor: 'planeOutrunner',
    kv: 950,
    cells: 3,
    capacityAh: 5,
    motors: 2,
  },
  helicopter: {
    massKg: 2.4,
    diameterInch: 38,
    pitchInch: 9,
    propellerMassKg: 0.22,
    motor: 'heliOutrunner',
    cells: 6,
    capacityAh: 3.7,
    gearRatio: 9.5,
  },
  multirotor: {
    massKg: 0.7,
    diameterInch: 5,
    pitchInch: 4.3,
    propellerMassKg: 0.004,
    motor: 'quadOutrunner',
    cells: 4,
    capacityAh: 1.5,
    motors: 4,
  },
  fastBoat: {
    massKg: 2.4,
    diameterInch: 1.65,
    pitchInch: 2.3,
    propellerMassKg: 0.012,
    motor: 'boatInrunner',
    cells: 4,
    capacityAh: 5,
  },
  workingBoat: {
    massKg: 6,
    diameterInch: 2.2,
    pitchInch: 1.6,
    propellerMassKg: 0.02,
    motor: 'tugOutrunner',
    cells: 2,
    capacityAh: 5,
  },
};

/** Classes whose throttle springs to the centre though they have a propeller. */
const CENTRED: readonly VehicleClass[] = ['workingBoat', 'fastBoat'];

/** Middling pack; used only to guess a resistance. */
const ASSUMED_RATING_C = 50;
const ASSUMED_LEAD_OHM = 0.003;
const ASSUMED_DRIVELINE_EFFICIENCY = 0.85;
const METRES_AN_INCH = 0.0254;

/** A whole rig of this class, every number marked assumed. */
export function defaultRig(vehicleClass: VehicleClass): Rig {
  const onWheels = ON_WHEELS[vehicleClass];
  const onPropellers = ON_PROPELLERS[vehicleClass];
  const power = onWheels ?? onPropellers;
  if (!power) throw new Error(`no defaults for the class '${vehicleClass}'`);
  const m: MotorDefaults = MOTORS[power.motor];
  return {
    name: '',
    vehicleClass,
    vehicle: onWheels ? wheeledVehicle(onWheels) : propellerVehicle(onPropellers!, fluidOf(vehicleClass)),
    motor: {
      type: m.type,
      kvRpmPerVolt: assumed(power.kv ?? m.kv),
      resistanceOhm: assumed(windingOhm(m, power.kv)),
      inductanceH: assumed(m.inductanceH * (windingOhm(m, power.kv) / m.resistanceOhm)),
      noLoadCurrentA: assumed(m.noLoadCurrentA),
      polePairs: assumed(m.polePairs),
      rotorInertiaKgM2: assumed(m.rotorInertiaKgM2),
      endBellDegrees: assumed(0),
      detentNm: assumed(USUAL_DETENT_NM[m.type]),
      sensored: kindOf(vehicleClass) === 'wheels',
      temperatureSensor: false,
    },
    motorCount: onPropellers?.motors ?? 1,
    pack: {
      chemistry: 'lipo',
      cells: power.cells,
      capacityAh: assumed(power.capacityAh),
      ratingC: assumed(ASSUMED_RATING_C),
      cellResistanceOhm: assumed(estimateCellResistance(power.capacityAh, ASSUMED_RATING_C)),
      leadResistanceOhm: assumed(ASSUMED_LEAD_OHM),
    },
    channel: {
      rest: onWheels || CENTRED.includes(vehicleClass) ? 'centre' : 'low',
      centreMicros: 1500,
      travelMicros: 500,
      forwardEndPointPercent: 100,
      brakeEndPointPercent: 100,
      subTrimMicros: 0,
      trimMicros: 0,
      reversed: false,
      expoPercent: 0,
      stepMicros: 1,
      frameMs: 20,
      jitterMicros: null,
    },
    busLoads: [],
    externalBec: null,
    fan: false,
    stabilityGainPercent: null,
    access: { programmingLead: '', setKey: '' },
    inUse: usualInUse(),
  };
}

/** As is usual for its class, until runs tell. */
export const usualInUse = (): InUse => ({
  motorCooling: assumed(1),
  escCooling: assumed(1),
  motorHeatMass: assumed(1),
  escHeatMass: assumed(1),
  howHard: assumed(1),
  corners: assumed(1),
});

/** A mild day near the sea. */
const usualAir = (): Surroundings => ({ altitudeM: assumed(0), airCelsius: assumed(20) });

/** The same copper wound for another kV: resistance goes with 1/kV², and so does inductance. */
const windingOhm = (m: MotorDefaults, kv = m.kv): number => m.resistanceOhm * (m.kv / kv) ** 2;

const wheeledVehicle = (d: WheelDefaults): WheeledVehicle => ({
  kind: 'wheels',
  massKg: assumed(d.massKg),
  wheelDiameterM: assumed(d.wheelDiameterM),
  tyreGrowth: assumed(d.tyreGrowth ?? 0),
  finalDrive: assumed(d.finalDrive),
  gearing: null,
  drivenWeightShare: assumed(d.drivenWeightShare ?? 1),
  grip: assumed(d.grip),
  rollingResistance: assumed(d.rollingResistance),
  dragAreaM2: assumed(d.dragAreaM2),
  wheelInertiaKgM2: assumed(d.wheelInertiaKgM2),
  drivelineEfficiency: assumed(ASSUMED_DRIVELINE_EFFICIENCY),
  ...usualAir(),
  slipperClutch: false,
});

function propellerVehicle(d: PropellerDefaults, fluid: PropellerVehicle['fluid']): PropellerVehicle {
  const { thrust, power } = estimateStaticCoefficients(d.pitchInch / d.diameterInch);
  // From memory: a rotor at hover pulls and asks for far less than a propeller, a boat's screw ventilates and slips.
  const pulls = d.gearRatio ? 0.2 : fluid === 'water' ? 0.25 : 1;
  const asks = d.gearRatio ? 0.14 : fluid === 'water' ? 0.25 : 1;
  return {
    kind: 'propeller',
    fluid,
    massKg: assumed(d.massKg),
    propellerDiameterM: assumed(d.diameterInch * METRES_AN_INCH),
    propellerPitchM: assumed(d.pitchInch * METRES_AN_INCH),
    propellerMassKg: assumed(d.propellerMassKg),
    gearRatio: assumed(d.gearRatio ?? 1),
    thrustCoefficient: assumed(Math.max(0.005, thrust * pulls)),
    powerCoefficient: assumed(Math.max(0.002, power * asks)),
    ...usualAir(),
    folding: d.folding ?? false,
  };
}
