import type { Config, Machine } from '../procedure/language';
import type { LearnedRange } from '../radio/pulse';
import { gesturesOf, type Gesture } from './gestures';
import { Explorer } from './explorer';
import { isPlanned, NO_ITEM, quickestPath, type NoWay } from './search';

/**
 * The gestures that teach the ESC this radio's range, from wherever it is now.
 * @param wanted the pulses of the throttle's ends
 * @returns why there is none, where no way leads there: the radio's ends are too near to its neutral, say
 */
export function planCalibration(machine: Machine, start: Config, wanted: LearnedRange): Gesture[] | NoWay {
  const path = quickestPath(new Explorer(machine, wanted, undefined), start, {
    itemPlace: NO_ITEM,
    allows: ({ stops, range }) => stops === start.memory.stops && sameRange(range, wanted),
    arrived: ({ state }, memory) =>
      machine.states[state]?.role === 'calibrated' && sameRange(memory.range, wanted),
  });
  return isPlanned(path) ? gesturesOf(machine, start, path.inputs) : path;
}

/** Whether two ranges are the same pulses. */
export const sameRange = (a: LearnedRange, b: LearnedRange): boolean =>
  a.brakeMicros === b.brakeMicros &&
  a.neutralMicros === b.neutralMicros &&
  a.forwardMicros === b.forwardMicros;
