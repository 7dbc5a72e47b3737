import { pulseMicros, restMicros, throttleFraction, type LearnedRange, type ThrottleChannel } from './pulse';

/** How one half of the trigger is used. Shares are of that half's stick travel, 0 to 1. */
export interface SideTravel {
  /** Travel from neutral before anything happens. */
  deadShare: number;
  /** Travel at the end after which nothing changes any more. */
  clippedShare: number;
  /** The most the ESC ever gets from this half, 0 to 1. */
  largestSignal: number;
}

export interface TravelReport {
  forward: SideTravel;
  /** Undefined where the throttle has no brake side. */
  brake: SideTravel | undefined;
  /** How far the radio's neutral lies from the learned one, µs, positive toward forward. */
  neutralOffsetMicros: number;
  /** Whether the ESC sees neutral when the trigger is released. */
  neutralInsideDeadband: boolean;
  /** Distinct positions between first movement and full, forward. */
  forwardResolution: number;
}

/**
 * How much of the trigger is dead, live and clipped, from what the radio sends and what the ESC has learned.
 * Exact for straight radio curves. Common practice for what counts as dead and clipped.
 * @param deadbandMicros on each side of the learned neutral
 */
export function travelReport(
  channel: ThrottleChannel,
  range: LearnedRange,
  deadbandMicros: number,
): TravelReport {
  const direction = Math.sign(range.forwardMicros - range.neutralMicros);
  const released = restMicros(channel);
  const forward = sideTravel(channel, range, deadbandMicros, 1);
  const liveMicros =
    Math.abs(pulseMicros(channel, 1) - released) * Math.max(0, 1 - forward.deadShare - forward.clippedShare);
  return {
    forward,
    brake: channel.rest === 'centre' ? sideTravel(channel, range, deadbandMicros, -1) : undefined,
    neutralOffsetMicros: (released - range.neutralMicros) * direction,
    neutralInsideDeadband: throttleFraction(range, deadbandMicros, released) === 0,
    forwardResolution: Math.floor(liveMicros / channel.stepMicros),
  };
}

function sideTravel(
  channel: ThrottleChannel,
  range: LearnedRange,
  deadbandMicros: number,
  stickEnd: 1 | -1,
): SideTravel {
  const released = restMicros(channel);
  const travel = pulseMicros(channel, stickEnd) - released;
  const largestSignal = Math.max(0, stickEnd * throttleFraction(range, deadbandMicros, released + travel));
  if (travel === 0) return { deadShare: 1, clippedShare: 0, largestSignal };

  const end = stickEnd === 1 ? range.forwardMicros : range.brakeMicros;
  const outward = Math.sign(end - range.neutralMicros);
  const startsAt = range.neutralMicros + outward * deadbandMicros;
  const shareAt = (pulse: number): number => Math.max(0, Math.min(1, (pulse - released) / travel));
  const sameWay = Math.sign(travel) === outward;
  if (!sameWay) return { deadShare: 1, clippedShare: 0, largestSignal: 0 };
  return { deadShare: shareAt(startsAt), clippedShare: 1 - shareAt(end), largestSignal };
}
