/** What the settings make the ESC do with a trigger: from stops to plain numbers for the drills. */
import { cutoffVoltsPerCell } from '../settings/cutoff';
import type { RunningMode } from '../settings/choices';
import type { SettingId } from '../settings/vocabulary';
import { numberOf, valueOf, type EscProfile, type StopByItem } from '../esc/profile';
import { travelReport } from '../radio/travel';
import type { LearnedRange, ThrottleChannel } from '../radio/pulse';

/** Input and output, 0 to 1, rising, from (0, 0) to (1, 1). */
export type Curve = readonly (readonly [input: number, output: number])[];

export interface EscBehaviour {
  /** Most throttle that arrives, 0 to 1. */
  forwardSignal: number;
  /** Share of trigger travel that is dead at first and clipped at the end, forward. */
  deadShare: number;
  clippedShare: number;
  /** Distinct positions between first movement and full. */
  positions: number;
  throttleCurve: Curve;
  /** Duty at the first touch of the throttle, 0 to 1. */
  startDuty: number;
  /** Rise of duty after the throttle is opened, per second. */
  rampPerSecond: number;
  /** The most duty forward, 0 to 1. */
  forwardPower: number;
  /** The most motor current, A, and as a share of what a blocked motor would take; the smaller counts. */
  currentLimit: number;
  currentShare: number;
  driveFrequencyHz: number;
  /** Whether the bridge switches in place of its diodes while it is off. */
  damped: boolean;
  advance: Advance;
  /** Brake strength at a full push, 0 to 1, radio included. */
  fullBrake: number;
  /** The least strength at the first touch of the brake, 0 to 1. */
  leastBrake: number;
  brakeCurve: Curve;
  /** Brake strength with the trigger at neutral, 0 to 1. */
  dragBrake: number;
  /** From letting go until drag brake is there, s. */
  dragRampS: number;
  /** Duty that pulls on while the trigger is let go, 0 to 1. */
  coastAssist: number;
  /** Brake strength on a propeller when the throttle is closed, 0 to 1. */
  propellerBrake: number;
  brakeFrequencyHz: number;
  /** 0 where the cutoff is off. */
  cutoffVoltsPerCell: number;
  /** What power is left when it acts, 0 to 1. */
  cutoffLeaves: number;
  /** Where heat stops it, °C; Infinity where nothing does. */
  escLimitC: number;
  motorLimitC: number;
  /** What the BEC gives, V; 0 where there is none. */
  becVolts: number;
}

/** Timing in electrical degrees, by what it follows. */
export interface Advance {
  fixed: number;
  boost: number;
  boostStartRpm: number;
  boostEndRpm: number;
  /** From this signal on, 0 to 1. */
  boostFrom: number;
  turbo: number;
  /** From this signal on, 0 to 1, after a delay. */
  turboFrom: number;
  turboDelayS: number;
  turboPerSecond: number;
}

/** Used where an ESC has no such item. Assumed. */
const WITHOUT_ITEM = {
  rampPercentPerSecond: 1000,
  brakePercent: 100,
  brakeKilohertz: 2,
  driveKilohertz: 12,
  boostStartRpm: 5000,
  boostEndRpm: 25_000,
  turboFrom: 100,
  turboPerTenth: 100,
};

/** Running modes in which pushing the trigger of a rolling car brakes by the brake strength. */
const MODES_WITH_BRAKE: readonly RunningMode[] = ['forwardBrake', 'forwardBrakeReverse'];

/** Whether pushing the trigger brakes by the brake strength. True where the ESC has no such choice. */
export function hasBrakeStage(profile: EscProfile, stops: StopByItem): boolean {
  const mode = valueOf(profile, stops, 'runningMode');
  return mode?.kind !== 'choice' || MODES_WITH_BRAKE.includes(mode.choice as RunningMode);
}

/** Deadband on each side of neutral, µs, from its item or the profile. */
export const deadbandOf = (profile: EscProfile, stops: StopByItem): number =>
  numberOf(profile, stops, 'deadband', profile.deadbandMicrosEachSide);

