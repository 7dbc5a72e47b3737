/**
 * Which way an ESC turns the motor for what the trigger does: the same machine in the drills and in the simulated ESC.
 * Common practice: a push after driving brakes; reverse comes with a second push, at once when the motor stands, or after
 * the push was held for a while. With forward and reverse at once, it brakes until the motor stands and then backs up.
 */
import type { RunningMode } from '../settings/choices';
import { numberOf, valueOf, type EscProfile, type StopByItem } from './profile';

export type ReverseEntry = 'doubleTap' | 'instant' | 'delayed';

export interface DirectionRules {
  mode: RunningMode;
  entry: ReverseEntry;
  /** How long a push has to be held with the motor standing, s. */
  delayS: number;
}

export interface Direction {
  going: 'neutral' | 'forward' | 'brake' | 'reverse';
  /** Whether the push before was over: the next one may back up. */
  pushedBefore: boolean;
  /** For how long the trigger has been pushed while the motor stands, s. */
  heldS: number;
}

/** What the ESC sees at a moment. */
export interface DirectionInput {
  /** −1 full push, 0 neutral, 1 full pull: deadband and learned range taken off. */
  signal: number;
  /** Which way the motor turns: −1, 0 or 1. */
  turning: -1 | 0 | 1;
  /** Since the moment before, s. */
  lastedS: number;
}

export const AT_NEUTRAL: Direction = { going: 'neutral', pushedBefore: false, heldS: 0 };

/** Of ESCs that can wait for reverse but do not say how long. Common practice: at least a second for racing. */
const USUAL_DELAY_S = 1;

/** How an ESC decides between braking and backing up; one without the choice brakes. */
export function directionRules(profile: EscProfile, stops: StopByItem): DirectionRules {
  const mode = valueOf(profile, stops, 'runningMode');
  const entry = valueOf(profile, stops, 'reverseEntry');
  const waits = numberOf(profile, stops, 'reverseDelay', 0);
  return {
    mode: mode?.kind === 'choice' ? (mode.choice as RunningMode) : 'forwardBrake',
    entry: entry?.kind === 'choice' ? (entry.choice as ReverseEntry) : waits > 0 ? 'delayed' : 'doubleTap',
    delayS: waits > 0 ? waits : USUAL_DELAY_S,
  };
}

/** What the ESC does next. */
export function nextDirection(
  rules: DirectionRules,
  before: Direction,
  { signal, turning, lastedS }: DirectionInput,
): Direction {
  if (signal > 0) return { going: 'forward', pushedBefore: false, heldS: 0 };
  if (signal === 0)
    return {
      going: 'neutral',
      // A push that braked is over; the motor has to have come to rest before another may back up.
      pushedBefore: before.pushedBefore || (before.going === 'brake' && turning === 0),
      heldS: 0,
    };
  if (rules.mode === 'forward') return AT_NEUTRAL;
  if (rules.mode === 'forwardBrake') return { going: 'brake', pushedBefore: false, heldS: 0 };
  if (before.going === 'reverse') return before;
  const heldS = turning === 0 ? before.heldS + (before.going === 'neutral' ? 0 : lastedS) : 0;
  return mayBackUp(rules, before, turning, heldS)
    ? { going: 'reverse', pushedBefore: false, heldS: 0 }
    : { going: 'brake', pushedBefore: before.pushedBefore, heldS };
}

function mayBackUp(rules: DirectionRules, before: Direction, turning: number, heldS: number): boolean {
  if (turning > 0) return false;
  if (turning < 0 || rules.mode === 'forwardReverse') return true;
  if (rules.entry === 'instant') return true;
  if (rules.entry === 'doubleTap') return before.going === 'neutral' && before.pushedBefore;
  return heldS >= rules.delayS;
}

/** Whether there is any way to back up. */
export const canBackUp = ({ mode }: DirectionRules): boolean =>
  mode === 'forwardBrakeReverse' || mode === 'forwardReverse';
