/** A question that runs answer: one value against another, driven in turn (A, B, A), told by a number that is read each time. */
import { formatNumber, withUnit } from '../units/format';
import { whatDiffers } from './differences';
import { READINGS, type ReadingId } from './readings';
import { readingIn, type NumberedRun, type Side } from './run';
import { leastSquares, reachOf95, squaresAboutMean, type Interval, type Scatter } from './statistics';
import type { TriedStop } from './trial';

export interface Question {
  id: string;
  /** ISO 8601. */
  madeAt: string;
  /** As its driver asks it. */
  words: string;
  reading: ReadingId;
  itemId: string;
  itemNumber: number;
  itemLabel: string;
  a: TriedStop;
  b: TriedStop;
}

/** The fewest runs that answer: what changes from run to run by itself, as a warm motor does, falls out of A, B, A. */
const FEWEST_RUNS = 3;

export interface OfSeries {
  number: number;
  side: Side;
  value: number;
}

/**
 * The runs of a question that count, in their order. Those without the number that it asks for do not, nor those whose ESC is
 * not known to have held the value of their side.
 */
export const seriesOf = (question: Question, runs: readonly NumberedRun[]): OfSeries[] =>
  runs.flatMap(({ number, run }) => {
    if (run.question?.id !== question.id || run.leftOut !== '') return [];
    const { side } = run.question;
    const value = readingIn(run, question.reading);
    const held = run.held.find(({ itemId }) => itemId === question.itemId)?.stopId;
    const isAsSaid = held === (side === 'A' ? question.a : question.b).stopId;
    return value === undefined || !isAsSaid ? [] : [{ number, side, value }];
  });

export type Answer =
  /** Runs are missing: the sides that come next, at least one. */
  | { state: 'open'; next: Side[] }
  /** Something else was different between its runs: the step from A to B may be that. */
  | { state: 'twoChanged'; others: string[] }
  | {
      state: 'answered';
      /** Of B against A, in the unit of the reading, with its 95 % interval. */
      difference: number;
      interval: Interval;
      /** Whether the interval leaves out nought. */
      isTold: boolean;
      /** What was taken out of the runs before: undefined where nothing was. */
      perRun: number | undefined;
      /** How many degrees of freedom the spread rests on. */
      freedom: number;
      sentence: string;
    };

/** Packs that may take turns in a series: alike by what is printed on them, each with its own place on the shelf. */
export interface AlikePacks {
  /** In small letters. */
  labels: readonly string[];
  /** One standard deviation of the number between such packs, in its unit. */
  spread: number;
}

/**
 * What a series says. The runs are fitted by a level, a step from A to B and a change from run to run; the spread comes from
 * what is left over and from this rig's own repeated runs. Where there is neither, the A runs of a bare A, B, A give it.
 * @param repeated scatter of this number among other runs of this rig with one and the same set-up
 * @param packs whose turns are no other thing that changed: their spread counts in the interval
 * @param corrected what the model says that the circumstances of a run add to the number, by the run's number
 */
export function answerOf(
  question: Question,
  runs: readonly NumberedRun[],
  repeated: Scatter,
  corrected: Readonly<Record<number, number>> = {},
  packs?: AlikePacks,
): Answer {
  const counting = seriesOf(question, runs);
  const others = otherwiseChanged(question, counting, runs, packs);
  if (others.length > 0) return { state: 'twoChanged', others };
  const series = counting.map((one) => ({ ...one, value: one.value - (corrected[one.number] ?? 0) }));
  const told =
    series.length < FEWEST_RUNS ? undefined : fitted(series, repeated, packVariance(counting, runs, packs));
  if (!told) return { state: 'open', next: nextSides(series) };
  const { difference, reach, perRun, freedom } = told;
  const interval = { low: difference - reach, high: difference + reach };
  const isTold = interval.low > 0 || interval.high < 0;
  const sentence = inWords(question, difference, interval, isTold);
  return { state: 'answered', difference, interval, isTold, perRun, freedom, sentence };
}

/** What the model takes out of each run, so that it may differ. */
const TAKEN_OUT = new Set(['minutes', 'air']);

