/** What the settings make the ESC do with a trigger: from stops to plain numbers for the drills. */
import { cutoffVoltsPerCell } from '../settings/cutoff';
import type { RunningMode } from '../settings/vocabulary';
import { numberOf, valueOf, type EscProfile, type StopByItem } from '../esc/profile';
import { travelReport } from '../radio/travel';
import type { LearnedRange, ThrottleChannel } from '../radio/pulse';

export interface EscBehaviour {
  /** Most throttle that arrives, 0 to 1. */
  forwardSignal: number;
  /** Rise of duty after the trigger is pulled, per second. */
  rampPerSecond: number;
  /** Brake strength at a full push, 0 to 1, radio included. */
  fullBrake: number;
  /** Brake strength with the trigger at neutral, 0 to 1. */
  dragBrake: number;
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
  const brakeStage = numberOf(profile, stops, 'brakeStrength', WITHOUT_ITEM.brakePercent) / 100;
  return {
    forwardSignal: travel.forward.largestSignal,
    rampPerSecond: numberOf(profile, stops, 'launchStrength', WITHOUT_ITEM.rampPercentPerSecond) / 100,
    fullBrake: hasBrakeStage(profile, stops) ? brakeStage * travel.brake.largestSignal : dragBrake,
    dragBrake,
    brakeFrequencyHz: numberOf(profile, stops, 'brakeFrequency', WITHOUT_ITEM.brakeKilohertz) * 1000,
    cutoffVoltsPerCell: cutoffVoltsPerCell(valueOf(profile, stops, 'cutoff'), cells) ?? 0,
  };
}
