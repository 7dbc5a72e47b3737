/** What is said of a rehearsal when it is over. Plain data: it is worked out beside the page. */
import type { Situation } from '../advice/verdicts/verdict';
import { effectOf } from './effects';
import { judge, type Slip, type SlipKind } from './judge';
import type { Lesson } from './lesson';
import type { Rehearsal } from './rehearsal';
import { slipInWords, type SlipInWords } from './slipWords';

export interface Report {
  passed: boolean;
  seconds: number;
  planSeconds: number | undefined;
  slips: SlipReport[];
}

export interface SlipReport extends SlipInWords {
  kind: SlipKind;
  atMs: number;
  /** What it would have done to the model; undefined where nothing can be computed, or nothing changes. */
  effect: string | undefined;
}

/** @param situation the model with everything as the lesson wants it */
export function reportOf(rehearsal: Omit<Rehearsal, 'troubles'>, situation: Situation): Report {
  const { passed, seconds, planSeconds, slips } = judge(rehearsal);
  return {
    passed,
    seconds,
    planSeconds,
    slips: slips.map((slip) => ({
      kind: slip.kind,
      atMs: slip.atMs,
      ...slipInWords(rehearsal.lesson, slip),
      effect: effectWhereKnown(situation, slip, rehearsal.lesson),
    })),
  };
}

/**
 * What a slip would do to the model. A wrong end point is told on the radio of the lesson: what the rig's own end points take
 * away is no slip's doing. A rig whose numbers give no result has no effect to tell.
 */
function effectWhereKnown(situation: Situation, slip: Slip, { target }: Lesson): string | undefined {
  const { rig } = situation;
  const channel = slip.range ? { ...rig.channel, ...target.menu } : rig.channel;
  try {
    return effectOf({ ...situation, rig: { ...rig, channel } }, slip);
  } catch {
    return undefined;
  }
}
