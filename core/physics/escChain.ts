/** What the settings make the ESC do with a trigger: from stops to plain numbers for the drills. */
import { cutoffVoltsPerCell } from '../settings/cutoff';
import type { RunningMode } from '../settings/vocabulary';
import { numberOf, valueOf, type EscProfile, type StopByItem } from '../esc/profile';
import { travelReport } from '../radio/travel';
import type { LearnedRange, ThrottleChannel } from '../radio/pulse';

export interface EscBehaviour {
  /** Most throttle that arrives, 0 to 1. */
  forwardSignal: number;
  /** Duty at the first touch of the throttle, 0 to 1. */
  startDuty: number;
  /** Rise of duty after the throttle is opened, per second. */
  rampPerSecond: number;
  /** Brake strength at a full push, 0 to 1, radio included. */
  fullBrake: number;
  /** Brake strength with the trigger at neutral, 0 to 1. */
  dragBrake: number;
  /** Brake strength on a propeller when the throttle is closed, 0 to 1. */
  propellerBrake: number;
  brakeFrequencyHz: number;
  /** 0 where the cutoff is off. */
  cutoffVoltsPerCell: number;
}

/** Used where an ESC has no such item. Assumed. */
const WITHOUT_ITEM = { rampPercentPerSecond: 1000, brakePercent: 100, brakeKilohertz: 2 };

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
 * How a maker's per cent of braking maps to the chopper's strength is assumed to be one to one.
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
  const dragBrake = numberOf(profile, stops, 'dragBrake', 0) / 100;
  const brakeSignal = travel.brake?.largestSignal ?? 0;
  const brakeStage = numberOf(profile, stops, 'brakeStrength', WITHOUT_ITEM.brakePercent) / 100;
  return {
    forwardSignal: travel.forward.largestSignal,
    startDuty: numberOf(profile, stops, 'startForce', 0) / 100,
    rampPerSecond: rampPerSecond(profile, stops),
    fullBrake: hasBrakeStage(profile, stops) ? brakeStage * brakeSignal : dragBrake,
    dragBrake,
    propellerBrake: numberOf(profile, stops, 'propellerBrake', 0) / 100,
    brakeFrequencyHz: numberOf(profile, stops, 'brakeFrequency', WITHOUT_ITEM.brakeKilohertz) * 1000,
    cutoffVoltsPerCell: cutoffVoltsPerCell(valueOf(profile, stops, 'cutoff'), cells) ?? 0,
  };
}

/**
 * How fast duty may rise. A launch strength states it; a start acceleration states the time to full; a launch
 * limit of L per cent is assumed to stretch the rise to L hundredths of a second. The slowest decides.
 */
function rampPerSecond(profile: EscProfile, stops: StopByItem): number {
  const strength = numberOf(profile, stops, 'launchStrength', WITHOUT_ITEM.rampPercentPerSecond) / 100;
  const seconds = numberOf(profile, stops, 'startAcceleration', 0);
  const limit = numberOf(profile, stops, 'launchLimit', 0) / 100;
  return Math.min(strength, seconds > 0 ? 1 / seconds : Infinity, limit > 0 ? 1 / limit : Infinity);
}

/** Duty at a time after the throttle was opened at once, 0 to 1. */
export const launchDuty = (esc: EscBehaviour, timeS: number): number =>
  Math.min(esc.forwardSignal, esc.startDuty + esc.rampPerSecond * timeS);
