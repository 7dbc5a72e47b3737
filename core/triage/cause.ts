/** A cause of trouble: what speaks for it, the one change to try, and what to look for then. */
import type { NumberRef } from '../physics/drills/numberIds';
import type { SettingId } from '../settings/vocabulary';
import type { Evidence } from './seen';
import type { TroubleId } from './symptoms';

/** One change, and only one: otherwise nobody knows what helped. */
export type Try =
  | { kind: 'set'; setting: SettingId; to: number | string }
  /** One stop of this ESC up or down. */
  | { kind: 'step'; setting: SettingId; by: 1 | -1 }
  /** Something that is done elsewhere in Live Tune. */
  | { kind: 'station'; station: 'rig' | 'endpoints'; words: string }
  /** Something that is done with a hand. */
  | { kind: 'hand'; words: string };

export interface CauseRule {
  id: string;
  what: string;
  evidence?: Evidence;
  /** Answers that speak for it, by question. Another answer speaks against it. */
  says?: Readonly<Record<string, readonly string[]>>;
  try: Try;
  /** The number that predicts what the change does. */
  tells?: NumberRef;
  lookFor: string;
}

/** The causes of some troubles, the most usual first. */
export type CausesOf<T extends TroubleId> = Readonly<Record<T, readonly CauseRule[]>>;
