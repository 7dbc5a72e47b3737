/** Which number of a drill rests on which guess. */
import type { EscProfile } from '../esc/profile';
import { quantityAt, withQuantity } from '../rig/fields';
import { resolveRig } from '../rig/resolve';
import type { Rig } from '../rig/rig';
import { guessesOf, type Spread } from '../rig/spreads';
import type { Use } from '../rig/use';
import type { DrillNumber } from '../physics/drills/drill';
import { runDrill, type DrillId } from '../physics/drills/runDrill';
import type { EscBehaviour } from '../physics/escChain';
import type { ResolvedRig } from '../physics/resolved';

/** The rig for the drills at both ends of what a guess may be. */
export const atBothEnds = (
  { path, share }: Spread,
  rig: Rig,
  profile: EscProfile,
  use: Use | undefined,
): ResolvedRig[] => {
  const { value } = quantityAt(rig, path);
  return [1 - share, 1 + share].map((factor) =>
    resolveRig(withQuantity(rig, path, { value: factor * value, basis: 'assumed' }), profile, use),
  );
};

/** A number of a drill, with the assumptions that move it and how far. */
export interface RestsOn {
  number: DrillNumber;
  /** Most telling first. */
  assumed: { label: string; low: number; high: number }[];
}

/** An assumption that moves a number by less than this share is not worth a word. */
const WORTH_A_WORD = 0.01;

/**
 * For each number of a drill, which assumptions move it.
 * @throws {Error} where the drill cannot be computed for this rig
 */
export function whatNumbersRestOn(
  drill: DrillId,
  rig: Rig,
  profile: EscProfile,
  esc: EscBehaviour,
  use?: Use,
): RestsOn[] {
  const valuesOf = (of: ResolvedRig): Map<string, number | undefined> =>
    new Map(runDrill(drill, of, esc).numbers.map(({ id, value }) => [id, value]));
  const tried = guessesOf(rig).map((guess) => ({
    label: guess.label,
    ends: atBothEnds(guess, rig, profile, use).map(valuesOf),
  }));
  return runDrill(drill, resolveRig(rig, profile, use), esc).numbers.map((number) => {
    const now = number.value;
    if (now === undefined) return { number, assumed: [] };
    const assumed = tried.flatMap(({ label, ends }) => {
      const values = ends.map((end) => end.get(number.id)).filter((value) => value !== undefined);
      const low = Math.min(now, ...values);
      const high = Math.max(now, ...values);
      const share = (high - low) / Math.max(Math.abs(now), 10 ** -number.decimals);
      return share > WORTH_A_WORD ? [{ label, low, high }] : [];
    });
    return { number, assumed: assumed.sort((a, b) => b.high - b.low - (a.high - a.low)) };
  });
}
