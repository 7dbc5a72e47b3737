/** The ESCs of a model: one for each motor, told apart by number and, where a word is usual, by place. */
import type { LearnedRange } from '../radio/pulse';
import type { EscProfile } from '../esc/profile';
import type { Rig } from '../rig/rig';
import { lastTravelTest, type BenchTest } from './benchTest';
import type { Calibration } from './calibration';
import { foundRange } from './travelTest';

/** What each ESC of a model is called, the first first; a single one has no need of a number. */
export function escNames({ motorCount }: Pick<Rig, 'motorCount'>): string[] {
  if (motorCount === 1) return ['The ESC'];
  if (motorCount === 2) return ['ESC 1 (left)', 'ESC 2 (right)'];
  return Array.from({ length: motorCount }, (_, n) => `ESC ${n + 1}`);
}

/** The last calibration of an ESC, among all of its rig, newest first. */
export const lastOf = <C extends Calibration>(calibrations: readonly C[], escNumber: number): C | undefined =>
  calibrations.find((calibration) => calibration.escNumber === escNumber);

/**
 * What each ESC is believed to have learned: the first as its memory says, the others as their last calibration left
 * them, or as they left the factory.
 */
export function rangesOf(
  { motorCount }: Pick<Rig, 'motorCount'>,
  profile: EscProfile,
  firstRange: LearnedRange,
  calibrations: readonly Calibration[],
): LearnedRange[] {
  return Array.from({ length: motorCount }, (_, place) => {
    if (place === 0) return firstRange;
    const last = lastOf(calibrations, place + 1);
    return last?.profileId === profile.id ? last.after : profile.factoryRange;
  });
}

/** What one ESC of a model makes of a pulse, and how that is known. */
export interface KnownEsc {
  name: string;
  range: LearnedRange;
  deadbandMicros: number;
  basis: keyof typeof KNOWN_BY;
  /** Whether somebody has calibrated or tested it. */
  isKnown: boolean;
}

export const KNOWN_BY = {
  tested: 'bench test',
  calibrated: 'calibration',
  factory: 'assumed as from the factory',
} as const;

/** Something kept on a bench, with its place among all that was: clocks are set back, and tell what came last to no one. */
export type InOrder<T> = T & { order: number };

/** What is known of every ESC of a model: its bench test where that came last, else its calibration. */
export function knownEscs(
  rig: Rig,
  ranges: readonly LearnedRange[],
  deadbandMicros: number,
  calibrations: readonly InOrder<Calibration>[],
  tests: readonly InOrder<BenchTest>[],
): KnownEsc[] {
  return escNames(rig).map((name, place) => {
    const calibration = lastOf(calibrations, place + 1);
    const tested = lastTravelTest(tests, place + 1);
    const range = ranges[place]!;
    const found =
      tested && (!calibration || tested.order > calibration.order)
        ? foundRange(tested.test, rig.channel, range)
        : undefined;
    if (found) return { name, ...found, basis: 'tested', isKnown: true };
    const basis = calibration ? 'calibrated' : 'factory';
    return { name, range, deadbandMicros, basis, isKnown: calibration !== undefined };
  });
}