/**
 * The chain from trigger to bridge for a full set of stops.
 * How a maker's per cent of braking maps to the chopper's strength is assumed to be one to one; a launch limit of L per
 * cent and a torque limit are assumed to cap the motor's current at what is left of its blocked current.
 * @param cells cells in series
 */
export function escBehaviour(
  profile: EscProfile,
  stops: StopByItem,
  channel: ThrottleChannel,
  range: LearnedRange,
  cells: number,
): EscBehaviour {
  const travel = travelReport(channel, range, deadbandOf(profile, stops));
  const of = (setting: SettingId, otherwise: number): number => numberOf(profile, stops, setting, otherwise);
  const share = (setting: SettingId, otherwise: number): number => of(setting, otherwise) / 100;
  const dragBrake = share('dragBrake', 0);
  const brakeSignal = travel.brake?.largestSignal ?? 0;
  const brakes = hasBrakeStage(profile, stops);
  const freewheel = valueOf(profile, stops, 'freewheel');
  const bec = profile.limits.becKind === 'none' ? 0 : of('becVolts', profile.limits.becMostVolts);
  return {
    forwardSignal: travel.forward.largestSignal,
    deadShare: travel.forward.deadShare,
    clippedShare: travel.forward.clippedShare,
    positions: travel.forwardResolution,
    throttleCurve: curveOf(profile, stops, 'throttleCurve'),
    startDuty: share('startForce', 0),
    rampPerSecond: rampPerSecond(profile, stops),
    forwardPower: share('forwardPower', 100),
    currentLimit: of('currentLimit', 0) > 0 ? of('currentLimit', 0) : Infinity,
    currentShare: Math.min(1 - share('launchLimit', 0), limitShare(of('torqueLimit', 0))),
    driveFrequencyHz: of('driveFrequency', WITHOUT_ITEM.driveKilohertz) * 1000,
    damped: freewheel?.kind === 'choice' ? freewheel.choice === 'on' : true,
    advance: advanceOf(of),
    fullBrake: brakes ? share('brakeStrength', WITHOUT_ITEM.brakePercent) * brakeSignal : dragBrake,
    leastBrake: Math.max(share('initialBrake', 0), share('brakeMinimum', 0)),
    brakeCurve: curveOf(profile, stops, 'brakeCurve'),
    dragBrake,
    dragRampS: of('dragRamp', 0),
    coastAssist: share('coastAssist', 0),
    propellerBrake: share('propellerBrake', 0),
    brakeFrequencyHz: of('brakeFrequency', WITHOUT_ITEM.brakeKilohertz) * 1000,
    cutoffVoltsPerCell: cutoffVoltsPerCell(valueOf(profile, stops, 'cutoff'), cells) ?? 0,
    cutoffLeaves: cutoffLeaves(profile, stops),
    escLimitC: of('escTemperatureLimit', profile.limits.temperatureLimitC ?? 0) || Infinity,
    motorLimitC: of('motorTemperatureLimit', 0) || Infinity,
    becVolts: bec,
  };
}

/** A torque limit in per cent of full; 0 and "off" mean none. */
const limitShare = (percent: number): number => (percent > 0 ? percent / 100 : 1);

function advanceOf(of: (setting: SettingId, otherwise: number) => number): Advance {
  const end = of('boostEnd', WITHOUT_ITEM.boostEndRpm);
  return {
    fixed: of('advance', 0),
    boost: of('boost', 0),
    boostStartRpm: Math.min(of('boostStart', WITHOUT_ITEM.boostStartRpm), end),
    boostEndRpm: end,
    boostFrom: of('boostFromThrottle', 0) / 100,
    turbo: of('turbo', 0),
    turboFrom: of('turboFrom', WITHOUT_ITEM.turboFrom) / 100,
    turboDelayS: of('turboDelay', 0),
    turboPerSecond: of('turboOnRate', WITHOUT_ITEM.turboPerTenth) * 10,
  };
}

/**
 * Total advance, electrical degrees.
 * @param signal what arrives of the throttle, 0 to 1
 * @param fullForS for how long it has been at least where turbo begins, s
 */
