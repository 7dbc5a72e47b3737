import type { Config, Machine } from '../procedure/language';
import { rangeOf, type LearnedRange, type ThrottleChannel } from '../radio/pulse';
import { gesturesOf, type Gesture } from './gestures';
import { Explorer } from './explorer';
import { quickestPath } from './search';

/** A place that no menu has: end points are not learned in one. */
const NO_ITEM = -1;

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
  const path = quickestPath(new Explorer(machine, wanted), start, {
    itemPlace: NO_ITEM,
    allows: ({ stops, range }) => stops === start.memory.stops && sameRange(range, wanted),
    arrived: ({ state }, memory) =>
      machine.states[state]?.role === 'calibrated' && sameRange(memory.range, wanted),
  });
  return path && gesturesOf(machine, start, path.inputs);
}

/** Whether two ranges are the same pulses. */
export const sameRange = (a: LearnedRange, b: LearnedRange): boolean =>
  a.brakeMicros === b.brakeMicros &&
  a.neutralMicros === b.neutralMicros &&
  a.forwardMicros === b.forwardMicros;
