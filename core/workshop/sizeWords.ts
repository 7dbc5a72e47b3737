/** Names of sizes, "very soft, soft, hard", and which way they run. */
import type { SettingId } from '../settings/vocabulary';
import { leadingNumber } from './printedNumber';
import { wordsOf } from './words';

/** What a row of names is about; each has its own two ends. */
type Axis = 'size' | 'force' | 'speed' | 'length' | 'width';

const ENDS: readonly (readonly [Axis, rank: number, words: string])[] = [
  ['size', -1, 'low small min little less weak light'],
  ['size', 1, 'high large max big more strong heavy full'],
  ['force', -1, 'soft gentle mild smooth tame'],
  ['force', 1, 'hard firm aggressive sharp harsh punchy'],
  ['speed', -1, 'slow slowly'],
  ['speed', 1, 'fast quick rapid'],
  ['length', -1, 'short brief'],
  ['length', 1, 'long'],
  ['width', -1, 'narrow'],
  ['width', 1, 'wide broad'],
];
const MIDDLE = new Set(['medium', 'middle', 'mid', 'normal', 'moderate', 'standard', 'average']);
const MORE = new Set(['very', 'super', 'extra', 'ultra', 'extremely']);
const LESS = new Set(['fairly', 'slightly', 'rather', 'bit']);

interface Size {
  axis: Axis | undefined;
  rank: number;
}

function sizeOf(label: string): Size | undefined {
  const words = wordsOf(label);
  const ends = ENDS.filter(([, , names]) => names.split(' ').some((name) => words.includes(name)));
  const known = words.filter((word) => MIDDLE.has(word) || MORE.has(word) || LESS.has(word)).length;
  if (words.length === 0 || ends.length > 1 || ends.length + known < words.length) return undefined;
  const [end] = ends;
  if (!end) return words.some((word) => MIDDLE.has(word)) ? { axis: undefined, rank: 0 } : undefined;
  const isMore = words.some((word) => MORE.has(word));
  const isLess = words.some((word) => LESS.has(word) || MIDDLE.has(word));
  return { axis: end[0], rank: end[1] * (isMore ? 2 : isLess ? 0.5 : 1) };
}

/** How a row of stops runs from the first to the last. */
export type Order =
  /** Bare numbers that rise or fall. */
  | { by: 'numbers'; runs: 1 | -1 }
  | { by: 'words'; axis: Axis; runs: 1 | -1 }
  /** To and fro: places say nothing of sizes. */
  | { by: 'none' }
  /** Names without an order that anybody could read. */
  | { by: 'unknown' };

/** @param labels of the stops that have no size of their own; "off" is none of them */
export function orderOf(labels: readonly string[]): Order {
  const numbers = labels.map((label) => leadingNumber(label.replace(/^\D*?(?=\d)/, ''))?.number);
  if (labels.length > 0 && numbers.every((number) => number !== undefined)) {
    const runs = direction(numbers);
    return runs === undefined ? { by: 'none' } : { by: 'numbers', runs };
  }
  const sizes = labels.map(sizeOf);
  const known = sizes.flatMap((size) => size ?? []);
  const axes = new Set(known.flatMap(({ axis }) => axis ?? []));
  if (known.length < labels.length || axes.size === 0) return { by: 'unknown' };
  const runs = direction(known.map(({ rank }) => rank));
  if (runs === undefined || axes.size > 1) return { by: 'none' };
  return { by: 'words', axis: [...axes][0]!, runs };
}

function direction(numbers: readonly number[]): 1 | -1 | undefined {
  const steps = numbers.slice(1).map((number, place) => number - numbers[place]!);
  if (steps.every((step) => step > 0)) return 1;
  return steps.every((step) => step < 0) ? -1 : undefined;
}

type Way = 1 | -1;

/** Times in which something comes in: slow and soft are many seconds. "High" may be either. */
const TIME_IT_TAKES: Partial<Record<Axis, Way>> = { speed: -1, force: -1, length: 1 };
const DELAY: Partial<Record<Axis, Way>> = { size: 1, length: 1, speed: -1 };
const AMOUNT: Partial<Record<Axis, Way>> = { size: 1, force: 1, width: 1 };
const RATE: Partial<Record<Axis, Way>> = { size: 1, force: 1, speed: 1 };

/** Which way a word's end lies in the vocabulary, where that is certain; bare numbers too. */
const WAYS: Partial<Record<SettingId, Partial<Record<Axis | 'numbers', Way>>>> = {
  dragRamp: TIME_IT_TAKES,
  startAcceleration: TIME_IT_TAKES,
  softStart: TIME_IT_TAKES,
  response: TIME_IT_TAKES,
  turboDelay: { ...DELAY, numbers: 1 },
  reverseDelay: { ...DELAY, numbers: 1 },
  armingTime: { ...DELAY, numbers: 1 },
  signalLossDelay: { ...DELAY, numbers: 1 },
  beaconDelay: { ...DELAY, numbers: 1 },
  launchStrength: { ...RATE, numbers: 1 },
  turboOnRate: { ...RATE, numbers: 1 },
  turboOffRate: { speed: 1, force: 1 },
  // More of a limit is gentler: a hard limit may be either.
  launchLimit: { size: 1, numbers: 1 },
  throttleCurve: {},
  brakeCurve: {},
  earlySoftening: { size: 1, force: -1, numbers: 1 },
};

/**
 * Which way an item runs: `direct` where a later stop is a higher value in the vocabulary.
 * @returns undefined where names and numbers leave it open
 */
export function senseOf(setting: SettingId, order: Order): 'direct' | 'inverted' | undefined {
  if (order.by === 'none' || order.by === 'unknown') return undefined;
  const ways = WAYS[setting] ?? { ...AMOUNT, numbers: 1 };
  const way = ways[order.by === 'numbers' ? 'numbers' : order.axis];
  if (way === undefined) return undefined;
  return way * order.runs === 1 ? 'direct' : 'inverted';
}
