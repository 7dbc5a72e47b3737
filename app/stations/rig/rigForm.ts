/** Between a rig and the form that describes it: what was typed, read with every problem at its field. */
import { fieldsOf, quantityAt, withQuantity, type RigField } from '#core/rig/fields';
import { CHEMISTRIES } from '#core/physics/pack';
import { kindOf, VEHICLE_CLASSES, type BusLoad, type Rig, type VehicleClass } from '#core/rig/rig';
import { formatNumber } from '#core/units/format';
import type { Basis } from '#core/units/provenance';
import type { Problem } from '#core/units/problem';
import type { ThrottleChannel } from '#core/radio/pulse';

export interface ChannelField {
  key: Exclude<keyof ThrottleChannel, 'reversed' | 'rest'>;
  label: string;
  unit: string;
  least: number;
  most: number;
  why: string;
}

export const CHANNEL_FIELDS: readonly ChannelField[] = [
  {
    key: 'forwardEndPointPercent',
    label: 'Forward end point',
    unit: '%',
    least: 1,
    most: 150,
    why: 'How far the radio lets forward go. 100 until the ESC is calibrated.',
  },
  {
    key: 'brakeEndPointPercent',
    label: 'Brake end point',
    unit: '%',
    least: 1,
    most: 150,
    why: 'The same for brake. It multiplies with the ESC’s own brake strength.',
  },
  {
    key: 'subTrimMicros',
    label: 'Sub-trim',
    unit: 'µs',
    least: -300,
    most: 300,
    why: 'Moves neutral. Zero before calibrating.',
  },
  {
    key: 'trimMicros',
    label: 'Trim',
    unit: 'µs',
    least: -300,
    most: 300,
    why: 'Moves neutral, too. Zero before calibrating.',
  },
  {
    key: 'centreMicros',
    label: 'Pulse at neutral',
    unit: 'µs',
    least: 500,
    most: 2500,
    why: '1500 on nearly every radio.',
  },
  {
    key: 'travelMicros',
    label: 'Travel at 100 %',
    unit: 'µs',
    least: 100,
    most: 1000,
    why: '500 on many radios, 400 on some.',
  },
  {
    key: 'stepMicros',
    label: 'Smallest step',
    unit: 'µs',
    least: 0.01,
    most: 50,
    why: 'The resolution of the radio.',
  },
];

/** How many things on the BEC a form can hold. */
export const MOST_BUS_LOADS = 12;

const LONGEST_NAME = 80;

/** A stored number as it stands in the form. */
export const shownValue = (rig: Rig, field: RigField): string =>
  formatNumber(quantityAt(rig, field.path).value * field.perSi, field.decimals);

/**
 * Reads a form into a rig.
 * @param base the rig that the form was made from: what the form does not ask stays
 * @returns the rig as far as it could be read, and a problem for every field that could not; paths are field names
 */
export function readRigForm(form: FormData, base: Rig): { rig: Rig; problems: Problem[] } {
  const problems: Problem[] = [];
  const text = (name: string): string => {
    const value = form.get(name);
    return typeof value === 'string' ? value.trim() : '';
  };
  const number = (
    name: string,
    label: string,
    least: number,
    most: number,
    unit: string,
  ): number | undefined => {
    const read = readNumber(text(name));
    const wanted = `between ${formatNumber(least, 4)} and ${formatNumber(most, 4)}${unit && ` ${unit}`}`;
    if (read === undefined)
      problems.push({
        path: name,
        sentence: `${label}: “${text(name)}” is not a number. It must be ${wanted}.`,
      });
    else if (read < least || read > most) {
      problems.push({
        path: name,
        sentence: `${label} is ${formatNumber(read, 4)}${unit && ` ${unit}`}; it must be ${wanted}.`,
      });
    } else return read;
    return undefined;
  };

  let rig: Rig = { ...base, name: text('name') };
  if (rig.name === '')
    problems.push({ path: 'name', sentence: 'Give the model a name, so that you find it again.' });
  if (rig.name.length > LONGEST_NAME) {
    problems.push({
      path: 'name',
      sentence: `The name has ${rig.name.length} letters; ${LONGEST_NAME} fit.`,
    });
  }
  for (const field of fieldsOf(base)) {
    const { path, label, unit, perSi, least, most } = field;
    // A field left as it was keeps its full digits; what is shown is rounded.
    const untouched = text(path) === shownValue(base, field);
    const read = untouched
      ? quantityAt(base, path).value
      : scaled(number(path, label, least * perSi, most * perSi, unit), perSi);
    if (read !== undefined)
      rig = withQuantity(rig, path, { value: read, basis: basisFrom(text(`${path}.basis`)) });
  }
  const channel = { ...base.channel, reversed: form.get('reversed') !== null };
  for (const { key, label, least, most, unit } of CHANNEL_FIELDS) {
    channel[key] = number(`channel.${key}`, label, least, most, unit) ?? channel[key];
  }
  const cells = number('cells', 'Cells', 1, 20, '');
  if (cells !== undefined && !Number.isInteger(cells)) {
    problems.push({ path: 'cells', sentence: 'Cells come whole: count them in series.' });
  }
  const busLoads = readBusLoads(form, text, problems);
  return {
    rig: {
      ...rig,
      vehicleClass: classAlike(text('vehicleClass'), base),
      vehicle:
        rig.vehicle.kind === 'propeller'
          ? { ...rig.vehicle, folding: form.get('folding') !== null }
          : rig.vehicle,
      motor: { ...rig.motor, sensored: form.get('sensored') !== null },
      pack: {
        ...rig.pack,
        cells: cells ?? base.pack.cells,
        chemistry: choice(text('chemistry'), CHEMISTRIES, base.pack.chemistry),
      },
      channel,
      busLoads,
    },
    problems,
  };
}

/** Another class only where it moves the same way: what the form did not ask cannot be made up. */
function classAlike(text: string, base: Rig): VehicleClass {
  const wanted = choice(text, VEHICLE_CLASSES, base.vehicleClass);
  return kindOf(wanted) === base.vehicle.kind ? wanted : base.vehicleClass;
}

function readBusLoads(form: FormData, text: (name: string) => string, problems: Problem[]): BusLoad[] {
  const loads: BusLoad[] = [];
  for (let place = 0; place < MOST_BUS_LOADS; place += 1) {
    const name = text(`bus.${place}.name`);
    const volts = text(`bus.${place}.maxVolts`);
    if (name === '' && volts === '') continue;
    const read = readNumber(volts);
    if (name === '' || name.length > LONGEST_NAME) {
      problems.push({
        path: `bus.${place}.name`,
        sentence: 'Say what it is, in a few words: steering servo, receiver.',
      });
    } else if (read === undefined || read < 3 || read > 30) {
      problems.push({
        path: `bus.${place}.maxVolts`,
        sentence: `The highest voltage of “${name}” must be a number between 3 and 30 V, not “${volts}”.`,
      });
    } else {
      loads.push({ name, maxVolts: read });
    }
  }
  return loads;
}

/** A number as people type it: spaces, a decimal comma and a true minus sign are fine. */
export function readNumber(text: string): number | undefined {
  const plain = text
    .replaceAll(/[\s\u00a0\u202f]/g, '')
    .replace('\u2212', '-')
    .replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : undefined;
}

const scaled = (value: number | undefined, perSi: number): number | undefined =>
  value === undefined ? undefined : value / perSi;

const basisFrom = (text: string): Basis => (text === 'measured' || text === 'given' ? text : 'assumed');

const choice = <K extends string>(text: string, table: Record<K, string>, otherwise: K): K =>
  Object.hasOwn(table, text) ? (text as K) : otherwise;
