import type { MediumFamily } from '../esc/media';
import { itemById, type EscProfile } from '../esc/profile';
import { keepsItsPlace, type Change } from '../sheet/draft';

/** Media with a key each way from item to item. In all others the order of the menu is the quickest. */
const BOTH_WAYS: readonly MediumFamily[] = ['textBox', 'transmitterMenu'];

/**
 * The order of changes with the fewest steps from item to item, where a menu goes round both ways: the items that lie
 * ahead first and then back to those behind, or the other way about. What must come first or last stays there.
 * @param changes in the order of the menu
 * @param from where the hand stands in the menu, from 0
 */
export function inShortOrder(
  profile: EscProfile,
  family: MediumFamily,
  changes: readonly Change[],
  from = 0,
): Change[] {
  const begin = changes.findIndex((change) => !keepsItsPlace(profile, change));
  if (!BOTH_WAYS.includes(family) || begin === -1) return [...changes];
  const length = changes.slice(begin).findIndex((change) => keepsItsPlace(profile, change));
  const end = length === -1 ? changes.length : begin + length;
  const placeOf = ({ itemId }: Change): number => itemById(profile, itemId).number - 1;
  const start = begin === 0 ? from : placeOf(changes[begin - 1]!);
  const free = roundTheRing(changes.slice(begin, end), placeOf, start, profile.items.length);
  return [...changes.slice(0, begin), ...free, ...changes.slice(end)];
}

/** The quickest round through places on a ring: so far one way, then the rest the other. */
function roundTheRing<T>(
  stops: readonly T[],
  placeOf: (stop: T) => number,
  start: number,
  size: number,
): T[] {
  const ahead = (stop: T): number => (placeOf(stop) - start + size) % size;
  const sorted = [...stops].sort((a, b) => ahead(a) - ahead(b));
  const rounds = [...sorted.keys(), sorted.length].reverse().flatMap((count) => {
    const forward = sorted.slice(0, count);
    const back = sorted.slice(count).reverse();
    const forwardSteps = count === 0 ? 0 : ahead(forward.at(-1)!);
    const backSteps = back.length === 0 ? 0 : size - ahead(back.at(-1)!);
    const turned = count > 0 && back.length > 0;
    return [
      { order: [...forward, ...back], steps: (turned ? 2 : 1) * forwardSteps + backSteps },
      { order: [...back, ...forward], steps: forwardSteps + (turned ? 2 : 1) * backSteps },
    ];
  });
  return rounds.reduce((best, round) => (round.steps < best.steps ? round : best)).order;
}
