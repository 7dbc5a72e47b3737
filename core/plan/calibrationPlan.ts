import type { Config, Machine } from '../procedure/language';
import { stateOf } from '../procedure/step';
import type { LearnedRange, ThrottleChannel } from '../radio/pulse';
import { pulseMicros } from '../radio/pulse';
import { gesturesOf, type Gesture } from './gestures';
import { quickestPath } from './search';

/** The three trigger positions that a hand can find without looking. */
export const STICK_ENDS = { forward: 1, neutral: 0, brake: -1 } as const;
export type StickEnd = keyof typeof STICK_ENDS;

/** What an ESC should have learned from this radio. */
export const rangeOf = (channel: ThrottleChannel): LearnedRange => ({
  brakeMicros: pulseMicros(channel, -1),
  neutralMicros: pulseMicros(channel, 0),
  forwardMicros: pulseMicros(channel, 1),
});

/** Which of the three positions sends this pulse; undefined in between. */
export function stickEndAt(channel: ThrottleChannel, micros: number): StickEnd | undefined {
  const ends = Object.keys(STICK_ENDS) as StickEnd[];
  return ends.find((end) => pulseMicros(channel, STICK_ENDS[end]) === micros);
}

/**
 * The gestures that teach the ESC this radio's range, from wherever it is now.
 * @returns undefined where no way leads there: the radio's ends are too near to its neutral
 */
export function planCalibration(
  machine: Machine,
  start: Config,
  channel: ThrottleChannel,
): Gesture[] | undefined {
  const wanted = rangeOf(channel);
  const path = quickestPath(
    machine,
    start,
    {
      keeps: ({ range }) => sameRange(range, wanted),
      arrived: (config) => stateOf(machine, config).role === 'calibrated',
    },
    Object.values(wanted),
  );
  return path && gesturesOf(machine, start, path.inputs);
}

/** Whether two ranges are the same pulses. */
export const sameRange = (a: LearnedRange, b: LearnedRange): boolean =>
  a.brakeMicros === b.brakeMicros &&
  a.neutralMicros === b.neutralMicros &&
  a.forwardMicros === b.forwardMicros;
