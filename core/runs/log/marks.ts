/** Moments of a log that one looks for: full throttle, braking, a cutoff that acted, a threshold that was passed. */
import { channelOf, type Log } from './channels';
import type { Watched } from './watched';

export const MARK_WORDS = {
  full: 'full throttle',
  brake: 'brake',
  cutoff: 'cutoff',
  alarm: 'alarm',
} as const;
export type MarkKind = keyof typeof MARK_WORDS;

export interface LogMark {
  kind: MarkKind;
  /** When it began, s. */
  seconds: number;
  words: string;
}

const FULL_PERCENT = 97;
const BRAKE_PERCENT = -20;
/** What begins again so soon is the same, s. */
const SAME_WITHIN_S = 1;
/** More marks than these hide the picture; the first of each kind are kept. */
const MOST_OF_A_KIND = 200;

/** All marks of a log, in their order. */
export function marksOf(log: Log, { cutoffVolts, thresholds }: Watched): LogMark[] {
  const trigger = channelOf(log, 'trigger');
  const volts = channelOf(log, 'packVolts');
  return [
    ...(trigger
      ? begins(log, trigger.values, (value) => value >= FULL_PERCENT, 'full', MARK_WORDS.full)
      : []),
    ...(trigger
      ? begins(log, trigger.values, (value) => value <= BRAKE_PERCENT, 'brake', MARK_WORDS.brake)
      : []),
    ...(volts && cutoffVolts > 0
      ? begins(log, volts.values, (value) => value < cutoffVolts, 'cutoff', 'volts below the cutoff')
      : []),
    ...thresholds.flatMap(({ channel, most, words }) => {
      const found = channelOf(log, channel);
      return found ? begins(log, found.values, (value) => value > most, 'alarm', words) : [];
    }),
  ].toSorted((a, b) => a.seconds - b.seconds);
}

function begins(
  { seconds }: Log,
  values: Float32Array,
  holds: (value: number) => boolean,
  kind: MarkKind,
  words: string,
): LogMark[] {
  const marks: LogMark[] = [];
  let ended = -Infinity;
  let holding = false;
  for (let n = 0; n < values.length && marks.length < MOST_OF_A_KIND; n += 1) {
    const value = values[n]!;
    if (Number.isNaN(value)) continue;
    const now = holds(value);
    if (now && !holding && seconds[n]! - ended > SAME_WITHIN_S)
      marks.push({ kind, seconds: seconds[n]!, words });
    if (holding && !now) ended = seconds[n]!;
    holding = now;
  }
  return marks;
}
