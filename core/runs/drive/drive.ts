/** A true model is driven: what its sensors write down, and what a hand would. */
import type { EscProfile, StopByItem } from '../../esc/profile';
import { alongTrigger, type Along } from '../../physics/drills/alongTrigger';
import { shedding } from '../../physics/thermalNodes';
import type { LearnedRange } from '../../radio/pulse';
import type { Use } from '../../rig/use';
import { normalNumbers, seededNumbers } from '../../units/seeded';
import { CHANNELS, type Channel, type ChannelKind, type Log } from '../log/channels';
import { drivenOn } from '../predicted';
import type { Run } from '../run';
import { driveLap, type DrivenTrace } from './driver';
import type { TrueModel } from './trueModel';

/** A drive to be driven. */
export interface DriveOrder {
  /** Which drive of this model it is, from 1: no two are alike. */
  number: number;
  profile: EscProfile;
  /** What its ESC holds; factory values where nothing is said. */
  stops: StopByItem;
  range: LearnedRange;
  use: Use;
  run: Pick<Run, 'byHand' | 'airCelsius'>;
  minutes: number;
}

/** How often its sensors are read, s. */
const EVERY_S = 0.1;
/** From run to run: the ground, the air that cools, the charge. Shares. */
const GROUND_SCATTER = 0.05;
const COOLING_SCATTER = 0.05;
const CHARGE_SCATTER = 0.01;
const PULL_SCATTER = 0.03;
/** What a model of ours lacks: how the ground gets heavier over the run, share of the weight; the sun, K. */
const GROUND_DRIFT = 0.02;
const SUN_KELVIN = 3;

/** What the run really was, before any sensor. */
export interface Drive {
  along: Along;
  trace: DrivenTrace;
  /** What its servos draw, A. */
  servoAmps: number;
}

/** @throws {Error} where the rig's numbers lead nowhere */
export function drive(model: TrueModel, order: DriveOrder): Drive {
  const { profile, stops, range, use, run, minutes } = order;
  const random = seededNumbers(model.seed * 104729 + order.number * 31 + 5);
  for (let n = 0; n < 20; n += 1) random();
  const normal = normalNumbers(random);
  const scatter = (share: number): number => 1 + share * Math.max(-2, Math.min(2, normal()));
  const { resolved, esc } = drivenOn({ rig: model.rig, profile, range, goals: { use } }, run, stops);
  const cooling = scatter(COOLING_SCATTER);
  const ground = scatter(GROUND_SCATTER);
  const { thermal, lap } = resolved;
  const thatDay = {
    ...resolved,
    ambientC: resolved.ambientC + (model.doesMore ? SUN_KELVIN : 0),
    thermal: shedding(thermal, { motor: cooling, esc: cooling }),
    ...(resolved.kind === 'wheels' && { rollingResistance: resolved.rollingResistance * ground }),
  };
  const trace = driveLap(
    { ...lap, howHardPercent: lap.howHardPercent * scatter(PULL_SCATTER) },
    minutes,
    resolved.kind === 'wheels'
      ? { grip: resolved.grip, corners: resolved.cornersShare * ground }
      : { grip: 0, corners: 0 },
    random,
  );
  const drift = model.doesMore && resolved.kind === 'wheels' ? GROUND_DRIFT : 0;
  const along = alongTrigger(thatDay, esc, trace, {
    everyS: EVERY_S,
    charged: Math.min(1, resolved.fullCharge * scatter(CHARGE_SCATTER)),
    extraShare: (_trigger, second) => trace.extraShare(second) + (drift * second) / (60 * minutes),
  });
  return { along, trace, servoAmps: model.servoAmps };
}

/** One reading in so many is lost, and a few after it. */
const LOST = 0.003;
const LOST_AT_ONCE = 5;

/** What the sensors of a model write of a drive: off for good, noisy, rounded, with gaps and a clock that drifts. */
export function logOf(model: TrueModel, { along, trace, servoAmps }: Drive, number: number): Log {
  const random = seededNumbers(model.seed * 15485863 + number * 101 + 3);
  for (let n = 0; n < 20; n += 1) random();
  const normal = normalNumbers(random);
  const { sensors } = model;
  const count = along.rpm.length;
  const drifts = 1 + 0.0005 * normal();
  const channel = (kind: ChannelKind, step: number, read: (n: number) => number): Channel => {
    const values = new Float32Array(count);
    for (let n = 0; n < count; n += 1) values[n] = Math.round(read(n) / step) * step;
    for (let n = 0; n < count; n += 1)
      if (random() < LOST) values.fill(NaN, n, Math.min(count, n + LOST_AT_ONCE));
    const { name, unit } = CHANNELS[kind];
    return { kind, name, unit, values };
  };
  const every = trace.trigger.length > 1 ? trace.seconds[1]! : 1;
  const triggerAt = (n: number): number =>
    trace.trigger[Math.min(trace.trigger.length - 1, Math.floor((n * along.everyS) / every + 1e-6))]!;
  const servos = (n: number): number => servoAmps * (1 + Math.sin(n / 7));
  let servoMah = 0;
  return {
    seconds: Float64Array.from({ length: count }, (_, n) => n * along.everyS * drifts),
    channels: [
      channel('trigger', 1, (n) => 100 * triggerAt(n)),
      channel('packVolts', 0.01, (n) => along.packVolts[n]! * sensors.voltsGain + 0.015 * normal()),
      channel('amps', 0.1, (n) => {
        const truly = along.amps[n]! + servos(n);
        return truly * sensors.ampsGain * (1 + 0.01 * normal()) + sensors.ampsZero + 0.15 * normal();
      }),
      channel('rpm', 10, (n) => Math.max(0, along.rpm[n]! * (1 + 0.003 * normal()))),
      channel('canCelsius', 1, (n) => along.canCelsius[n]! + sensors.canOffset + 0.3 * normal()),
      channel('escCelsius', 1, (n) => along.escCelsius[n]! + sensors.escOffset + 0.3 * normal()),
      channel('usedMah', 1, (n) => {
        servoMah += (servos(n) * along.everyS) / 3.6;
        return (along.usedMah[n]! + servoMah) * sensors.ampsGain;
      }),
    ],
  };
}
