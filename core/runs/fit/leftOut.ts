/** The run that was left out of a fit, predicted with the numbers before it and after. */
import { factoryStops } from '../../esc/profile';
import { alongTrigger } from '../../physics/drills/alongTrigger';
import { escBehaviour } from '../../physics/escChain';
import { resolveRig } from '../../rig/resolve';
import type { Rig } from '../../rig/rig';
import { channelOf, lengthOf, type ChannelKind, type Log } from '../log/channels';
import { asDriven, predictedReadings, type OnRig } from '../predicted';
import { READINGS, type Reading, type ReadingId } from '../readings';
import { stopsOfRun, type Run } from '../run';
import type { SensorKey } from './parameters';

/** A number of the run that was left out. */
export interface LeftOutNumber {
  kind: ReadingId;
  measured: number;
  before: number;
  after: number;
}

/** A run as a fit takes it: with its log, or with what a hand wrote down. */
export interface RunToFit {
  number: number;
  run: Pick<Run, 'held' | 'byHand' | 'airCelsius' | 'minutes' | 'readings'>;
  log: Log | undefined;
}

/** @throws {Error} where a rig's numbers lead nowhere */
export function predictedLeftOut(
  on: OnRig,
  before: Rig,
  after: Rig,
  sensors: SensorsAsFitted,
  run: RunToFit,
): LeftOutNumber[] {
  const measured = run.log ? summaryOf(run.log) : run.run.readings;
  const kinds = measured.map(({ kind }) => kind);
  const predict = (rig: Rig, read: SensorsAsFitted): Partial<Record<ReadingId, number>> =>
    run.log
      ? asRead(alongLog({ ...on, rig }, run.run, run.log), read, run.log)
      : predictedReadings({ ...on, rig }, run.run, kinds);
  const was = predict(before, TRUE_SENSORS);
  const is = predict(after, sensors);
  return measured.flatMap(({ kind, value }) => {
    const [one, other] = [was[kind], is[kind]];
    return one === undefined || other === undefined
      ? []
      : [{ kind, measured: value, before: one, after: other }];
  });
}

/** How a model's sensors read, and what its servos draw beside the motor, A. */
export interface SensorsAsFitted extends Record<SensorKey, number> {
  servoAmps: number;
}

const TRUE_SENSORS: SensorsAsFitted = {
  ampsGain: 0,
  ampsZero: 0,
  voltsGain: 0,
  canOffset: 0,
  escOffset: 0,
  servoAmps: 0,
};

/** What sensors that are off for good show of a run. */
const asRead = (
  told: Partial<Record<ReadingId, number>>,
  { ampsGain, voltsGain, canOffset, escOffset, servoAmps }: SensorsAsFitted,
  log: Log,
): Partial<Record<ReadingId, number>> =>
  Object.fromEntries(
    Object.entries(told).map(([kind, value]) => {
      switch (kind as ReadingId) {
        case 'canCelsius':
          return [kind, value + canOffset];
        case 'escCelsius':
          return [kind, value + escOffset];
        case 'lowestVolts':
          return [kind, value * (1 + voltsGain)];
        case 'putBackMah':
          return [kind, (value + (servoAmps * lengthOf(log)) / 3.6) * (1 + ampsGain)];
        default:
          return [kind, value];
      }
    }),
  );

/** Which end of which channel sums a run up. */
const SUMMARY: readonly (readonly [ReadingId, ChannelKind, 'least' | 'most'])[] = [
  ['canCelsius', 'canCelsius', 'most'],
  ['escCelsius', 'escCelsius', 'most'],
  ['packCelsius', 'packCelsius', 'most'],
  ['lowestVolts', 'packVolts', 'least'],
  ['topRpm', 'rpm', 'most'],
  ['putBackMah', 'usedMah', 'most'],
];

/** A single reading is noise: an end is one of means over so long, s. */
const MEAN_OVER_S = 0.5;

/** An end of a channel, of its running means; undefined where it has no sample. */
function endOf(values: Float32Array, everyS: number, end: 'least' | 'most'): number | undefined {
  const known = values.filter((value) => !Number.isNaN(value));
  const width = Math.max(1, Math.min(known.length, Math.round(MEAN_OVER_S / everyS)));
  let found: number | undefined;
  let sum = 0;
  known.forEach((value, n) => {
    sum += value - (n >= width ? known[n - width]! : 0);
    if (n < width - 1) return;
    const mean = sum / width;
    if (found === undefined || (end === 'most' ? mean > found : mean < found)) found = mean;
  });
  return found;
}

/** What a log says of its run in a few numbers. */
const summaryOf = (log: Log): Pick<Reading, 'kind' | 'value'>[] =>
  SUMMARY.flatMap(([kind, channel, end]) => {
    const found = channelOf(log, channel);
    const value = found && endOf(found.values, lengthOf(log) / found.values.length, end);
    return value === undefined ? [] : [{ kind, value }];
  });

const EVERY_S = 0.1;

/** The same numbers from the model, driven along the trigger that was logged. */
function alongLog(
  { rig, profile, range, goals }: OnRig,
  run: RunToFit['run'],
  log: Log,
): Partial<Record<ReadingId, number>> {
  const driven = asDriven(rig, run);
  const resolved = resolveRig(driven, profile, goals.use);
  const stops = { ...factoryStops(profile), ...stopsOfRun(run) };
  const esc = escBehaviour(profile, stops, driven.channel, range, driven.pack.cells);
  const trigger = channelOf(log, 'trigger')!.values.map((percent) => percent / 100);
  const along = alongTrigger(
    resolved,
    esc,
    { seconds: log.seconds, trigger },
    { everyS: EVERY_S, charged: resolved.fullCharge },
  );
  const from: Partial<Record<ChannelKind, Float32Array>> = {
    canCelsius: along.canCelsius,
    escCelsius: along.escCelsius,
    packCelsius: along.packCelsius,
    packVolts: along.packVolts,
    rpm: along.rpm,
    usedMah: along.usedMah,
  };
  return Object.fromEntries(
    SUMMARY.map(([kind, channel, end]) => [kind, endOf(from[channel]!, EVERY_S, end)]),
  );
}

/** How far off a number is, in units that can be told: a share of what was measured, temperatures by the rise above cold. */
export const offBy = ({ kind, measured }: LeftOutNumber, value: number): number =>
  Math.abs(value - measured) / (READINGS[kind].unit === '°C' ? 30 : Math.max(1e-9, Math.abs(measured)));
