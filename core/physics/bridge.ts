/** The bridge and its guards as a run needs them, from what the settings make of the ESC and from the rig. */
import { radPerSecond, rpmOf } from '../units/convert';
import type { Braking } from './brakeChopper';
import { brakeTableOf, type BrakeTable } from './brakeTable';
import { totalAdvance, type BrakeLaw, type EscBehaviour } from './escChain';
import type { Drive, MotorModel } from './motor';
import { becWatts, busPackAmps } from './supplyBus';
import type { ResolvedRig } from './resolved';

/** How the bridge and the guards are set during a run. */
export interface BridgeSetting {
  frequencyHz: number;
  damped: boolean;
  /** The most motor current, A; and while it starts, below the speed at which it hands over. */
  currentLimit: number;
  startLimit: number;
  handoverSpeed: number;
  /** The most duty at rest, 0 to 1: a launch limit lets go as the motor picks up speed. */
  launchDuty: number;
  /** Total advance, radians, by rpm, signal and for how long the part has lasted. */
  advance: (rpm: number, signal: number, sinceS: number) => number;
  /** What a governor holds at full signal, rad/s at the shaft; Infinity without one. */
  governedSpeed: number;
  governedByThrottle: boolean;
  /** Of the motor on this pack, rad/s. */
  noLoadSpeed: number;
  brake: BrakeSetting;
  /** Heat of the ESC's electronics and its BEC, W. */
  ownWatts: number;
  /** What electronics and bus take out of the pack beside the motor, A. */
  ownAmps: number;
}

export interface BrakeSetting {
  table: BrakeTable;
  law: BrakeLaw;
  /** Strength on top at rest, 0 to 1, fading out up to this speed, rad/s. */
  assist: number;
  slowSpeed: number;
}

const RADIANS = Math.PI / 180;
/** Back-EMF from which on a sensorless ESC knows where the rotor is, V. Common practice: a tenth of kV in rpm. */
const HANDOVER_VOLTS = 0.1;
/** What processor and gate drivers draw, A. From memory. */
const ELECTRONICS_AMPS = 0.08;
/** A governor gives the duty of its speed, and this many times what it is short of it, as speed: it holds within a few per cent. Assumed. */
const GOVERNOR_GAIN = 10;
/** Share of the no-load speed below which braking counts as slow. Assumed. */
const SLOW_SPEED_SHARE = 0.2;
/** What a brake that is "firmer when slow" gets on top. Assumed. */
const HYBRID_ASSIST = 0.3;

/** The speed at which a motor is past its start, rad/s. */
export const handoverSpeedOf = (motor: MotorModel): number => HANDOVER_VOLTS / motor.constant;

const stallAmps = ({ motor, openVolts, packOhm }: ResolvedRig): number =>
  openVolts / (motor.resistance + packOhm);

/** The most motor current: the ESC's own limit, or the share of a stalled motor's current that a torque or launch limit leaves. */
const currentLimitOf = (rig: ResolvedRig, esc: EscBehaviour): number =>
  Math.min(esc.currentLimit, esc.currentShare < 1 ? esc.currentShare * stallAmps(rig) : Infinity);

/** The most motor current while it stands or starts: start power may allow less. */
export const startLimitOf = (rig: ResolvedRig, esc: EscBehaviour): number =>
  Math.min(currentLimitOf(rig, esc), esc.startShare < 1 ? esc.startShare * stallAmps(rig) : Infinity);

export function bridgeSettingOf(rig: ResolvedRig, esc: EscBehaviour): BridgeSetting {
  const { motor } = rig;
  const { governor } = esc;
  // An ESC that counts with the wrong poles holds another speed than it shows.
  const counted = governor.polePairs > 0 ? governor.polePairs / motor.polePairs : 1;
  return {
    frequencyHz: esc.driveFrequencyHz,
    damped: esc.damped,
    currentLimit: currentLimitOf(rig, esc),
    startLimit: startLimitOf(rig, esc),
    handoverSpeed: handoverSpeedOf(motor),
    launchDuty: esc.launchDuty,
    advance: (rpm, signal, sinceS) =>
      (rig.endBellDegrees + totalAdvance(esc.advance, rpm, signal, sinceS)) * RADIANS,
    governedSpeed: radPerSecond(governor.rpm * counted),
    governedByThrottle: governor.byThrottle,
    noLoadSpeed: rig.openVolts / motor.constant,
    ownWatts: ELECTRONICS_AMPS * rig.openVolts + becWatts(rig.bus, esc.becVolts, rig.openVolts),
    ownAmps: ELECTRONICS_AMPS + busPackAmps(rig.bus, esc.becVolts, rig.openVolts),
    brake: {
      table: brakeTableOf(motor, esc.brakeFrequencyHz),
      law: esc.brakeLaw,
      assist: Math.min(1, esc.lowSpeedBrake + (esc.brakeLaw === 'hybrid' ? HYBRID_ASSIST : 0)),
      slowSpeed: (SLOW_SPEED_SHARE * rig.openVolts) / motor.constant,
    },
  };
}

