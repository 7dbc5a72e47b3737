/** Several motors on one stick: where each starts and tops out, and which to redo. */
import { FULL_SIGNAL } from '../radio/pulse';
import { liveShare, travelReport } from '../radio/travel';
import type { LearnedRange, ThrottleChannel } from '../radio/pulse';
import { percentOf } from '../units/format';

export interface MatchRow {
  name: string;
  /** Share of stick travel at which it starts, and from which on it gives all; 1 is the end of the travel. */
  startShare: number;
  fullShare: number;
  /** Whether full signal arrives at all. */
  fullArrives: boolean;
}

export interface MatchTable {
  rows: MatchRow[];
  startSpread: number;
  fullSpread: number;
  /** Places of the rows to calibrate again; empty where they agree. */
  redo: number[];
  sentence: string;
}

/** Differences in stick travel that nobody hears or sees. Common practice: two steps of a coarse radio. */
export const ALIKE_SHARE = 0.01;

/**
 * How well the ESCs of a model agree.
 * @param escs the name, learned range and deadband of each; two at least
 */
export function matchTable(
  channel: ThrottleChannel,
  escs: readonly { name: string; range: LearnedRange; deadbandMicros: number }[],
): MatchTable {
  const rows = escs.map(({ name, range, deadbandMicros }) => {
    const { forward } = travelReport(channel, range, deadbandMicros);
    return {
      name,
      startShare: forward.deadShare,
      fullShare: forward.deadShare + liveShare(forward),
      fullArrives: forward.largestSignal >= FULL_SIGNAL,
    };
  });
  const startSpread = spread(rows.map(({ startShare }) => startShare));
  const fullSpread = spread(rows.map(({ fullShare }) => fullShare));
  const redo = oddOnes(rows);
  return { rows, startSpread, fullSpread, redo, sentence: sentenceOn(rows, redo, startSpread) };
}

const spread = (shares: number[]): number => Math.max(...shares) - Math.min(...shares);

/**
 * The rows that differ: with three or more, those that are not among the most that agree, and all where no two do; with
 * two, both, since nothing tells which one is right, unless one alone leaves travel unused or never reaches full.
 */
function oddOnes(rows: MatchRow[]): number[] {
  const differ = (a: MatchRow, b: MatchRow): boolean =>
    Math.abs(a.startShare - b.startShare) > ALIKE_SHARE ||
    Math.abs(a.fullShare - b.fullShare) > ALIKE_SHARE ||
    a.fullArrives !== b.fullArrives;
  const agreeing = rows.map((row) => rows.filter((other) => !differ(row, other)).length);
  const most = Math.max(...agreeing);
  if (most === rows.length) return [];
  if (most > 1) return rows.flatMap((_, place) => (agreeing[place] === most ? [] : [place]));
  if (rows.length > 2) return rows.map((_, place) => place);
  const fitting = rows.map((row) => row.fullArrives && row.fullShare > 1 - ALIKE_SHARE);
  return rows.flatMap((_, place) => (fitting[place] && fitting.includes(false) ? [] : [place]));
}

function sentenceOn(rows: MatchRow[], redo: number[], startSpread: number): string {
  if (redo.length === 0)
    return `They start within ${percentOf(startSpread, 1)} of the stick of each other, and top out together.`;
  const names = redo.map((place) => rows[place]!.name);
  const list = names.length === 1 ? names[0]! : `${names.slice(0, -1).join('; ')} and ${names.at(-1)!}`;
  const why = redo
    .map((place) => rows[place]!)
    .map(
      ({ startShare, fullShare, fullArrives }) =>
        `starts at ${percentOf(startShare, 1)} and ${fullArrives ? `gives all from ${percentOf(fullShare, 1)}` : 'never gives all'}`,
    )
    .join('; ');
  return redo.length === rows.length
    ? `Calibrate all of them again with the same trims: no two agree (${why}).`
    : `Calibrate ${list} again with the trims of the others: it ${why}.`;
}

/** Two schools for the ESCs of one model, each with what it risks. Common practice. */
export const SCHOOLS = {
  inTurn: {
    name: 'In turn, each alone on the throttle channel',
    risk: 'Takes longer, and a trim moved in between teaches two different ranges. Each step can be watched, and one that fails harms no other.',
  },
  together: {
    name: 'Together, on a splitter',
    risk: 'All see the very same pulses. But one that misses its window is hard to notice among the others, and their beeps cover each other.',
  },
} as const;
