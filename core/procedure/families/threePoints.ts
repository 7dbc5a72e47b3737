import { POINT_ORDERS, type ThreePointFamily } from '../../esc/media';
import type { StickEnd } from '../../radio/pulse';
import type { Cue, Edge, Effect, Guard, State, TimedEdge } from '../language';

/** How a point is taken: its guard, what it leaves behind and what it is called in the machine. */
interface Point {
  end: StickEnd;
  state: string;
  guard: Guard;
  effects: Effect[];
  /** Where it leads, and what is seen and heard on the way. */
  next: string;
  cues: Cue[];
}

const WORDS = {
  neutral: { state: 'takeNeutral', guard: 'fitsNeutral', learn: 'learnNeutral' },
  forward: { state: 'takeForward', guard: 'fitsForward', learn: 'learnForward' },
  brake: { state: 'takeBrake', guard: 'fitsBrake', learn: 'learnBrake' },
} as const satisfies Record<StickEnd, { state: string; guard: Guard; learn: Effect }>;

export const WARNING: Cue = { type: 'tone', tone: 'warning' };

/**
 * The points of a family in its order. Nothing is kept before the last.
 * @param cuesAt what tells that the point of this place, from 0, was taken; the last has its own ending
 */
export function pointsOf({ order }: ThreePointFamily, cuesAt: (place: number) => Cue[]): Point[] {
  return POINT_ORDERS[order].map((end, place, all) => {
    const { state, guard, learn } = WORDS[end];
    const next = all[place + 1];
    return next
      ? { end, state, guard, effects: [learn], next: WORDS[next].state, cues: cuesAt(place) }
      : { end, state, guard, effects: [learn, 'storeRange'], next: 'calibrated', cues: cuesAt(place) };
  });
}

/** The states of all points together. */
export const statesOf = (parts: Record<string, State>[]): Record<string, State> =>
  Object.fromEntries(parts.flatMap((part) => Object.entries(part)));

/** The end of a calibration: waiting to be switched off, or starting again once the throttle rests. */
export function calibratedState({ afterwards, lamp }: ThreePointFamily, cues: Cue[]): State {
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const restart: TimedEdge = { guard: 'stickAtNeutral', effects: ['forget'], to: 'boot', gate: 'mayTurn' };
  const shown: State = {
    cues: [{ type: 'lamp', lamp, pattern: 'on' }, ...cues],
    role: 'calibrated',
    on: [off],
  };
  if (afterwards === 'restartByHand') return shown;
  return { ...shown, on: [{ ...restart, on: 'stick' }, off], after: { ms: RESTART_MS, edges: [restart] } };
}

/** How long an ESC that starts again shows first that it is done. From memory. */
const RESTART_MS = 1500;
