/**
 * What the radio sends and what the ESC makes of it.
 * Pulse widths in µs on the usual convention: 1000 full brake, 1500 neutral, 2000 full throttle (common practice).
 */

/** The throttle channel of a radio, as set in its own menu. */
export interface ThrottleChannel {
  /** Pulse at neutral with no trim, µs. */
  centreMicros: number;
  /** How far 100 % of end point moves the pulse, µs. */
  travelMicros: number;
  forwardEndPointPercent: number;
  brakeEndPointPercent: number;
  subTrimMicros: number;
  trimMicros: number;
  reversed: boolean;
  /** The smallest change the radio can send, µs. */
  stepMicros: number;
}

/** The three pulses an ESC has learned. Forward may lie below neutral on a reversed radio. */
export interface LearnedRange {
  brakeMicros: number;
  neutralMicros: number;
  forwardMicros: number;
}

/**
 * The pulse for a trigger position.
 * @param stick −1 full brake, 0 released, 1 full forward; values beyond are clamped
 * @returns µs, before rounding to the radio's own step
 */
export function pulseMicros(channel: ThrottleChannel, stick: number): number {
  const position = Math.max(-1, Math.min(1, stick));
  const endPoint = position >= 0 ? channel.forwardEndPointPercent : channel.brakeEndPointPercent;
  const swing = (position * channel.travelMicros * endPoint) / 100;
  return (
    channel.centreMicros + channel.subTrimMicros + channel.trimMicros + (channel.reversed ? -swing : swing)
  );
}

/**
 * What the ESC takes a pulse to mean: −1 full brake, 0 neutral, 1 full throttle.
 * Linear from the edge of the deadband to the learned end, clamped beyond.
 * @param deadbandMicros on each side of the learned neutral
 */
export function throttleFraction(range: LearnedRange, deadbandMicros: number, pulse: number): number {
  const direction = Math.sign(range.forwardMicros - range.neutralMicros);
  const offset = (pulse - range.neutralMicros) * direction;
  const end = (offset >= 0 ? range.forwardMicros : range.brakeMicros) - range.neutralMicros;
  const beyondDeadband = Math.abs(offset) - deadbandMicros;
  if (beyondDeadband <= 0) return 0;
  const span = Math.abs(end) - deadbandMicros;
  return Math.sign(offset) * (span > 0 ? Math.min(1, beyondDeadband / span) : 1);
}
