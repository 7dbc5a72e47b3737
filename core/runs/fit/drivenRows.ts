/**
 * Logged runs driven whole: the model along the trigger that was logged, held against what the log comes to. A log that is held against
 * the model sample by sample says what each part does; how the parts go together shows only when it is driven. It is slow, so the newest
 * few are driven, for some minutes, and what comes out is taken as straight about that place.
 */
import { alongTrigger, type TriggerTrace } from '../../physics/drills/alongTrigger';
import type { EscBehaviour } from '../../physics/escChain';
import type { ResolvedRig } from '../../physics/resolved';
import type { Rig } from '../../rig/rig';
import { channelOf, type Channel, type Log } from '../log/channels';
import { endOfMeans } from './endOfMeans';
import { rigAt, type Parameter, type Place } from './parameters';

/** A run as it is driven whole. */
export interface RunToDrive {
  number: number;
  log: Log;
  esc: EscBehaviour;
  resolve: (rig: Rig) => ResolvedRig;
  /** How full its pack was at first, 0 to 1. */
  charged: number;
}

/** What a drive comes to: the highest rpm, the lowest volts, the mean current. */
interface DrivenNumbers {
  rpm: number;
  volts: number;
  amps: number;
}
const NUMBERS = ['rpm', 'volts', 'amps'] as const satisfies readonly (keyof DrivenNumbers)[];
export const OF_A_DRIVE = NUMBERS.length;

/** So many runs are driven, the newest, for so long, s, looked at so often, s. */
export const MOST_DRIVEN = 3;
const LONGEST_S = 150;
const EVERY_S = 0.1;
const STEP = 0.1;

/** How far off a drive is for reasons that no number of the rig is: as shares. Assumed. */
const MAY: Record<keyof DrivenNumbers, number> = { rpm: 0.007, volts: 0.005, amps: 0.05 };

interface DrivenRow {
  /** Which of the logged runs it is of. */
  run: number;
  measured: DrivenNumbers;
  base: DrivenNumbers;
  /** By how much each parameter of the rig moves it, as shares. */
  slopes: DrivenNumbers[];
}

export interface DrivenRows {
  rows: readonly DrivenRow[];
  /** The place that they are straight about. */
  about: Float64Array;
}

/** Drives the runs at a place and beside it. @throws {Error} where the rig's numbers lead nowhere */
export function drivenRowsAbout(
  rig: Rig,
  parameters: readonly Parameter[],
  runs: readonly RunToDrive[],
  about: Float64Array,
): DrivenRows {
  const rows = runs.slice(-MOST_DRIVEN).map((run, n): DrivenRow => {
    const trace = traceOf(run.log);
    const driveAt = (u: Float64Array): DrivenNumbers => {
      const resolved = run.resolve(rigAt(rig, parameters, u));
      const along = alongTrigger(resolved, run.esc, trace, { everyS: EVERY_S, charged: run.charged });
      return numbersOf({ rpm: along.rpm, volts: along.packVolts, amps: along.amps }, EVERY_S);
    };
    const base = driveAt(about);
    const slopes = parameters.map((_, place) => {
      const beside = Float64Array.from(about);
      beside[place]! += STEP;
      const there = driveAt(beside);
      return eachNumber((key) => (there[key] / base[key] - 1) / STEP);
    });
    return { run: Math.max(0, runs.length - MOST_DRIVEN) + n, measured: measuredOf(run.log), base, slopes };
  });
  return { rows, about: Float64Array.from(about) };
}

/** The residuals of runs that were driven whole: `OF_A_DRIVE` for each, in standard deviations. */
export function drivenResiduals({ rows, about }: DrivenRows, { rig, sensors, runs }: Place): number[] {
  return rows.flatMap(({ run, measured, base, slopes }) => {
    const told = eachNumber((key) => {
      const by = slopes.reduce((sum, slope, n) => sum + slope[key] * (rig[n]! - about[n]!), 0);
      return base[key] * (1 + by);
    });
    const read: DrivenNumbers = {
      rpm: told.rpm,
      volts: told.volts * (1 + sensors.voltsGain),
      amps: (told.amps + runs[run]!.servoAmps) * (1 + sensors.ampsGain) + sensors.ampsZero,
    };
    return NUMBERS.map((key) => (measured[key] - read[key]) / (MAY[key] * base[key]));
  });
}

const eachNumber = (of: (key: keyof DrivenNumbers) => number): DrivenNumbers => ({
  rpm: of('rpm'),
  volts: of('volts'),
  amps: of('amps'),
});

/** The trigger of a log's first minutes. */
function traceOf(log: Log): TriggerTrace {
  const until = samplesOf(log);
  return {
    seconds: log.seconds.subarray(0, until),
    trigger: channelOf(log, 'trigger')!
      .values.subarray(0, until)
      .map((percent) => percent / 100),
  };
}

function samplesOf({ seconds }: Log): number {
  const after = seconds.findIndex((at) => at - seconds[0]! > LONGEST_S);
  return after === -1 ? seconds.length : after;
}

/** What a log's first minutes come to. */
function measuredOf(log: Log): DrivenNumbers {
  const until = samplesOf(log);
  const seen = (channel: Channel | undefined): Float32Array => channel!.values.subarray(0, until);
  return numbersOf(
    {
      rpm: seen(channelOf(log, 'rpm')),
      volts: seen(channelOf(log, 'packVolts')),
      amps: seen(channelOf(log, 'amps')),
    },
    (log.seconds[until - 1]! - log.seconds[0]!) / (until - 1),
  );
}

function numbersOf(
  { rpm, volts, amps }: Record<keyof DrivenNumbers, Float32Array>,
  everyS: number,
): DrivenNumbers {
  const known = amps.filter((value) => !Number.isNaN(value));
  return {
    rpm: endOfMeans(rpm, everyS, 'most')!,
    volts: endOfMeans(volts, everyS, 'least')!,
    amps: known.reduce((sum, value) => sum + value, 0) / known.length,
  };
}
