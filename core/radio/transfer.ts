/** From trigger to duty: end point, sub-trim, curve, learned range and maximum power as one. */
import {
  FULL_SIGNAL,
  positionAt,
  pulseMicros,
  restPosition,
  throttleFraction,
  type LearnedRange,
  type ThrottleChannel,
} from './pulse';

/** How far the ESC lets each side go, 0 to 1. */
export interface PowerLimits {
  forward: number;
  brake: number;
}

export interface TransferPoint {
  /** Share of the trigger's travel: −1 full brake, 1 full forward; for a stick 0 down to 1 up. */
  trigger: number;
  pulseMicros: number;
  /** −1 to 1: brake strength below zero, duty above. */
  output: number;
}

/**
 * What each position of the trigger comes to, in so many even steps.
 * @param deadbandMicros on each side of the learned neutral
 */
export function transferOf(
  channel: ThrottleChannel,
  range: LearnedRange,
  deadbandMicros: number,
  limits: PowerLimits,
  steps: number,
): TransferPoint[] {
  return Array.from({ length: steps + 1 }, (_, n) => {
    const position = -1 + (2 * n) / steps;
    const pulse = pulseMicros(channel, position);
    return {
      trigger: channel.rest === 'low' ? (position + 1) / 2 : position,
      pulseMicros: pulse,
      output: limited(throttleFraction(range, deadbandMicros, pulse), limits),
    };
  });
}

const limited = (signal: number, { forward, brake }: PowerLimits): number =>
  signal >= 0 ? signal * forward : signal * brake;

/** One way of limiting speed, and what it comes to. */
export interface LimitedBy {
  /** The most duty, 0 to 1. */
  topDuty: number;
  /** Whether the ESC ever gets its full signal, which some of its features wait for. */
  fullSignalArrives: boolean;
  /** Distinct trigger positions between first movement and top duty. */
  positions: number;
  /** Share of forward travel on which something changes. */
  liveTravel: number;
  /** The most duty after the ESC is calibrated again with the radio as it is then. */
  topDutyRecalibrated: number;
}

/**
 * The same top speed by the radio's end point and by the ESC's maximum power, from a radio that matches what was
 * learned. Common practice: the first never sends full signal and a new calibration undoes it.
 * @param share the wanted share of full duty, 0 to 1
 */
export function limitingCompared(
  channel: ThrottleChannel,
  range: LearnedRange,
  deadbandMicros: number,
  share: number,
): { atRadio: LimitedBy; inEsc: LimitedBy; forwardEndPointPercent: number } {
  const outward = Math.sign(range.forwardMicros - range.neutralMicros);
  const pulse =
    range.neutralMicros +
    outward *
      (deadbandMicros + share * (Math.abs(range.forwardMicros - range.neutralMicros) - deadbandMicros));
  const centre = pulseMicros(channel, 0);
  const forwardEndPointPercent = (Math.abs(pulse - centre) / channel.travelMicros) * 100;
  const lowered = { ...channel, forwardEndPointPercent };
  return {
    atRadio: limitedBy(lowered, range, deadbandMicros, 1, 1),
    inEsc: limitedBy(channel, range, deadbandMicros, share, share),
    forwardEndPointPercent,
  };
}

function limitedBy(
  channel: ThrottleChannel,
  range: LearnedRange,
  deadbandMicros: number,
  power: number,
  topDutyRecalibrated: number,
): LimitedBy {
  const outward = Math.sign(range.forwardMicros - range.neutralMicros);
  const startsAt = range.neutralMicros + outward * deadbandMicros;
  const endsAt = outward * Math.min(outward * range.forwardMicros, outward * pulseMicros(channel, 1));
  const rest = restPosition(channel);
  const signal = throttleFraction(range, deadbandMicros, pulseMicros(channel, 1));
  return {
    topDuty: signal * power,
    fullSignalArrives: signal >= FULL_SIGNAL,
    positions: Math.max(0, Math.floor(Math.abs(endsAt - startsAt) / channel.stepMicros)),
    liveTravel: (positionAt(channel, endsAt) - positionAt(channel, startsAt)) / (1 - rest),
    topDutyRecalibrated,
  };
}
