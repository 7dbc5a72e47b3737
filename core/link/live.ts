/** What an ESC tells while it is driven, as it goes over the line: a word a number, a dash for one that it has not. */

/** Which numbers are told live, in their order, and in how many parts of their unit: named as the channels of a log. */
const TOLD = {
  trigger: 1,
  packVolts: 100,
  amps: 10,
  rpm: 1,
  canCelsius: 1,
  escCelsius: 1,
  usedMah: 1,
} as const;

export type LiveKind = keyof typeof TOLD;
export const LIVE_KINDS = Object.keys(TOLD) as LiveKind[];

/** The numbers of one moment, in the units of their channels. */
export interface LiveReading {
  /** Since the drive began. */
  seconds: number;
  values: Partial<Record<LiveKind, number>>;
}

const NONE = '-';

export const liveWords = ({ seconds, values }: LiveReading): string[] => [
  String(Math.round(seconds)),
  ...LIVE_KINDS.map((kind) => {
    const value = values[kind];
    return value === undefined ? NONE : String(Math.round(value * TOLD[kind]));
  }),
];

/** @returns undefined where the words are no such moment */
export function readLive([seconds, ...words]: readonly string[]): LiveReading | undefined {
  const isWhole = (word: string | undefined): boolean => /^-?\d+$/.test(word ?? '');
  if (!isWhole(seconds) || words.length !== LIVE_KINDS.length) return undefined;
  if (!words.every((word) => word === NONE || isWhole(word))) return undefined;
  return {
    seconds: Number(seconds),
    values: Object.fromEntries(
      LIVE_KINDS.flatMap((kind, n) => (words[n] === NONE ? [] : [[kind, Number(words[n]) / TOLD[kind]]])),
    ),
  };
}

/** The least and the most that was told of each number since a drive began. */
export type LiveEnds = Partial<Record<LiveKind, { least: number; most: number }>>;

/** Ends, with one more moment. */
export const withMoment = (ends: LiveEnds, { values }: LiveReading): LiveEnds => ({
  ...ends,
  ...Object.fromEntries(
    (Object.entries(values) as [LiveKind, number][]).map(([kind, value]) => {
      const { least, most } = ends[kind] ?? { least: value, most: value };
      return [kind, { least: Math.min(least, value), most: Math.max(most, value) }];
    }),
  ),
});