/**
 * How the bridge is worked while driving.
 * @param duty commanded duty, 0 to 1
 * @param signal of the throttle behind it, 0 to 1
 * @param shaft rad/s
 * @param sinceS for how long it has been commanded
 */
export function driveAt(
  bridge: BridgeSetting,
  duty: number,
  signal: number,
  shaft: number,
  sinceS: number,
  out: Drive,
): void {
  out.duty = duty;
  if (bridge.governedSpeed < Infinity) {
    const held = bridge.governedByThrottle ? bridge.governedSpeed * signal : bridge.governedSpeed;
    const needed = (held + GOVERNOR_GAIN * (held - shaft)) / bridge.noLoadSpeed;
    out.duty = Math.max(0, Math.min(duty, needed));
  }
  if (bridge.launchDuty < 1) out.duty = Math.min(out.duty, launchDutyAt(bridge, shaft));
  out.advance = bridge.advance(rpmOf(shaft), signal, sinceS);
  out.frequencyHz = bridge.frequencyHz;
  out.damped = bridge.damped;
  out.currentLimit = bridge.currentLimit;
  // The permission to start grows into the usual limit, so that nothing jumps where the motor hands over.
  const past = shaft / bridge.handoverSpeed - 1;
  if (past < 1 && bridge.startLimit < bridge.currentLimit)
    out.currentLimit =
      past <= 0 ? bridge.startLimit : Math.min(bridge.currentLimit, bridge.startLimit / (1 - past));
}

/** A launch limit holds back up to the first share of the no-load speed, and is gone at the second. Assumed. */
const LAUNCH_HOLDS_UNTIL = 0.3;
const LAUNCH_GONE_AT = 0.8;

/** The most duty that a launch limit lets through at a shaft speed in rad/s. */
function launchDutyAt({ launchDuty, noLoadSpeed }: BridgeSetting, shaft: number): number {
  const gone = (shaft / noLoadSpeed - LAUNCH_HOLDS_UNTIL) / (LAUNCH_GONE_AT - LAUNCH_HOLDS_UNTIL);
  return launchDuty + (1 - launchDuty) * Math.max(0, Math.min(1, gone));
}

/** A bridge's drive, to be filled by `driveAt`. */
export const newDrive = (): Drive => ({
  duty: 0,
  advance: 0,
  frequencyHz: 0,
  damped: true,
  currentLimit: Infinity,
});

/** Steps of halving until a strength makes a torque. */
const HALVINGS = 10;

/** How the brake is commanded. */
export interface BrakeCall {
  /** 0 to 1 */
  strength: number;
  /** Whether it is the same over the run. */
  stays: boolean;
  /** Whether the trigger asks for it; drag brake knows no law. */
  pushed: boolean;
}

/**
 * What brakes, by the brake's law: linear is the chopper's own; firmer when slow adds strength there; constant torque takes the
 * strength that makes the strength's share of what full braking gives at the end of the slow range. How a maker's law is made
 * is published nowhere: assumed.
 */
export function brakeAt(
  brake: BrakeSetting,
  { strength, stays, pushed }: BrakeCall,
  shaft: number,
  openVolts: number,
  packOhm: number,
  out: Braking,
): void {
  const { table, law, assist, slowSpeed } = brake;
  if (!pushed || strength <= 0 || (assist === 0 && law !== 'constant'))
    table.onPack(strength, stays, shaft, openVolts, packOhm, out);
  else if (law === 'constant') brakeConstantly(brake, strength, shaft, openVolts, packOhm, out);
  else {
    const slow = Math.max(0, 1 - shaft / slowSpeed);
    const whole = Math.min(1, strength + assist * slow);
    table.onPack(whole, stays && slow === 0, shaft, openVolts, packOhm, out);
  }
}

function brakeConstantly(
  { table, slowSpeed }: BrakeSetting,
  strength: number,
  shaft: number,
  openVolts: number,
  packOhm: number,
  out: Braking,
): void {
  table.onPack(1, true, slowSpeed, openVolts, packOhm, out);
  const most = strength * out.amps;
  table.onPack(1, true, shaft, openVolts, packOhm, out);
  if (out.amps <= most) return;
  let low = 0;
  let high = 1;
  for (let n = 0; n < HALVINGS; n += 1) {
    const middle = (low + high) / 2;
    table.onPack(middle, false, shaft, openVolts, packOhm, out);
    if (out.amps < most) low = middle;
    else high = middle;
  }
  table.onPack((low + high) / 2, false, shaft, openVolts, packOhm, out);
  // What is left of the halving is the same torque: it is called so.
  out.returned *= most / Math.max(out.amps, 1e-9);
  out.amps = most;
}

/** For runs of a few seconds, whose peaks and crossings have to be exact, and which cost nothing. */
export const finely = <R extends ResolvedRig>(rig: R): R => ({ ...rig, accuracy: rig.accuracy / 50 });
