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
  /** Whether somebody has calibrated or tested it; else it is only assumed to be as from the factory. */
  isKnown: boolean;
}

/** An ESC of a model, as `matchTable` needs it. */
interface MatchedEsc {
  name: string;
  range: LearnedRange;
  deadbandMicros: number;
  isKnown: boolean;
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
 * @param escs two at least
 */
export function matchTable(channel: ThrottleChannel, escs: readonly MatchedEsc[]): MatchTable {
  const rows = escs.map(({ name, range, deadbandMicros, isKnown }) => {
    const { forward } = travelReport(channel, range, deadbandMicros);
    return {
      name,
      startShare: forward.deadShare,
      fullShare: forward.deadShare + liveShare(forward),
      fullArrives: forward.largestSignal >= FULL_SIGNAL,
      isKnown,
    };
  });
  const startSpread = spread(rows.map(({ startShare }) => startShare));
  const fullSpread = spread(rows.map(({ fullShare }) => fullShare));
  const redo = oddOnes(rows);
  return { rows, startSpread, fullSpread, redo, sentence: sentenceOn(rows, redo, startSpread) };
}

const spread = (shares: number[]): number => Math.max(...shares) - Math.min(...shares);

const differ = (a: MatchRow, b: MatchRow): boolean =>
  Math.abs(a.startShare - b.startShare) > ALIKE_SHARE ||
  Math.abs(a.fullShare - b.fullShare) > ALIKE_SHARE ||
  a.fullArrives !== b.fullArrives;

/** The rows to redo. What is only assumed has no vote where something is known: it is held against that. */
function oddOnes(rows: MatchRow[]): number[] {
  const known = rows.filter(({ isKnown }) => isKnown);
  const voters = known.length > 0 ? known : rows;
  const odd = oddVoters(voters);
  const right = voters.filter((row) => !odd.includes(row));
  const isOdd = (row: MatchRow): boolean =>
    voters.includes(row) ? odd.includes(row) : right.length === 0 || right.some((one) => differ(one, row));
  return rows.flatMap((row, place) => (isOdd(row) ? [place] : []));
}

/**
 * Of those that have a vote the ones that differ: with three or more, those that are not among the most that agree, and all
 * where no two do; with two, both, since nothing tells which one is right, unless one alone leaves travel unused or never
 * reaches full.
 */
function oddVoters(voters: MatchRow[]): MatchRow[] {
  const agreeing = voters.map((row) => voters.filter((other) => !differ(row, other)).length);
  const most = Math.max(...agreeing);
  if (most === voters.length) return [];
  if (most > 1) return voters.filter((_, place) => agreeing[place] !== most);
  if (voters.length > 2) return voters;
  const fitting = voters.map((row) => row.fullArrives && row.fullShare > 1 - ALIKE_SHARE);
  return voters.filter((_, place) => !(fitting[place] && fitting.includes(false)));
}

function sentenceOn(rows: MatchRow[], redo: number[], startSpread: number): string {
  if (redo.length === 0)
    return `They start within ${percentOf(startSpread, 1)} of stick travel of each other and reach full together.`;
  const names = redo.map((place) => rows[place]!.name);
  const list = names.length === 1 ? names[0]! : `${names.slice(0, -1).join('; ')} and ${names.at(-1)!}`;
  const why = redo
    .map((place) => rows[place]!)
    .map(
      ({ startShare, fullShare, fullArrives }) =>
        `starts at ${percentOf(startShare, 1)} and ${fullArrives ? `reaches full at ${percentOf(fullShare, 1)}` : 'never reaches full'}`,
    )
    .join('; ');
  if (redo.length === rows.length) {
    const someAgree = rows.some((row, n) => rows.slice(n + 1).some((other) => !differ(row, other)));
    const reason = someAgree ? 'it is unclear which one is right' : 'all differ';
    return `Calibrate all of them again with the same trims: ${reason} (${why}).`;
  }
  const again = redo.some((place) => rows[place]!.isKnown) ? ' again' : '';
  const assumed = redo.every((place) => !rows[place]!.isKnown) ? ', as far as is assumed' : '';
  return `Calibrate ${list}${again} with the trims of the others: it ${why}${assumed}.`;
}

/** Two schools for the ESCs of one model, each with what it risks. Common practice. */
export const SCHOOLS = {
  inTurn: {
    name: 'In turn, each alone on the throttle channel',
    risk: 'Takes longer, and moving a trim in between teaches different ranges. But you can watch each step, and a failed one harms no other.',
  },
  together: {
    name: 'Together, on a splitter',
    risk: 'All get exactly the same pulses. But you can hardly notice one that misses its window: the beeps overlap.',
  },
} as const;
