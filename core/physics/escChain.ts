/** What the settings make the ESC do with a trigger: from stops to plain numbers for the drills. */
import type { BRAKE_LAWS } from '../settings/choices';
import { cutoffVoltsPerCell } from '../settings/cutoff';
import type { SettingId } from '../settings/vocabulary';
import { numberOf, valueOf, type EscProfile, type LaunchLimitLaw, type StopByItem } from '../esc/profile';
import { travelReport } from '../radio/travel';
import type { LearnedRange, ThrottleChannel } from '../radio/pulse';
import { dutyOf, triggerChain, type TriggerChain } from './triggerChain';

export interface EscBehaviour extends TriggerChain {
  /** Most throttle and most brake that arrive, 0 to 1. */
  forwardSignal: number;
  brakeSignal: number;
  /** Share of trigger travel that is dead at first and clipped at the end, forward. */
  deadShare: number;
  clippedShare: number;
  /** Distinct positions between first movement and full. */
  positions: number;
  /** Rise of duty after the throttle is opened, per second. */
  rampPerSecond: number;
  /** The most motor current, A, and as a share of what a stalled motor would take; the smaller counts. */
  currentLimit: number;
  currentShare: number;
  /** The most duty while the motor picks up speed, 0 to 1. */
  launchDuty: number;
  /** The same share while the motor still starts, 0 to 1. */
  startShare: number;
  /** Whether it starts by the motor's sensors, where the motor has them. */
  usesSensor: boolean;
  governor: Governor;
  driveFrequencyHz: number;
  /** Whether the bridge switches in place of its diodes while it is off. */
  damped: boolean;
  advance: Advance;
  /** From letting go until drag brake is there, s. */
  dragRampS: number;
  /** Brake strength on a propeller when the throttle is closed, 0 to 1. */
  propellerBrake: number;
  brakeFrequencyHz: number;
  brakeLaw: BrakeLaw;
  /** Strength that a push gets on top when slow, 0 to 1. */
  lowSpeedBrake: number;
  /** Brake strength that comes in while the trigger is on its way back, 0 to 1. */
  dragWhileEasing: number;
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

export type BrakeLaw = keyof typeof BRAKE_LAWS;

/** Speed that is held by taking duty back. */
export interface Governor {
  /** As the ESC counts it, rpm of the motor; Infinity where nothing is held. */
  rpm: number;
  /** Whether the throttle sets a share of it. */
  byThrottle: boolean;
  /** Pole pairs that it counts with; 0 where it is not asked, and then right. */
  polePairs: number;
}

/** Timing in electrical degrees, by what it follows. */
export interface Advance {
  fixed: number;
  /** Withdrawn at the first touch, less and less up to a signal, 0 to 1. */
  softening: number;
  softeningUntil: number;
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
  turboOffPerSecond: number;
}

/** Used where an ESC has no such item. Assumed. */
const WITHOUT_ITEM = {
  rampPercentPerSecond: 1000,
  brakeKilohertz: 2,
  driveKilohertz: 12,
  boostStartRpm: 5000,
  boostEndRpm: 25_000,
  turboFrom: 100,
  turboPerTenth: 100,
  softeningUntil: 50,
};

/** Deadband on each side of neutral, µs, from its item or the profile. */
export const deadbandOf = (profile: EscProfile, stops: StopByItem): number =>
  numberOf(profile, stops, 'deadband', profile.deadbandMicrosEachSide);

/**
 * The chain from trigger to bridge for a full set of stops.
 * A torque limit is assumed to cap the motor's current at what is left of its stalled current; a launch limit acts as the
 * profile says, else as is assumed.
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
  const chosen = (setting: SettingId): string | undefined => {
    const value = valueOf(profile, stops, setting);
    return value?.kind === 'choice' ? value.choice : undefined;
  };
  const law = profile.launchLimitActs ?? ASSUMED_LAUNCH_LIMIT;
  /** What a launch limit leaves of what it acts on; all of what it does not. */
  const limitedBy = (acts: LaunchLimitLaw): number => (law === acts ? 1 - share('launchLimit', 0) : 1);
  const bec = profile.limits.becKind === 'none' ? 0 : of('becVolts', profile.limits.becMostVolts);
  return {
    ...triggerChain(profile, stops),
    forwardSignal: travel.forward.largestSignal,
    brakeSignal: travel.brake?.largestSignal ?? 0,
    deadShare: travel.forward.deadShare,
    clippedShare: travel.forward.clippedShare,
    positions: travel.forwardResolution,
    rampPerSecond: rampPerSecond(profile, stops, limitedBy('ramp')),
    currentLimit: of('currentLimit', 0) > 0 ? of('currentLimit', 0) : Infinity,
    currentShare: Math.min(limitedBy('current'), limitShare(of('torqueLimit', 0))),
    launchDuty: limitedBy('duty'),
    startShare: limitShare(of('startPower', 0)),
    usesSensor: chosen('motorType') !== 'sensorless',
    governor: governorOf(chosen('governor'), of),
    driveFrequencyHz: of('driveFrequency', WITHOUT_ITEM.driveKilohertz) * 1000,
    damped: chosen('freewheel') !== 'off',
    advance: advanceOf(of),
    dragRampS: of('dragRamp', 0),
    propellerBrake: share('propellerBrake', 0),
    brakeFrequencyHz: of('brakeFrequency', WITHOUT_ITEM.brakeKilohertz) * 1000,
    brakeLaw: (chosen('brakeLaw') as BrakeLaw | undefined) ?? 'linear',
    lowSpeedBrake: share('lowSpeedBrake', 0),
    dragWhileEasing: share('dragWhileEasing', 0),
    cutoffVoltsPerCell: countedCutoff(profile, stops, cells, chosen('cellCount')),
    cutoffLeaves: cutoffLeaves(profile, stops),
    escLimitC: of('escTemperatureLimit', profile.limits.temperatureLimitC ?? 0) || Infinity,
    motorLimitC: of('motorTemperatureLimit', 0) || Infinity,
    becVolts: bec,
  };
}

