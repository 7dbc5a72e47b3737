/** Between a rig and the form that describes it: what was typed, read with every problem at its field. */
import { CHEMISTRIES } from '#core/physics/pack';
import { LOAD_KINDS, type BusLoad } from '#core/rig/busLoads';
import { finalDriveOf } from '#core/rig/calculators/gearing';
import { fieldsOf, quantityAt, withQuantity, type RigField } from '#core/rig/fields';
import { guessesFollow } from '#core/rig/guesses';
import { MOTOR_KINDS, type ExternalBec, type Gearing, type Rig, type Vehicle } from '#core/rig/rig';
import { kindOf, VEHICLE_CLASSES, type VehicleClass } from '#core/rig/vehicleClass';
import { formatNumber } from '#core/units/format';
import type { Problem } from '#core/units/problem';
import type { Basis } from '#core/units/provenance';
import { nameFault } from '#core/units/text';
import { CHANNEL_FIELDS, JITTER_FIELD } from './channelFields';
import { FormReader } from './formReader';
import { readNumber } from '#core/units/readNumber';

/** How many things on the BEC a form can hold. */
export const MOST_BUS_LOADS = 24;

const LONGEST_TEXT = 300;

/** A stored number as it stands in the form. */
export const shownValue = (rig: Rig, field: RigField): string =>
  formatNumber(quantityAt(rig, field.path).value * field.perSi, field.decimals);

/**
 * Reads a form into a rig.
 * @param base the rig that the form was made from: what the form does not ask stays
 * @returns the rig as far as it could be read, and a problem for every field that could not; paths are field names
 */
export function readRigForm(form: FormData, base: Rig): { rig: Rig; problems: Problem[] } {
  const reader = new FormReader(form);
  const named = { ...base, name: readName(reader) };
  const numbered = fieldsOf(base).reduce((rig, field) => readQuantity(reader, base, rig, field), named);
  const cells = reader.whole({ name: 'cells', label: 'Cells', unit: '', least: 1, most: 20 });
  const motorCount = reader.whole({ name: 'motorCount', label: 'Motors', unit: '', least: 1, most: 12 });
  const gain = reader.optional({ name: 'stabilityGain', label: 'Gain', unit: '%', least: 0, most: 200 });
  const rig: Rig = {
    ...numbered,
    vehicleClass: classAlike(reader, base),
    vehicle: readVehicle(reader, numbered.vehicle),
    motor: {
      ...numbered.motor,
      type: reader.choice('motorType', MOTOR_KINDS, base.motor.type),
      sensored: reader.has('sensored'),
      temperatureSensor: reader.has('temperatureSensor'),
    },
    motorCount: motorCount ?? base.motorCount,
    pack: {
      ...numbered.pack,
      cells: cells ?? base.pack.cells,
      chemistry: reader.choice('chemistry', CHEMISTRIES, base.pack.chemistry),
    },
    channel: readChannel(reader, base.channel),
    busLoads: readBusLoads(reader),
    externalBec: readExternalBec(reader),
    fan: reader.has('fan'),
    stabilityGainPercent: gain === undefined ? base.stabilityGainPercent : gain,
    access: {
      programmingLead: readNote(reader, 'access.programmingLead'),
      setKey: readNote(reader, 'access.setKey'),
    },
  };
  return { rig: guessesFollow(base, rig), problems: reader.problems };
}

function readName(reader: FormReader): string {
  const name = reader.text('name');
  const fault = nameFault(name);
  if (fault) reader.refuse('name', name === '' ? 'Type a name for the model.' : `The name ${fault}`);
  return name;
}

function readNote(reader: FormReader, name: string): string {
  const note = reader.text(name);
  if (note.length > LONGEST_TEXT)
    reader.refuse(name, `This has ${note.length} letters; ${LONGEST_TEXT} fit.`);
  return note;
}

function readQuantity(reader: FormReader, base: Rig, rig: Rig, field: RigField): Rig {
  const { path, label, unit, perSi, least, most } = field;
  // A field left as it was keeps its full digits; what is shown is rounded.
  const untouched = reader.text(path) === shownValue(base, field);
  const typed = untouched
    ? undefined
    : reader.number({ name: path, label, unit, least: least * perSi, most: most * perSi });
  const basis = reader.text(`${path}.basis`);
  if (untouched && basis === 'fitted') return rig;
  const value = untouched ? quantityAt(base, path).value : typed === undefined ? undefined : typed / perSi;
  return value === undefined ? rig : withQuantity(rig, path, { value, basis: basisFrom(basis) });
}

function readVehicle(reader: FormReader, vehicle: Vehicle): Vehicle {
  if (vehicle.kind === 'propeller') return { ...vehicle, folding: reader.has('folding') };
  const gearing = readGearing(reader);
  return {
    ...vehicle,
    gearing,
    // Teeth are counted; what they make is computed, whatever stands in the other field.
    finalDrive: gearing ? { value: finalDriveOf(gearing), basis: 'given' } : vehicle.finalDrive,
    slipperClutch: reader.has('slipperClutch'),
  };
}

