import { RIG_FIELDS, rigField, type QuantityPath } from '#core/rig/fields';
import type { FittedNumber } from '#core/rig/fitted';
import type { Quantity } from '#core/units/provenance';
import * as yup from 'yup';
import { CHEMISTRIES, type Chemistry } from '#core/physics/pack';
import { VEHICLE_CLASSES, type VehicleClass } from '#core/rig/vehicleClass';
import { USUAL_DETENT_NM, usualInUse } from '#core/rig/defaults';
import { MOTOR_KINDS, type MotorKind, type Rig, type Vehicle } from '#core/rig/rig';
import { LOAD_KINDS, type BusLoad, type LoadKind } from '#core/rig/busLoads';
import type { EscProfile } from '#core/esc/profile';
import {
  escProfileSchema,
  escProfileToVersion6,
  escProfileToVersion7,
  escProfileToVersion8,
  escProfileUpgrades,
} from './escProfile';
import { channelSchema } from './radio';
import { part, type Upgrade } from './upgrade';
import {
  between,
  idField,
  keyOf,
  listOf,
  nameField,
  oneOf,
  quantity,
  record,
  textField,
  variants,
  whole,
  yesNo,
} from './fields';

/** A number of the rig, within the bounds of the table that the form uses, too. */
function stated(path: QuantityPath): yup.ObjectSchema<Quantity> {
  const { least, most, unit, perSi } = rigField(path);
  const sameUnit = perSi === 1 ? unit : '';
  return quantity(least, most, sameUnit);
}

const vehicle = variants<Vehicle, 'kind'>('kind', {
  wheels: record({
    kind: oneOf(['wheels'] as const),
    massKg: stated('vehicle.massKg'),
    wheelDiameterM: stated('vehicle.wheelDiameterM'),
    tyreGrowth: stated('vehicle.tyreGrowth'),
    finalDrive: stated('vehicle.finalDrive'),
    gearing: record({
      spurTeeth: whole(1, 500),
      pinionTeeth: whole(1, 200),
      internalRatio: between(0.1, 100, ''),
    })
      .nullable()
      .defined(),
    drivenWeightShare: stated('vehicle.drivenWeightShare'),
    grip: stated('vehicle.grip'),
    rollingResistance: stated('vehicle.rollingResistance'),
    altitudeM: stated('vehicle.altitudeM'),
    airCelsius: stated('vehicle.airCelsius'),
    dragAreaM2: stated('vehicle.dragAreaM2'),
    wheelInertiaKgM2: stated('vehicle.wheelInertiaKgM2'),
    drivelineEfficiency: stated('vehicle.drivelineEfficiency'),
    slipperClutch: yesNo(),
  }),
  propeller: record({
    kind: oneOf(['propeller'] as const),
    fluid: oneOf(['air', 'water'] as const),
    massKg: stated('vehicle.massKg'),
    altitudeM: stated('vehicle.altitudeM'),
    airCelsius: stated('vehicle.airCelsius'),
    propellerDiameterM: stated('vehicle.propellerDiameterM'),
    propellerPitchM: stated('vehicle.propellerPitchM'),
    propellerMassKg: stated('vehicle.propellerMassKg'),
    gearRatio: stated('vehicle.gearRatio'),
    thrustCoefficient: stated('vehicle.thrustCoefficient'),
    powerCoefficient: stated('vehicle.powerCoefficient'),
    folding: yesNo(),
  }),
});

const amps = between(0, 100, 'A');

const busLoad: yup.ObjectSchema<BusLoad> = record({
  name: nameField(),
  kind: keyOf<LoadKind>(LOAD_KINDS),
  count: whole(1, 40),
  maxVolts: between(3, 30, 'V'),
  idleAmps: amps,
  movingAmps: amps,
  stallAmps: amps,
});

/**
 * The rig itself. Bounds are wide enough for anything that can be held in the hands, and narrow enough to
 * catch a value typed in the wrong unit.
 */
