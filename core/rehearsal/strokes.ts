/** What was done in one go: from one moment in which no key is down to the next. */
import { isResting, type PracticeBench } from './bench';
import type { Moment } from './rehearsal';
import type { Observed } from '../procedure/language';

export interface Stroke {
  moments: readonly Moment[];
  before: PracticeBench;
  after: PracticeBench;
  observed: Observed[];
  atMs: number;
  byItself: boolean;
}

/** Every stroke that is over. */
export function strokesOf(moments: readonly Moment[]): Stroke[] {
  const strokes: Stroke[] = [];
  let open: Moment[] = [];
  for (const moment of moments) {
    open.push(moment);
    if (!isResting(moment.after)) continue;
    strokes.push(strokeOf(open));
    open = [];
  }
  return strokes;
}

function strokeOf(moments: readonly Moment[]): Stroke {
  const last = moments.at(-1)!;
  return {
    moments,
    before: moments[0]!.before,
    after: last.after,
    observed: moments.flatMap(({ observed }) => observed),
    atMs: last.atMs,
    byItself: moments.some(({ byItself }) => byItself),
  };
}
