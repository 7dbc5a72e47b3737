/** The radio in the learner's hand: its menu, its throttle, and what is worn or switched on. */
import { pulseMicros, restMicros, restPosition, type ThrottleChannel } from '../radio/pulse';

export interface PracticeRadio {
  channel: ThrottleChannel;
  /** Where the hand wants the throttle: −1 full brake or right down, 0 released, 1 full. */
  position: number;
  /** Throttle hold: the pulse of rest is sent, whatever the throttle does. */
  hold: boolean;
  /** How far the throttle still goes toward full, share of its travel; 1 unless it is worn. */
  reach: number;
}

/** What of the radio's menu a lesson asks for. */
export type RadioMenu = Pick<
  ThrottleChannel,
  'forwardEndPointPercent' | 'brakeEndPointPercent' | 'subTrimMicros' | 'trimMicros' | 'reversed'
>;

export const radioAtRest = (channel: ThrottleChannel): PracticeRadio => ({
  channel,
  position: restPosition(channel),
  hold: false,
  reach: 1,
});

/** The pulse that leaves the radio now, µs. */
export const sentMicros = (radio: PracticeRadio): number =>
  radio.hold ? restMicros(radio.channel) : pulseMicros(radio.channel, reached(radio, radio.position));

/** Where the throttle gets to when the hand moves it there. */
export function reached({ channel, reach }: PracticeRadio, position: number): number {
  const rest = restPosition(channel);
  return Math.min(position, rest + (1 - rest) * reach);
}

/** The pulses of the ends that a hand reaches with it, µs. */
export const reachedRange = (radio: PracticeRadio) => ({
  brakeMicros: pulseMicros(radio.channel, -1),
  neutralMicros: restMicros(radio.channel),
  forwardMicros: pulseMicros(radio.channel, reached(radio, 1)),
});
