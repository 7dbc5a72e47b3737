import {
  positionAt,
  pulseMicros,
  restMicros,
  restPosition,
  throttleFraction,
  type LearnedRange,
  type ThrottleChannel,
} from './pulse';

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
 * Common practice for what counts as dead and clipped.
 * @param deadbandMicros on each side of the learned neutral
 */
export function travelReport(
  channel: ThrottleChannel,
  range: LearnedRange,
  deadbandMicros: number,
): TravelReport {
  const direction = Math.sign(range.forwardMicros - range.neutralMicros);
  const released = restMicros(channel);
  return {
    forward: sideTravel(channel, range, deadbandMicros, 1),
    brake: channel.rest === 'centre' ? sideTravel(channel, range, deadbandMicros, -1) : undefined,
    neutralOffsetMicros: (released - range.neutralMicros) * direction,
    neutralInsideDeadband: throttleFraction(range, deadbandMicros, released) === 0,
    forwardResolution: Math.floor(liveMicros(channel, range, deadbandMicros) / channel.stepMicros),
  };
}

/** Live travel that one side has more than the other, as a share of it; positive where forward has more. */
export const asymmetryOf = ({ forward, brake }: TravelReport): number =>
  brake ? liveShare(forward) - liveShare(brake) : 0;

/** Travel on which something changes. */
export const liveShare = ({ deadShare, clippedShare }: SideTravel): number =>
  Math.max(0, 1 - deadShare - clippedShare);

function sideTravel(
  channel: ThrottleChannel,
  range: LearnedRange,
  deadbandMicros: number,
  stickEnd: 1 | -1,
): SideTravel {
  const rest = restPosition(channel);
  const released = restMicros(channel);
  const travel = pulseMicros(channel, stickEnd) - released;
  const end = stickEnd === 1 ? range.forwardMicros : range.brakeMicros;
  const outward = Math.sign(end - range.neutralMicros);
  const largestSignal = Math.max(0, stickEnd * throttleFraction(range, deadbandMicros, released + travel));
  if (travel === 0 || Math.sign(travel) !== outward)
    return { deadShare: 1, clippedShare: 0, largestSignal: 0 };

  const startsAt = range.neutralMicros + outward * deadbandMicros;
  /** How far the throttle has to be moved from its rest until it sends at least this pulse, share of the side. */
  const shareAt = (pulse: number): number => {
    if ((pulse - released) * outward <= 0) return 0;
    if ((pulse - released - travel) * outward >= 0) return 1;
    return (positionAt(channel, pulse) - rest) / (stickEnd - rest);
  };
  return { deadShare: shareAt(startsAt), clippedShare: 1 - shareAt(end), largestSignal };
}

/** How many µs lie between first movement and full, forward, of those that the radio sends. */
function liveMicros(channel: ThrottleChannel, range: LearnedRange, deadbandMicros: number): number {
  const outward = Math.sign(range.forwardMicros - range.neutralMicros);
  const fromRest = (pulse: number): number => (pulse - range.neutralMicros) * outward;
  const from = Math.max(deadbandMicros, fromRest(restMicros(channel)));
  const to = Math.min(fromRest(range.forwardMicros), fromRest(pulseMicros(channel, 1)));
  return Math.max(0, to - from);
}
