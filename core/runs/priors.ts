/** How far off a number of a rig may be before any run has told, by where it comes from. */
import type { Spread } from '../rig/spreads';
import type { Basis } from '../units/provenance';

/** So much of what a guess may be off is one standard deviation, by where the number comes from. Assumed. */
const OF_SPREAD: Record<Exclude<Basis, 'fitted'>, number> = { assumed: 0.6, given: 0.3, measured: 0.1 };

/**
 * The standard deviation of a number's logarithm.
 * @throws {Error} for a fitted number: what counts is where it came from before
 */
export function spreadInLog({ share }: Spread, basis: Basis): number {
  if (basis === 'fitted') throw new Error('a fitted number has no prior of its own');
  return OF_SPREAD[basis] * share;
}
