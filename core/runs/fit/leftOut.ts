/** The run that was left out of a fit, predicted with the numbers before it and after. */
import { factoryStops } from '../../esc/profile';
import { alongTrigger } from '../../physics/drills/alongTrigger';
import { escBehaviour } from '../../physics/escChain';
import { resolveRig } from '../../rig/resolve';
import type { Rig } from '../../rig/rig';
import { channelOf, type ChannelKind, type Log } from '../log/channels';
import { asDriven, predictedReadings, type OnRig } from '../predicted';
import { READINGS, type Reading, type ReadingId } from '../readings';
import { stopsOfRun, type Run } from '../run';

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
export function predictedLeftOut(on: OnRig, before: Rig, after: Rig, run: RunToFit): LeftOutNumber[] {
  const measured = run.log ? summaryOf(run.log) : run.run.readings;
  const kinds = measured.map(({ kind }) => kind);
  const [was, is] = [before, after].map((rig) =>
    run.log ? alongLog({ ...on, rig }, run.run, run.log) : predictedReadings({ ...on, rig }, run.run, kinds),
  );
  return measured.flatMap(({ kind, value }) => {
    const [one, other] = [was![kind], is![kind]];
    return one === undefined || other === undefined
      ? []
      : [{ kind, measured: value, before: one, after: other }];
  });
}

/** Which end of which channel sums a run up. */
const SUMMARY: readonly (readonly [ReadingId, ChannelKind, 'least' | 'most'])[] = [
  ['canCelsius', 'canCelsius', 'most'],
  ['escCelsius', 'escCelsius', 'most'],
  ['packCelsius', 'packCelsius', 'most'],
  ['lowestVolts', 'packVolts', 'least'],
  ['topRpm', 'rpm', 'most'],
  ['putBackMah', 'usedMah', 'most'],
];

const endOf = (values: Float32Array, end: 'least' | 'most'): number | undefined => {
  let found: number | undefined;
  for (const value of values)
    if (!Number.isNaN(value) && (found === undefined || (end === 'most' ? value > found : value < found)))
      found = value;
  return found;
};

/** What a log says of its run in a few numbers. */
const summaryOf = (log: Log): Pick<Reading, 'kind' | 'value'>[] =>
  SUMMARY.flatMap(([kind, channel, end]) => {
    const found = channelOf(log, channel);
    const value = found && endOf(found.values, end);
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
  const from: Record<(typeof SUMMARY)[number][1], Float32Array> = {
    canCelsius: along.canCelsius,
    escCelsius: along.escCelsius,
    packCelsius: along.packCelsius,
    packVolts: along.packVolts,
    rpm: along.rpm,
    usedMah: along.usedMah,
  } as never;
  return Object.fromEntries(SUMMARY.map(([kind, channel, end]) => [kind, endOf(from[channel], end)]));
}

/** How far off a number is, in units that can be told: a share of what was measured, temperatures by the rise above cold. */
export const offBy = ({ kind, measured }: LeftOutNumber, value: number): number =>
  Math.abs(value - measured) / (READINGS[kind].unit === '°C' ? 30 : Math.max(1e-9, Math.abs(measured)));
