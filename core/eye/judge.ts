/** What a group of flashes means to the step that waits for it. */
import type { EscProfile } from '../esc/profile';
import type { Observed } from '../procedure/language';

export interface JudgedFlashes {
  /** What it is to the step: its last answer, one on the way to it, or neither. */
  kind: 'answer' | 'underway' | 'other';
  words: string;
}

type Count = Extract<Observed, { type: 'count' }>;

const isFlashed = (cue: Observed): cue is Count => cue.type === 'count' && cue.how === 'flashes';

/** The count that ends a step; undefined where something else does: flashes before a tone say nothing of the tone. */
function answerOf(awaited: readonly Observed[]): Count | undefined {
  const last = awaited.findLast(({ type }) => type !== 'lamp');
  return last && isFlashed(last) ? last : undefined;
}

/** Whether a step is answered by flashes. @param awaited everything that the step will show, in order */
export const isAnsweredByFlashes = (awaited: readonly Observed[]): boolean => answerOf(awaited) !== undefined;

/** What to make of a group. @param awaited everything that the step will show, in order */
export function judgeFlashes(
  { items }: EscProfile,
  awaited: readonly Observed[],
  count: number,
): JudgedFlashes {
  const answer = answerOf(awaited);
  const fits =
    answer?.count === count ? answer : awaited.filter(isFlashed).find((cue) => cue.count === count);
  if (!fits) return { kind: 'other', words: count === 1 ? 'one flash' : `${count} flashes` };
  const item = items.find(({ number }) => number === count);
  const words = fits.of === 'item' ? `item ${count}${item ? `, ${item.label}` : ''}` : `stop ${count}`;
  return { kind: fits === answer ? 'answer' : 'underway', words };
}

/** A group that was seen, as far as it says which one it is. */
interface Placed {
  count: number;
  colour: string;
  x: number;
  y: number;
}

/** How far a lamp wanders in a hand from one group to the next, in cells. */
const SAME_PLACE = 6;

/**
 * Whether a group may be the one before, flashed again: many ESCs go on until a key is pressed. It answers no second step by itself.
 */
export const isRepeated = (before: Placed | undefined, group: Placed): boolean =>
  before !== undefined &&
  before.count === group.count &&
  before.colour === group.colour &&
  Math.hypot(before.x - group.x, before.y - group.y) < SAME_PLACE;
