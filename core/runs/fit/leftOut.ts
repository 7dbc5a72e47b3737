/** The run that was left out of a fit, predicted with the numbers before it and after. */
import { alongTrigger } from '../../physics/drills/alongTrigger';
import type { Rig } from '../../rig/rig';
import { channelOf, lengthOf, type ChannelKind, type Log } from '../log/channels';
import { chargeAtFirst } from '../log/chargeAtFirst';
import { NOTED_ENDS, type EndOfChannel } from '../log/readingsOfLog';
import { drivenOn, predictedReadings, type OnRig } from '../predicted';
import { READINGS, type Reading, type ReadingId } from '../readings';
import { stopsOfRun } from '../run';
import { endOfMeans } from './endOfMeans';
import { handError } from './handRows';
import type { SensorKey } from './parameters';
import type { RunToFit } from './runToFit';

/** A number of the run that was left out. */
export interface LeftOutNumber {
  kind: ReadingId;
  measured: number;
  /** How far off that may be by itself, in its unit. */
  error: number;
  before: number;
  after: number;
}

/** A log's number is the mean of some readings: it is so much of what a hand's is off. Assumed. */
const LOG_OF_HAND_ERROR = 0.25;

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
  const ofHand = run.log ? LOG_OF_HAND_ERROR : 1;
  const was = predict(before, TRUE_SENSORS);
  const is = predict(after, sensors);
  return measured.flatMap(({ kind, value }) => {
    const [one, other] = [was[kind], is[kind]];
    return one === undefined || other === undefined
      ? []
      : [{ kind, measured: value, error: ofHand * handError(kind, value), before: one, after: other }];
  });
}

/** How a model's sensors read. */
export interface SensorsAsFitted extends Record<SensorKey, number> {
  /** What its servos draw beside the motor, A. */
  servoAmps: number;
  /** By how much more current its count of what was used goes than its ammeter shows, A. */
  countsMoreAmps: number;
}

/** By how much more current a log's count of what was used goes than its amperes, A; undefined where it has not both. */
export function countsMoreAmps(log: Log): number | undefined {
  const used = channelOf(log, 'usedMah')?.values.filter((value) => !Number.isNaN(value));
  const amps = channelOf(log, 'amps')?.values.filter((value) => !Number.isNaN(value));
  if (!used?.length || !amps?.length) return undefined;
  const counted = ((used.at(-1)! - used[0]!) * AMP_SECONDS) / lengthOf(log);
  return counted - amps.reduce((sum, value) => sum + value, 0) / amps.length;
}

/** One mAh. */
const AMP_SECONDS = 3.6;

const TRUE_SENSORS: SensorsAsFitted = {
  ampsGain: 0,
  ampsZero: 0,
  voltsGain: 0,
  canOffset: 0,
  escOffset: 0,
  servoAmps: 0,
  countsMoreAmps: 0,
};

/** What sensors that are off for good show of a run. */
const asRead = (
  told: Partial<Record<ReadingId, number>>,
  { ampsGain, ampsZero, voltsGain, canOffset, escOffset, servoAmps, countsMoreAmps }: SensorsAsFitted,
  log: Log,
): Partial<Record<ReadingId, number>> => {
  /** What is counted beside the motor, mAh. */
  const beside = (mah: number): number =>
    ampsGain * mah + (((1 + ampsGain) * servoAmps + ampsZero + countsMoreAmps) * lengthOf(log)) / AMP_SECONDS;
  return Object.fromEntries(
    Object.entries(told).map(([kind, value]) => {
      switch (kind as ReadingId) {
        case 'canCelsius':
          return [kind, value + canOffset];
        case 'escCelsius':
          return [kind, value + escOffset];
        case 'lowestVolts':
          return [kind, value * (1 + voltsGain)];
        case 'putBackMah':
          return [kind, value + beside(value)];
        default:
          return [kind, value];
      }
    }),
  );
};

/** Which end of which channel sums a run up: what is noted of a log, and what was used. */
const SUMMARY: readonly EndOfChannel[] = [...NOTED_ENDS, ['putBackMah', 'usedMah', 'most']];

/** What a log says of its run in a few numbers. */
const summaryOf = (log: Log): Pick<Reading, 'kind' | 'value'>[] =>
  SUMMARY.flatMap(([kind, channel, end]) => {
    const found = channelOf(log, channel);
    const value = found && endOfMeans(found.values, lengthOf(log) / found.values.length, end);
    return value === undefined ? [] : [{ kind, value }];
  });

const EVERY_S = 0.1;

/** The same numbers from the model, driven along the trigger that was logged. */
function alongLog(on: OnRig, run: RunToFit['run'], log: Log): Partial<Record<ReadingId, number>> {
  const { resolved, esc } = drivenOn(on, run, stopsOfRun(run));
  const trigger = channelOf(log, 'trigger')!.values.map((percent) => percent / 100);
  const along = alongTrigger(
    resolved,
    esc,
    { seconds: log.seconds, trigger },
    { everyS: EVERY_S, charged: chargeAtFirst(log, on.rig.pack, resolved.fullCharge) },
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
    SUMMARY.flatMap(([kind, channel, end]) => {
      const values = from[channel];
      return values ? [[kind, endOfMeans(values, EVERY_S, end)]] : [];
    }),
  );
}

/** Of something that warmed above the air, about, K. */
const USUAL_RISE = 30;

/** How far off a number is: a share of what was measured; a temperature as a share of a usual rise. */
export const offBy = ({ kind, measured }: LeftOutNumber, value: number): number =>
  Math.abs(value - measured) /
  (READINGS[kind].unit === '°C' ? USUAL_RISE : Math.max(1e-9, Math.abs(measured)));
