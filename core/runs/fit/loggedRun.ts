/** A log made ready for a fit: what the trigger asked for at each sample, and which samples are whole and steady. */
import type { EscBehaviour } from '../../physics/escChain';
import { brakeStrengthOf, dutyOf } from '../../physics/triggerChain';
import { extraShareAt, hardnessOf, type Lap } from '../../physics/lap';
import { radPerSecond } from '../../units/convert';
import { channelOf, type ChannelKind, type Log } from '../log/channels';
import { NEEDED } from './runToFit';

export interface LoggedRun {
  /** Time to the next sample, s. */
  lasts: Float32Array;
  trigger: Float32Array;
  /** The signal behind it and the duty that it is for, 0 to 1; no duty where it brakes or coasts. */
  signal: Float32Array;
  duty: Float32Array;
  /** How strong the brake is, 0 to 1. */
  strength: Float32Array;
  /** For how long it has asked the same, s. */
  since: Float32Array;
  /** Whether it has asked the same for long enough that duty has come there. */
  steady: Uint8Array;
  /** How hard the lap was driven, %. */
  howHardPercent: number;
  /** Whether all that a fit needs was read. */
  whole: Uint8Array;
  /** What the lap has at such a trigger, as a share of the weight: what grows with grip, for a grip of one, and what does not. */
  corner: Float32Array;
  climb: Float32Array;
  volts: Float32Array;
  amps: Float32Array;
  /** Of the motor's shaft, rad/s. */
  shaft: Float32Array;
  canC: Float32Array | undefined;
  escC: Float32Array | undefined;
  /** Air, °C, and whether somebody read it. */
  airC: number;
  airKnown: boolean;
  /** Charge at first, 0 to 1. */
  charged: number;
}

/** More samples of a run teach nothing more. */
const MOST_SAMPLES = 2500;
/** Further than this the trigger is pulled. */
const PULLED = 0.02;
/** A trigger within this is the same. */
const SAME_TRIGGER = 0.03;
/** After the ramp it takes this long until a sensor shows it, s. Assumed. */
const SENSOR_LAG_S = 0.15;

/**
 * @param lap as its owner says that it is driven
 * @param letGoStrength brake strength with the trigger let go, 0 to 1
 * @throws {Error} where a needed channel is missing: a `RunToFit` has none such
 */
export function loggedRun(
  log: Log,
  esc: EscBehaviour,
  lap: Lap,
  letGoStrength: number,
  day: Pick<LoggedRun, 'airC' | 'airKnown' | 'charged'>,
): LoggedRun {
  const every = Math.max(1, Math.ceil(log.seconds.length / MOST_SAMPLES));
  const count = Math.floor((log.seconds.length - 1) / every) + 1;
  const held = (kind: ChannelKind): Float32Array | undefined => {
    const channel = channelOf(log, kind);
    return channel && heldOver(channel.values, every, count);
  };
  const need = (kind: ChannelKind): Float32Array => {
    const values = held(kind);
    if (!values) throw new Error(`a fit needs ${kind}`);
    return values;
  };
  const trigger = need('trigger').map((percent) => Math.max(-1, Math.min(1, percent / 100)));
  const pulled = trigger.filter((value) => value > PULLED);
  const howHard = hardnessOf(lap, pulled.reduce((sum, value) => sum + value, 0) / Math.max(1, pulled.length));
  // What ground it met is read off its own pulls: a lap that is driven softly has the same corners.
  const howHardPercent = lap.howHardPercent * howHard;
  const driven = { ...lap, howHardPercent };
  const run: LoggedRun = {
    howHardPercent,
    lasts: new Float32Array(count),
    trigger,
    signal: new Float32Array(count),
    duty: new Float32Array(count),
    strength: new Float32Array(count),
    since: new Float32Array(count),
    steady: new Uint8Array(count),
    whole: new Uint8Array(count),
    corner: new Float32Array(count),
    climb: new Float32Array(count),
    volts: need('packVolts'),
    amps: need('amps'),
    shaft: need('rpm').map(radPerSecond),
    canC: held('canCelsius'),
    escC: held('escCelsius'),
    ...day,
  };
  const needed = NEEDED.map((kind) => channelOf(log, kind)!);
  let began = 0;
  for (let n = 0; n < count; n += 1) {
    const second = log.seconds[n * every]!;
    const next = n + 1 < count ? log.seconds[(n + 1) * every]! : second;
    run.lasts[n] = next - second;
    if (n > 0 && Math.abs(trigger[n]! - trigger[began]!) > SAME_TRIGGER) began = n;
    const change = began === 0 ? 1 : Math.abs(trigger[n]! - trigger[began - 1]!);
    const rampS = Number.isFinite(esc.rampPerSecond) ? change / esc.rampPerSecond : 0;
    run.since[n] = second - log.seconds[began * every]!;
    run.whole[n] = needed.every(({ values }) => !Number.isNaN(values[n * every]!)) ? 1 : 0;
    run.climb[n] = extraShareAt(driven, 0, trigger[n]!);
    run.corner[n] = extraShareAt(driven, 1, trigger[n]!) - run.climb[n]!;
    const isSettled = run.since[n]! > rampS + SENSOR_LAG_S;
    run.steady[n] = run.whole[n] === 1 && isSettled && run.lasts[n]! > 0 ? 1 : 0;
    fillCommand(run, n, esc, letGoStrength);
  }
  return run;
}

function fillCommand(run: LoggedRun, n: number, esc: EscBehaviour, letGoStrength: number): void {
  const value = run.trigger[n]!;
  const signal = value > 0 ? value * esc.forwardSignal : value;
  const duty = value > 0 ? dutyOf(esc, signal) : 0;
  const strength = value < 0 ? brakeStrengthOf(esc, -value * esc.brakeSignal) : letGoStrength;
  run.signal[n] = signal;
  run.duty[n] = duty;
  run.strength[n] = duty > 0 ? 0 : strength;
}

/** Every so many samples, a blank as the one before it. */
function heldOver(values: Float32Array, every: number, count: number): Float32Array {
  const out = new Float32Array(count);
  let last = values.find((value) => !Number.isNaN(value)) ?? 0;
  for (let n = 0; n < count; n += 1) {
    const value = values[n * every]!;
    if (!Number.isNaN(value)) last = value;
    out[n] = last;
  }
  return out;
}
