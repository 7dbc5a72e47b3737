/**
 * What of a log is seen at a zoom: for each column of the screen the least and the most, so that a spike of one sample is there
 * at every zoom. A pyramid of both, each level eight times coarser, answers in the time of the screen's width, not of the log's.
 */
import type { Channel, Log } from './channels';

/** So many of a level make one of the next. */
const COARSER_BY = 8;

interface Level {
  least: Float32Array;
  most: Float32Array;
}

/** A channel that is looked at. */
export interface Looked {
  channel: Channel;
  levels: Level[];
}

/** Builds the pyramid of a channel, once. */
export function lookInto(channel: Channel): Looked {
  const levels: Level[] = [];
  let below: Level = { least: channel.values, most: channel.values };
  while (below.least.length > COARSER_BY) {
    below = coarser(below);
    levels.push(below);
  }
  return { channel, levels };
}

function coarser({ least, most }: Level): Level {
  const size = Math.ceil(least.length / COARSER_BY);
  const next: Level = { least: new Float32Array(size), most: new Float32Array(size) };
  for (let n = 0; n < size; n += 1) {
    const until = Math.min(least.length, (n + 1) * COARSER_BY);
    let [low, high] = [NaN, NaN];
    for (let k = n * COARSER_BY; k < until; k += 1) {
      // A blank is no number: it is neither less nor more than any.
      if (!(least[k]! >= low)) low = Number.isNaN(least[k]!) ? low : least[k]!;
      if (!(most[k]! <= high)) high = Number.isNaN(most[k]!) ? high : most[k]!;
    }
    next.least[n] = low;
    next.most[n] = high;
  }
  return next;
}

/** The first place whose time is not before a time. */
export function placeOf(seconds: Float64Array, t: number): number {
  let [low, high] = [0, seconds.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (seconds[middle]! < t) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** A channel as it is drawn: points in the order of time, at most two for each column. */
export interface Drawn {
  seconds: number[];
  values: number[];
}

/**
 * The points of a channel between two times.
 * @param columns of the screen
 */
export function drawn(log: Log, looked: Looked, from: number, to: number, columns: number): Drawn {
  const { seconds } = log;
  // One before and one behind, so that lines run on out of the picture.
  const begins = Math.max(0, placeOf(seconds, from) - 1);
  const last = Math.min(seconds.length - 1, placeOf(seconds, to));
  if (last - begins < 2 * columns) return plainly(seconds, looked.channel.values, begins, last);
  const out: Drawn = { seconds: [], values: [] };
  let place = begins;
  for (let column = 0; column < columns && place <= last; column += 1) {
    const end = from + ((to - from) * (column + 1)) / columns;
    const until =
      column === columns - 1 ? last + 1 : Math.min(last + 1, Math.max(place, placeOf(seconds, end)));
    if (until <= place) continue;
    const { low, high } = extremes(looked, place, until);
    const first = place;
    place = until;
    // Between two values of a slow channel there are blanks of the fast ones: they are no gap.
    if (Number.isNaN(low)) continue;
    // Not at one time: whoever lays several logs over each other joins them by their times.
    const [began, ended] = [seconds[first]!, seconds[until - 1]!];
    out.seconds.push(began + (ended - began) / 3, began + (2 * (ended - began)) / 3);
    out.values.push(low, high);
  }
  return out;
}

function plainly(seconds: Float64Array, values: Float32Array, first: number, last: number): Drawn {
  const out: Drawn = { seconds: [], values: [] };
  for (let n = first; n <= last; n += 1) {
    if (Number.isNaN(values[n]!)) continue;
    out.seconds.push(seconds[n]!);
    out.values.push(values[n]!);
  }
  return out;
}

/** The least and the most between two places, the last not counted; NaN where all is blank. */
export function extremes(
  { channel, levels }: Looked,
  from: number,
  until: number,
): { low: number; high: number } {
  let [low, high] = [NaN, NaN];
  const take = (least: number, most: number): void => {
    if (!(least >= low) && !Number.isNaN(least)) low = least;
    if (!(most <= high) && !Number.isNaN(most)) high = most;
  };
  const within = (level: number, start: number, end: number): void => {
    const [least, most] =
      level < 0 ? [channel.values, channel.values] : [levels[level]!.least, levels[level]!.most];
    if (level + 1 >= levels.length || end - start < 2 * COARSER_BY) {
      for (let n = start; n < end; n += 1) take(least[n]!, most[n]!);
      return;
    }
    const firstWhole = Math.ceil(start / COARSER_BY);
    const lastWhole = Math.floor(end / COARSER_BY);
    for (let n = start; n < firstWhole * COARSER_BY; n += 1) take(least[n]!, most[n]!);
    within(level + 1, firstWhole, lastWhole);
    for (let n = lastWhole * COARSER_BY; n < end; n += 1) take(least[n]!, most[n]!);
  };
  within(-1, from, until);
  return { low, high };
}