export const rigSchema: yup.ObjectSchema<Rig> = record({
  name: nameField(),
  vehicleClass: keyOf<VehicleClass>(VEHICLE_CLASSES),
  vehicle,
  motor: record({
    type: keyOf<MotorKind>(MOTOR_KINDS),
    kvRpmPerVolt: stated('motor.kvRpmPerVolt'),
    resistanceOhm: stated('motor.resistanceOhm'),
    inductanceH: stated('motor.inductanceH'),
    noLoadCurrentA: stated('motor.noLoadCurrentA'),
    polePairs: stated('motor.polePairs'),
    rotorInertiaKgM2: stated('motor.rotorInertiaKgM2'),
    endBellDegrees: stated('motor.endBellDegrees'),
    detentNm: stated('motor.detentNm'),
    sensored: yesNo(),
    temperatureSensor: yesNo(),
  }),
  motorCount: whole(1, 12),
  pack: record({
    chemistry: keyOf<Chemistry>(CHEMISTRIES),
    cells: whole(1, 20),
    capacityAh: stated('pack.capacityAh'),
    ratingC: stated('pack.ratingC'),
    cellResistanceOhm: stated('pack.cellResistanceOhm'),
    leadResistanceOhm: stated('pack.leadResistanceOhm'),
  }),
  channel: channelSchema,
  busLoads: listOf(busLoad, 0, 40),
  externalBec: record({ volts: between(4, 30, 'V'), continuousAmps: between(0.1, 200, 'A') })
    .nullable()
    .defined(),
  fan: yesNo(),
  stabilityGainPercent: between(0, 200, '%').nullable().defined(),
  access: record({ programmingLead: textField(), setKey: textField() }),
  inUse: record({
    motorCooling: stated('inUse.motorCooling'),
    escCooling: stated('inUse.escCooling'),
    motorHeatMass: stated('inUse.motorHeatMass'),
    escHeatMass: stated('inUse.escHeatMass'),
    howHard: stated('inUse.howHard'),
    corners: stated('inUse.corners'),
  }),
});

/** Numbers that runs told, as a page sends them. */
export const fittedNumbersSchema = record({
  numbers: listOf(
    yup.lazy((number: unknown) => {
      const known = RIG_FIELDS.map(({ path }) => path);
      const path = known.find((one) => one === part(number).path);
      return record({ path: oneOf(known), quantity: path ? stated(path) : record({}) });
    }) as unknown as yup.ISchema<FittedNumber, yup.AnyObject>,
    1,
    RIG_FIELDS.length,
  ),
});

/** A rig as a file: the rig, which ESC profile its items speak of, and that profile for whoever lacks it. */
export interface RigFile {
  rig: Rig;
  escProfileId: string;
  escProfile?: EscProfile | undefined;
}

export const rigFileSchema: yup.ObjectSchema<RigFile> = record({
  rig: rigSchema,
  escProfileId: idField(),
  escProfile: escProfileSchema.notRequired().default(undefined) as unknown as yup.ObjectSchema<
    EscProfile | undefined
  >,
});