/** What a launch limit is taken for where the manual does not say: it fits common practice best (docs/physics.md). */
const ASSUMED_LAUNCH_LIMIT: LaunchLimitLaw = 'duty';

/** A torque limit in per cent of full; 0 and "off" mean none. */
const limitShare = (percent: number): number => (percent > 0 ? percent / 100 : 1);

function advanceOf(of: (setting: SettingId, otherwise: number) => number): Advance {
  const end = of('boostEnd', WITHOUT_ITEM.boostEndRpm);
  return {
    fixed: of('advance', 0),
    softening: of('earlySoftening', 0),
    softeningUntil: of('earlySofteningUntil', WITHOUT_ITEM.softeningUntil) / 100,
    boost: of('boost', 0),
    boostStartRpm: Math.min(of('boostStart', WITHOUT_ITEM.boostStartRpm), end),
    boostEndRpm: end,
    boostFrom: of('boostFromThrottle', 0) / 100,
    turbo: of('turbo', 0),
    turboFrom: of('turboFrom', WITHOUT_ITEM.turboFrom) / 100,
    turboDelayS: of('turboDelay', 0),
    turboPerSecond: of('turboOnRate', WITHOUT_ITEM.turboPerTenth) * 10,
    turboOffPerSecond: of('turboOffRate', WITHOUT_ITEM.turboPerTenth) * 10,
  };
}

/**
 * Total advance, electrical degrees; below zero what softening withdraws retards.
 * @param signal what arrives of the throttle, 0 to 1
 * @param fullForS for how long it has been at least where turbo begins, s
 */
export function totalAdvance(advance: Advance, rpm: number, signal: number, fullForS: number): number {
  const {
    fixed,
    softening,
    softeningUntil,
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
  // Withdrawn below zero it retards the current.
  if (signal < softeningUntil) total -= softening * (1 - signal / softeningUntil);
  if (turbo > 0 && signal >= turboFrom - 1e-9)
    total += Math.max(0, Math.min(turbo, (fullForS - turboDelayS) * turboPerSecond));
  return total;
}

/** What a reduced cutoff leaves of the power. Assumed: about half. */
const REDUCED_POWER = 0.5;

/** Volts for each real cell; an ESC that is told another number of cells multiplies by that. 0 where it is off. */
function countedCutoff(
  profile: EscProfile,
  stops: StopByItem,
  cells: number,
  count: string | undefined,
): number {
  const value = valueOf(profile, stops, 'cutoff');
  const perCell = cutoffVoltsPerCell(value, cells) ?? 0;
  const counted = Number(count ?? 'auto');
  return value?.kind === 'number' && Number.isFinite(counted) ? (perCell * counted) / cells : perCell;
}

function governorOf(
  mode: string | undefined,
  of: (setting: SettingId, otherwise: number) => number,
): Governor {
  const rpm = mode === undefined || mode === 'off' ? 0 : of('governorRpm', 0);
  return { rpm: rpm > 0 ? rpm : Infinity, byThrottle: mode === 'throttle', polePairs: of('polePairs', 0) };
}

function cutoffLeaves(profile: EscProfile, stops: StopByItem): number {
  const action = valueOf(profile, stops, 'cutoffAction');
  return action?.kind === 'choice' && action.choice !== 'stop' ? REDUCED_POWER : 0;
}

/** A launch limit of half that acts as a ramp takes a second to full. Assumed. */
const HALF_LIMIT_RAMP = 1;

/**
 * How fast duty may rise. A launch strength states it; a start acceleration, a soft start or a response the time to full.
 * The slowest decides.
 */
function rampPerSecond(profile: EscProfile, stops: StopByItem, launchShare: number): number {
  const strength = numberOf(profile, stops, 'launchStrength', WITHOUT_ITEM.rampPercentPerSecond) / 100;
  const seconds = Math.max(
    numberOf(profile, stops, 'startAcceleration', 0),
    // The first spool-up after arming is what a drill from rest shows.
    numberOf(profile, stops, 'softStart', 0),
    numberOf(profile, stops, 'response', 0),
  );
  const limited = launchShare < 1 ? (launchShare / (1 - launchShare)) * HALF_LIMIT_RAMP : Infinity;
  return Math.min(strength, seconds > 0 ? 1 / seconds : Infinity, limited);
}

/** Duty at a time after the throttle was opened at once and fully, 0 to 1. */
export const launchDuty = (esc: EscBehaviour, timeS: number): number =>
  Math.min(dutyOf(esc, esc.forwardSignal), esc.startDuty * esc.forwardPower + esc.rampPerSecond * timeS);
