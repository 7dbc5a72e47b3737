/**
 * Measuring what a named level means: how, by setting, and the profile that knows it from then on.
 * Common practice.
 */
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import type { Result } from '../units/problem';
import { itemById, type EscProfile, type Stop } from './profile';
import { valueFault } from './validateProfile';

export interface Measurement {
  /** What to do, in order. */
  steps: readonly string[];
  /** What is read off in the end, with its unit. */
  reading: string;
  unit: string;
  /** Whether the reading is of the whole pack, to be divided by its cells. */
  ofPack: boolean;
}

const loaded = (steps: readonly string[], reading: string, unit: string, ofPack = false): Measurement => ({
  steps,
  reading,
  unit,
  ofPack,
});

const MEASUREMENTS: Partial<Record<SettingId, Measurement>> = {
  cutoff: loaded(
    [
      'Load this stop. Use a nearly empty pack with a voltmeter on its plug. Tie the model down or drive gently.',
      'Run at about half throttle and watch the volts while the motor pulls.',
      'Read the volts the moment the ESC cuts or slows: under load, not after it recovers.',
    ],
    'Pack volts when it cut',
    'V',
    true,
  ),
  becVolts: loaded(
    ['Load this stop, servos plugged in and still.', 'Put a voltmeter on a free receiver socket.'],
    'Volts on the bus',
    'V',
  ),
  startAcceleration: loaded(
    ['Propeller off, or wheels clear of the bench.', 'Film it: move the stick from rest to full at once.'],
    'Seconds until it no longer gets faster',
    's',
  ),
  softStart: loaded(
    ['Propeller or blades off.', 'Arm, open the throttle, and film the first spool-up.'],
    'Seconds until it is at speed',
    's',
  ),
  dragRamp: loaded(
    ['Wheels clear of the bench, motor at half speed.', 'Let go and film the wheels.'],
    'Seconds from letting go until it brakes fully',
    's',
  ),
  deadband: loaded(
    [
      'Wheels clear of the bench. Move the throttle up from neutral, one step of the radio at a time.',
      'Note the pulse where the motor first moves. Subtract the neutral pulse.',
    ],
    'Pulse from neutral to first movement',
    'µs',
  ),
  driveFrequency: loaded(
    [
      'Wheels clear of the bench, a quarter throttle.',
      'Read the loudest whine with a tone meter or spectrum app.',
    ],
    'Frequency of the whine',
    'kHz',
  ),
  startForce: loaded(
    [
      'Wheels clear of the bench.',
      'Open the throttle until the motor first turns; read the ESC’s duty by telemetry.',
    ],
    'Duty at the first movement',
    '%',
  ),
  advance: loaded(
    [
      'No load, lowest timing: note the full-throttle rpm.',
      'Load this stop. Same pack, same volts: note the rpm again.',
      'Rpm rises with 1/cos of the angle: 1.5 % more is 10°, 6 % is 20°, 15 % is 30°.',
    ],
    'Degrees',
    '°',
  ),
};

/** How a stop of this setting is measured; undefined where a bench cannot tell. */
export const measurementOf = (setting: SettingId): Measurement | undefined => MEASUREMENTS[setting];

/** The stops of a profile whose size is assumed and could be measured. */
export const measurableStops = (profile: EscProfile): { itemId: string; stop: Stop }[] =>
  profile.items.flatMap(({ id, setting, stops }) =>
    measurementOf(setting)
      ? stops
          .filter(
            ({ basis, value }) =>
              basis === 'assumed' && (value.kind === 'number' || value.kind === 'packVolts'),
          )
          .map((stop) => ({ itemId: id, stop }))
      : [],
  );

/**
 * The next revision of a profile, in which one stop means what was measured.
 * @param reading in the unit of its measurement
 * @param cells in series, by which a reading of the whole pack is divided
 */
export function withMeasuredStop(
  profile: EscProfile,
  itemId: string,
  stopId: string,
  reading: number,
  cells: number,
): Result<EscProfile> {
  const item = itemById(profile, itemId);
  const measurement = measurementOf(item.setting);
  if (!measurement) throw new Error(`${item.setting} cannot be measured`);
  const value = { kind: 'number' as const, value: rounded(measurement.ofPack ? reading / cells : reading) };
  const fault = valueFault(VOCABULARY[item.setting], value);
  if (fault)
    return { ok: false, problems: [{ path: 'reading', sentence: `“${measurement.reading}” ${fault}` }] };
  const measured = (stop: Stop): Stop => (stop.id === stopId ? { ...stop, value, basis: 'measured' } : stop);
  return {
    ok: true,
    value: {
      ...profile,
      revision: profile.revision + 1,
      items: profile.items.map((one) =>
        one.id === itemId ? { ...one, stops: one.stops.map(measured) } : one,
      ),
    },
  };
}

/** No reading is better than a thousandth. */
const rounded = (reading: number): number => Number(reading.toFixed(3));