/** What else was different between the runs of a series. */
function otherwiseChanged(
  question: Question,
  series: readonly OfSeries[],
  runs: readonly NumberedRun[],
  packs: AlikePacks | undefined,
): string[] {
  const [first, ...rest] = series.map(({ number }) => runs.find((one) => one.number === number)!.run);
  const names = rest.flatMap((run) =>
    whatDiffers(first!, run)
      .filter(({ key, matters }) => matters && key !== question.itemId && !TAKEN_OUT.has(key))
      .filter(({ key }) => key !== 'pack' || !(isOf(packs, first!.pack) && isOf(packs, run.pack)))
      .map(({ name }) => name),
  );
  return [...new Set(names)];
}

const isOf = (packs: AlikePacks | undefined, label: string): boolean =>
  packs?.labels.includes(label.trim().toLowerCase()) ?? false;

/** What packs that take turns add to the variance of each run; nothing where all runs are on one. */
function packVariance(
  series: readonly OfSeries[],
  runs: readonly NumberedRun[],
  packs: AlikePacks | undefined,
): number {
  const labels = series.map(({ number }) =>
    runs
      .find((one) => one.number === number)!
      .run.pack.trim()
      .toLowerCase(),
  );
  return packs && new Set(labels).size > 1 ? packs.spread ** 2 : 0;
}

/** The sides that are left: each time the one that was driven less often; A where they are even, as A begins and ends. */
export function nextSides(series: readonly Pick<OfSeries, 'side'>[]): Side[] {
  const sides = series.map(({ side }) => side);
  const next: Side[] = [];
  do {
    const count = (side: Side): number => [...sides, ...next].filter((one) => one === side).length;
    next.push(count('B') < count('A') ? 'B' : 'A');
  } while (sides.length + next.length < FEWEST_RUNS);
  return next;
}

interface Told {
  difference: number;
  /** Half the 95 % interval. */
  reach: number;
  perRun: number | undefined;
  freedom: number;
}

function fitted(series: readonly OfSeries[], repeated: Scatter, ofPacks: number): Told | undefined {
  const isB = series.map(({ side }) => (side === 'B' ? 1 : 0));
  const values = series.map(({ value }) => value);
  const middle = (series.length - 1) / 2;
  const drifting = leastSquares(
    isB.map((b, n) => [1, b, n - middle]),
    values,
  );
  const freedom = series.length - 3 + repeated.freedom;
  if (drifting && freedom > 0) {
    const variance = (drifting.squares + repeated.squares) / freedom;
    return {
      difference: drifting.of[1]!,
      reach: reachOf95(freedom) * Math.sqrt((variance + ofPacks) * drifting.inverse[1]![1]!),
      perRun: drifting.of[2]!,
      freedom,
    };
  }
  return withoutDrift(series, ofPacks);
}

/** A bare A, B, A: what changes from run to run cannot be told from scatter, and counts as such. */
function withoutDrift(series: readonly OfSeries[], ofPacks: number): Told | undefined {
  const of = (side: Side): number[] => series.filter((one) => one.side === side).map(({ value }) => value);
  const [a, b] = [of('A'), of('B')];
  const freedom = a.length + b.length - 2;
  if (a.length === 0 || b.length === 0 || freedom < 1) return undefined;
  const variance = (squaresAboutMean(a) + squaresAboutMean(b)) / freedom;
  const meanOf = (values: number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  return {
    difference: meanOf(b) - meanOf(a),
    reach: reachOf95(freedom) * Math.sqrt((variance + ofPacks) * (1 / a.length + 1 / b.length)),
    perRun: undefined,
    freedom,
  };
}

function inWords(
  { reading, a, b }: Question,
  difference: number,
  { low, high }: Interval,
  isTold: boolean,
): string {
  const { name, unit, decimals, less, more } = READINGS[reading];
  const number = (value: number): string => formatNumber(value, decimals);
  if (!isTold)
    return `${a.label} and ${b.label} cannot be told apart by these runs: ${name.toLowerCase()} differs by something between ${number(low)} and ${withUnit(high, unit, decimals)}.`;
  const [least, most] = difference < 0 ? [-high, -low] : [low, high];
  return `${b.label} against ${a.label}: ${name.toLowerCase()} is ${withUnit(Math.abs(difference), unit, decimals)} ${difference < 0 ? `less (${less})` : `more (${more})`}. With 95 % certainty it is between ${number(least)} and ${withUnit(most, unit, decimals)}.`;
}