export function totalAdvance(advance: Advance, rpm: number, signal: number, fullForS: number): number {
  const {
    fixed,
    boost,
    boostStartRpm,
    boostEndRpm,
    boostFrom,
    turbo,
    turboFrom,
    turboDelayS,
    turboPerSecond,
  } = advance;
  let total = fixed;
  if (boost > 0 && signal >= boostFrom) {
    const span = boostEndRpm - boostStartRpm;
    const rise = span > 0 ? (rpm - boostStartRpm) / span : rpm >= boostEndRpm ? 1 : 0;
    total += boost * Math.max(0, Math.min(1, rise));
  }
  if (turbo > 0 && signal >= turboFrom - 1e-9)
    total += Math.max(0, Math.min(turbo, (fullForS - turboDelayS) * turboPerSecond));
  return total;
}

/** What a reduced cutoff leaves of the power. Assumed: about half. */
const REDUCED_POWER = 0.5;

function cutoffLeaves(profile: EscProfile, stops: StopByItem): number {
  const action = valueOf(profile, stops, 'cutoffAction');
  return action?.kind === 'choice' && action.choice !== 'stop' ? REDUCED_POWER : 0;
}

const STRAIGHT: Curve = [
  [0, 0],
  [1, 1],
];

/** A curve from its item; a bare number bends the middle: so many per cent come out half way. */
function curveOf(profile: EscProfile, stops: StopByItem, setting: SettingId): Curve {
  const value = valueOf(profile, stops, setting);
  if (value?.kind === 'curve')
    return [
      [0, 0],
      ...value.points.map(([x, y]) => [x / 100, y / 100] as const).filter(([x]) => x > 0 && x < 1),
      [1, 1],
    ];
  if (value?.kind === 'number' && value.value !== 50)
    return [
      [0, 0],
      [0.5, value.value / 100],
      [1, 1],
    ];
  return STRAIGHT;
}

/** What a curve makes of an input, straight between its points; clamped. */
export function onCurve(curve: Curve, input: number): number {
  if (input <= 0) return 0;
  for (let place = 1; place < curve.length; place += 1) {
    const [x1, y1] = curve[place]!;
    if (input > x1) continue;
    const [x0, y0] = curve[place - 1]!;
    return x1 === x0 ? y1 : y0 + ((input - x0) / (x1 - x0)) * (y1 - y0);
  }
  return curve.at(-1)![1];
}

/** The duty that a signal of the throttle is for in the end, 0 to 1: curve, start force and power limit. */
export const dutyOf = (esc: EscBehaviour, signal: number): number =>
  signal <= 0 ? 0 : esc.forwardPower * Math.max(esc.startDuty, onCurve(esc.throttleCurve, signal));

/** The strength of the brake at a push, 0 to 1 of what the radio lets through. */
export const brakeStrengthOf = (esc: EscBehaviour, push: number): number =>
  push <= 0 ? 0 : Math.min(1, Math.max(esc.leastBrake, esc.fullBrake * onCurve(esc.brakeCurve, push)));

/**
 * How fast duty may rise. A launch strength states it; a start acceleration, a soft start or a response the time to full.
 * The slowest decides.
 */
function rampPerSecond(profile: EscProfile, stops: StopByItem): number {
  const strength = numberOf(profile, stops, 'launchStrength', WITHOUT_ITEM.rampPercentPerSecond) / 100;
  const seconds = Math.max(
    numberOf(profile, stops, 'startAcceleration', 0),
    // The first spool-up after arming is what a drill from rest shows.
    numberOf(profile, stops, 'softStart', 0),
    numberOf(profile, stops, 'response', 0),
  );
  return Math.min(strength, seconds > 0 ? 1 / seconds : Infinity);
}

/** Duty at a time after the throttle was opened at once and fully, 0 to 1. */
export const launchDuty = (esc: EscBehaviour, timeS: number): number =>
  Math.min(dutyOf(esc, esc.forwardSignal), esc.startDuty * esc.forwardPower + esc.rampPerSecond * timeS);
