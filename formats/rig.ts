import * as yup from 'yup';
import { CHEMISTRIES, type Chemistry } from '#core/physics/pack';
import { VEHICLE_CLASSES, type Rig, type VehicleClass } from '#core/rig/rig';
import { channelSchema } from './radio';
import { between, idField, keyOf, listOf, nameField, quantity, record, whole } from './fields';

/**
 * The rig itself. Bounds are wide enough for anything that can be held in the hands, and narrow enough to
 * catch a value typed in the wrong unit.
 */
export const rigSchema: yup.ObjectSchema<Rig> = record({
  name: nameField(),
  vehicleClass: keyOf<VehicleClass>(VEHICLE_CLASSES),
  vehicle: record({
    massKg: quantity(0.05, 60, 'kg'),
    wheelDiameterM: quantity(0.01, 0.5, 'm'),
    finalDrive: quantity(0.5, 200, ''),
    drivenWeightShare: quantity(0.1, 1, ''),
    grip: quantity(0.05, 3, ''),
    rollingResistance: quantity(0.001, 0.5, ''),
    dragAreaM2: quantity(0, 1, 'm²'),
    wheelInertiaKgM2: quantity(0, 1, 'kg·m²'),
    drivelineEfficiency: quantity(0.2, 1, ''),
  }),
  motor: record({
    kvRpmPerVolt: quantity(50, 20000, 'rpm/V'),
    resistanceOhm: quantity(0.0005, 2, 'Ω'),
    inductanceH: quantity(1e-7, 1e-2, 'H'),
    noLoadCurrentA: quantity(0, 50, 'A'),
    polePairs: quantity(1, 30, ''),
    rotorInertiaKgM2: quantity(0, 0.01, 'kg·m²'),
    sensored: yup.boolean().strict().required('is missing'),
  }),
  pack: record({
    chemistry: keyOf<Chemistry>(CHEMISTRIES),
    cells: whole(1, 20),
    capacityAh: quantity(0.05, 100, 'Ah'),
    cellResistanceOhm: quantity(0.00005, 1, 'Ω'),
    leadResistanceOhm: quantity(0, 1, 'Ω'),
  }),
  channel: channelSchema,
  busLoads: listOf(record({ name: nameField(), maxVolts: between(3, 30, 'V') }), 0, 40),
});

/** A rig as a file: the rig, and which ESC profile its items speak of. */
export interface RigFile {
  rig: Rig;
  escProfileId: string;
}

export const rigFileFields = { rig: rigSchema, escProfileId: idField() };