/** Version 2: a vehicle says how it moves, a throttle where it rests; the ESC profile may come along. */
export const rigUpgrades: readonly Upgrade[] = [
  ({ rig: before, ...rest }) => {
    const rig = part(before);
    return {
      ...rest,
      rig: {
        ...rig,
        vehicle: { kind: 'wheels', ...part(rig.vehicle) },
        channel: { rest: 'centre', ...part(rig.channel) },
      },
    };
  },
  ({ rig: before, escProfile, ...rest }) => ({
    ...rest,
    rig: rigToVersion3(part(before)),
    ...(escProfile === undefined ? {} : { escProfile: escProfileUpgrades[1]!(part(escProfile)) }),
  }),
  ({ rig: before, escProfile, ...rest }) => ({
    ...rest,
    rig: rigToVersion4(part(before)),
    ...(escProfile === undefined ? {} : { escProfile: escProfileUpgrades[2]!(part(escProfile)) }),
  }),
  (body) => body,
  ({ rig: before, escProfile, ...rest }) => ({
    ...rest,
    rig: rigToVersion6(part(before)),
    ...(escProfile === undefined ? {} : { escProfile: escProfileToVersion6(part(escProfile)) }),
  }),
  ({ escProfile, ...rest }) => ({
    ...rest,
    ...(escProfile === undefined ? {} : { escProfile: escProfileToVersion7(part(escProfile)) }),
  }),
  ({ escProfile, ...rest }) => ({
    ...rest,
    ...(escProfile === undefined ? {} : { escProfile: escProfileToVersion8(part(escProfile)) }),
  }),
  (body) => body,
  ({ rig, ...rest }) => ({ ...rest, rig: rigToVersion10(part(rig)) }),
];

/** Version 10: a rig says how it sheds heat and how hard it is driven, and a number may be fitted to runs. */
export const rigToVersion10 = (rig: Record<string, unknown>): Record<string, unknown> => ({
  inUse: usualInUse(),
  ...rig,
});

/** Version 6: what a motor's magnets hold is a number of the rig; what was there before was assumed by the kind of motor. */
export function rigToVersion6(rig: Record<string, unknown>): Record<string, unknown> {
  const motor = part(rig.motor);
  const kind = Object.hasOwn(USUAL_DETENT_NM, String(motor.type)) ? (motor.type as MotorKind) : 'inrunner';
  return { ...rig, motor: { detentNm: { value: USUAL_DETENT_NM[kind], basis: 'assumed' }, ...motor } };
}

/** Version 4: the radio may have a curve, and what was there before was straight; the air is that of a mild day by the sea. */
export const rigToVersion4 = (rig: Record<string, unknown>): Record<string, unknown> => ({
  ...rig,
  vehicle: {
    altitudeM: { value: 0, basis: 'assumed' },
    airCelsius: { value: 20, basis: 'assumed' },
    ...part(rig.vehicle),
  },
  channel: channelToVersion4(rig.channel),
});

export const channelToVersion4 = (channel: unknown): Record<string, unknown> => ({
  expoPercent: 0,
  ...part(channel),
});

/** Version 3: more of motor, pack, radio and bus, filled in with what is usual, marked assumed. */
export function rigToVersion3(rig: Record<string, unknown>): Record<string, unknown> {
  const vehicle = part(rig.vehicle);
  const usual = { value: 0, basis: 'assumed' };
  const motorType = vehicle.kind === 'propeller' ? 'outrunner' : 'inrunner';
  const loads = Array.isArray(rig.busLoads) ? (rig.busLoads as unknown[]) : [];
  return {
    motorCount: 1,
    externalBec: null,
    fan: false,
    stabilityGainPercent: null,
    access: { programmingLead: '', setKey: '' },
    ...rig,
    vehicle:
      vehicle.kind === 'propeller'
        ? { fluid: 'air', gearRatio: { value: 1, basis: 'assumed' }, ...vehicle }
        : { tyreGrowth: usual, gearing: null, slipperClutch: false, ...vehicle },
    motor: { type: motorType, endBellDegrees: usual, temperatureSensor: false, ...part(rig.motor) },
    pack: { ratingC: { value: 50, basis: 'assumed' }, ...part(rig.pack) },
    channel: channelToVersion3(rig.channel),
    busLoads: loads.map((load) => {
      const { name: _name, ...numbers } = LOAD_KINDS.other;
      return { kind: 'other', count: 1, ...numbers, ...part(load) };
    }),
  };
}

/** Version 3 of a throttle channel: how often it sends, and how still. */
export const channelToVersion3 = (channel: unknown): Record<string, unknown> => ({
  frameMs: 20,
  jitterMicros: null,
  ...part(channel),
});