function readGearing(reader: FormReader): Gearing | null {
  const fields = ['gearing.spurTeeth', 'gearing.pinionTeeth', 'gearing.internalRatio'] as const;
  const missing = fields.filter((name) => reader.text(name) === '');
  if (missing.length === fields.length || (missing.length === 2 && missing[0] === fields[0])) return null;
  if (missing.length > 0) {
    reader.refuse(
      missing[0]!,
      'Type spur, pinion and internal ratio together, or leave both tooth counts empty.',
    );
    return null;
  }
  const spurTeeth = reader.whole({ name: fields[0], label: 'Spur', unit: 'teeth', least: 1, most: 500 });
  const pinionTeeth = reader.whole({ name: fields[1], label: 'Pinion', unit: 'teeth', least: 1, most: 200 });
  const internalRatio = reader.number({
    name: fields[2],
    label: 'Internal ratio',
    unit: '',
    least: 0.1,
    most: 100,
  });
  return spurTeeth && pinionTeeth && internalRatio ? { spurTeeth, pinionTeeth, internalRatio } : null;
}

function readChannel(reader: FormReader, base: Rig['channel']): Rig['channel'] {
  const channel = { ...base, reversed: reader.has('reversed') };
  for (const { key, ...field } of CHANNEL_FIELDS) {
    channel[key] = reader.number({ ...field, name: `channel.${key}` }) ?? channel[key];
  }
  const jitter = reader.optional(JITTER_FIELD);
  return { ...channel, jitterMicros: jitter === undefined ? base.jitterMicros : jitter };
}

/** Another class only where it moves the same way: what the form did not ask cannot be made up. */
function classAlike(reader: FormReader, base: Rig): VehicleClass {
  const wanted = reader.choice('vehicleClass', VEHICLE_CLASSES, base.vehicleClass);
  return kindOf(wanted) === base.vehicle.kind ? wanted : base.vehicleClass;
}

function readBusLoads(reader: FormReader): BusLoad[] {
  return Array.from({ length: MOST_BUS_LOADS }, (_, place) => readBusLoad(reader, `bus.${place}`)).filter(
    (load) => load !== undefined,
  );
}

function readBusLoad(reader: FormReader, row: string): BusLoad | undefined {
  const name = reader.text(`${row}.name`);
  const volts = reader.text(`${row}.maxVolts`);
  if (name === '' && volts === '') return undefined;
  if (nameFault(name)) {
    reader.refuse(`${row}.name`, 'Type what it is: steering servo, receiver.');
    return undefined;
  }
  const maxVolts = readNumber(volts);
  if (maxVolts === undefined || maxVolts < 3 || maxVolts > 30) {
    reader.refuse(
      `${row}.maxVolts`,
      `The highest voltage of “${name}” must be a number between 3 and 30 V, not “${volts}”.`,
    );
    return undefined;
  }
  const kind = reader.choice(`${row}.kind`, LOAD_KINDS, 'other');
  const usual = LOAD_KINDS[kind];
  const amps = (key: 'movingAmps' | 'stallAmps', label: string): number =>
    reader.optional({
      name: `${row}.${key}`,
      label: `${label} of “${name}”`,
      unit: 'A',
      least: 0,
      most: 100,
    }) ?? usual[key];
  const count = reader.optional({
    name: `${row}.count`,
    label: `How many “${name}”`,
    unit: '',
    least: 1,
    most: 40,
  });
  const movingAmps = amps('movingAmps', 'Moving current');
  const stallAmps = amps('stallAmps', 'Stall current');
  if (stallAmps < movingAmps) {
    reader.refuse(
      `${row}.stallAmps`,
      `“${name}” draws ${stallAmps} A stalled and ${movingAmps} A moving. Stalled must be more.`,
    );
  }
  return {
    name,
    kind,
    count: Math.round(count ?? 1),
    maxVolts,
    idleAmps: usual.idleAmps,
    movingAmps,
    stallAmps,
  };
}

function readExternalBec(reader: FormReader): ExternalBec | null {
  const names = ['externalBec.volts', 'externalBec.continuousAmps'] as const;
  if (names.every((name) => reader.text(name) === '')) return null;
  const volts = reader.number({ name: names[0], label: 'Its voltage', unit: 'V', least: 4, most: 30 });
  const continuousAmps = reader.number({
    name: names[1],
    label: 'Its current',
    unit: 'A',
    least: 0.1,
    most: 200,
  });
  return volts && continuousAmps ? { volts, continuousAmps } : null;
}

const basisFrom = (text: string): Basis => (text === 'measured' || text === 'given' ? text : 'assumed');
