import { rigField, type QuantityPath } from '#core/rig/fields';
import type { Quantity } from '#core/units/provenance';
import * as yup from 'yup';
import { CHEMISTRIES, type Chemistry } from '#core/physics/pack';
import { VEHICLE_CLASSES, type Rig, type Vehicle, type VehicleClass } from '#core/rig/rig';
import type { EscProfile } from '#core/esc/profile';
import { escProfileSchema } from './escProfile';
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
  variants,
  whole,
} from './fields';

/** A number of the rig, within the bounds of the table that the form uses, too. */
function stated(path: QuantityPath): yup.ObjectSchema<Quantity> {
  const { least, most, unit, perSi } = rigField(path);
  const sameUnit = perSi === 1 ? unit : '';
  return quantity(least, most, sameUnit);
}

const vehicle = variants<Vehicle>('kind', {
  wheels: record({
    kind: oneOf(['wheels'] as const),
    massKg: stated('vehicle.massKg'),
    wheelDiameterM: stated('vehicle.wheelDiameterM'),
    finalDrive: stated('vehicle.finalDrive'),
    drivenWeightShare: stated('vehicle.drivenWeightShare'),
    grip: stated('vehicle.grip'),
    rollingResistance: stated('vehicle.rollingResistance'),
    dragAreaM2: stated('vehicle.dragAreaM2'),
    wheelInertiaKgM2: stated('vehicle.wheelInertiaKgM2'),
    drivelineEfficiency: stated('vehicle.drivelineEfficiency'),
  }),
  propeller: record({
    kind: oneOf(['propeller'] as const),
    massKg: stated('vehicle.massKg'),
    propellerDiameterM: stated('vehicle.propellerDiameterM'),
    propellerPitchM: stated('vehicle.propellerPitchM'),
    propellerMassKg: stated('vehicle.propellerMassKg'),
    thrustCoefficient: stated('vehicle.thrustCoefficient'),
    powerCoefficient: stated('vehicle.powerCoefficient'),
    folding: yup.boolean().strict().required('is missing'),
  }),
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
    kvRpmPerVolt: stated('motor.kvRpmPerVolt'),
    resistanceOhm: stated('motor.resistanceOhm'),
    inductanceH: stated('motor.inductanceH'),
    noLoadCurrentA: stated('motor.noLoadCurrentA'),
    polePairs: stated('motor.polePairs'),
    rotorInertiaKgM2: stated('motor.rotorInertiaKgM2'),
    sensored: yup.boolean().strict().required('is missing'),
  }),
  pack: record({
    chemistry: keyOf<Chemistry>(CHEMISTRIES),
    cells: whole(1, 20),
    capacityAh: stated('pack.capacityAh'),
    cellResistanceOhm: stated('pack.cellResistanceOhm'),
    leadResistanceOhm: stated('pack.leadResistanceOhm'),
  }),
  channel: channelSchema,
  busLoads: listOf(record({ name: nameField(), maxVolts: between(3, 30, 'V') }), 0, 40),
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
];
