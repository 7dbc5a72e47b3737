/**
 * What the radio sends and what the ESC makes of it.
 * Pulse widths in µs on the usual convention: 1000 full brake, 1500 neutral, 2000 full throttle (common practice).
 */

/** The throttle channel of a radio, as set in its own menu. */
export interface ThrottleChannel {
  /**
   * Where the throttle rests: a trigger springs to the centre, with forward and brake on its two sides; a stick
   * stays at the low end, and goes one way.
   */
  rest: 'centre' | 'low';
  /** Pulse at neutral with no trim, µs. */
  centreMicros: number;
  /** How far 100 % of end point moves the pulse, µs. */
  travelMicros: number;
  forwardEndPointPercent: number;
  brakeEndPointPercent: number;
  subTrimMicros: number;
  trimMicros: number;
  reversed: boolean;
  /** Softens the middle of the travel, −50 to 100 %; 0 is straight. */
  expoPercent: number;
  /** The smallest change the radio can send, µs. */
  stepMicros: number;
  /** From one pulse to the next. */
  frameMs: number;
  /** Standard deviation of the pulse with the throttle held still, µs; null where nobody has measured it. */
  jitterMicros: number | null;
}

/**
 * The three pulses an ESC has learned. Forward may lie below neutral on a reversed radio. Where brake and
 * neutral are the same pulse, there is no brake side.
 */
export interface LearnedRange {
  brakeMicros: number;
  neutralMicros: number;
  forwardMicros: number;
}

/** The trigger positions that a hand can find without looking. A stick that rests low has no brake side. */
export type StickEnd = 'forward' | 'neutral' | 'brake';

/** The ends that this throttle has, with the position of each. */
export const stickEnds = (channel: ThrottleChannel): readonly (readonly [StickEnd, number])[] =>
  channel.rest === 'centre'
    ? [
        ['brake', -1],
        ['neutral', 0],
        ['forward', 1],
      ]
    : [
        ['neutral', -1],
        ['forward', 1],
      ];

/** The position of the throttle when nobody asks for anything. */
export const restPosition = (channel: ThrottleChannel): number => (channel.rest === 'centre' ? 0 : -1);

/** The pulse of a throttle at rest, µs. */
export const restMicros = (channel: ThrottleChannel): number => pulseMicros(channel, restPosition(channel));

/** What an ESC should have learned from this radio. */
export const rangeOf = (channel: ThrottleChannel): LearnedRange => ({
  brakeMicros: pulseMicros(channel, -1),
  neutralMicros: restMicros(channel),
  forwardMicros: pulseMicros(channel, 1),
});

/** Which of the ends sends this pulse; undefined in between. */
export const stickEndAt = (channel: ThrottleChannel, micros: number): StickEnd | undefined =>
  stickEnds(channel).find(([, position]) => pulseMicros(channel, position) === micros)?.[0];

/**
 * The pulse for a trigger position.
 * @param stick −1 full brake, 0 released, 1 full forward; values beyond are clamped
 * @returns µs, before rounding to the radio's own step
 */
export function pulseMicros(channel: ThrottleChannel, stick: number): number {
  const position = Math.max(-1, Math.min(1, stick));
  const endPoint = position >= 0 ? channel.forwardEndPointPercent : channel.brakeEndPointPercent;
  const swing = (softened(position, channel.expoPercent) * channel.travelMicros * endPoint) / 100;
  return (
    channel.centreMicros + channel.subTrimMicros + channel.trimMicros + (channel.reversed ? -swing : swing)
  );
}

/** The radio's curve: x·(1 − e) + e·x³. Common practice; below −50 % it would turn back on itself. */
function softened(position: number, expoPercent: number): number {
  const expo = expoPercent / 100;
  return position * (1 - expo) + expo * position ** 3;
}

/**
 * The position of the throttle that sends a pulse, the other way round from `pulseMicros`.
 * @returns −1 to 1; the nearer end where no position sends it
 */
export function positionAt(channel: ThrottleChannel, pulse: number): number {
  const rising = pulseMicros(channel, 1) >= pulseMicros(channel, -1);
  let low = -1;
  let high = 1;
  for (let n = 0; n < HALVINGS; n += 1) {
    const middle = (low + high) / 2;
    if (pulseMicros(channel, middle) < pulse === rising) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Leaves less than a millionth of the travel. */
const HALVINGS = 40;

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
  if (beyondDeadband <= 0 || end === 0) return 0;
  const span = Math.abs(end) - deadbandMicros;
  return Math.sign(offset) * (span > 0 ? Math.min(1, beyondDeadband / span) : 1);
}

/** Signals from here on count as full: what is missing is one step of most radios. */
export const FULL_SIGNAL = 0.995;
