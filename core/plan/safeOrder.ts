import type { EscProfile, StopByItem } from '../esc/profile';
import { keepsItsPlace, setAlong, type Change } from '../sheet/draft';

export interface SafeOrder {
  changes: Change[];
  /** What is worse on the way than before and after, where no order spares it; undefined where one does. */
  worseOnTheWay: string | undefined;
}

/** No more sets of values are looked at than these; after that, the order is taken as it is given. */
const MOST_LOOKS = 400;

/**
 * An order of changes in which the ESC never holds what is worse than both what it held and what it will hold: a load may
 * be interrupted after any of them. As near to the order given as can be. What sets other items along stays first and the
 * BEC voltage last, as they are given.
 *
 * @param held what the ESC holds, every item
 * @param hazardsOf what is dangerous about such a set of stops, a sentence each
 * @param allowed hazards that are there before or afterwards; else those of what is held now and in the end
 */
export function inSafeOrder(
  profile: EscProfile,
  held: StopByItem,
  changes: readonly Change[],
  hazardsOf: (stops: StopByItem) => readonly string[],
  allowed: ReadonlySet<string> = new Set([
    ...hazardsOf(held),
    ...hazardsOf(storedAfter(profile, held, changes)),
  ]),
): SafeOrder {
  let looks = 0;
  let firstWorse: string | undefined;
  const worse = (stops: StopByItem): string | undefined => {
    looks += 1;
    const found = hazardsOf(stops).find((hazard) => !allowed.has(hazard));
    firstWorse ??= found;
    return found;
  };
  const tried = new Set<string>();

  /** The rest in an order that spares it, from what is held by then. */
  function restInOrder(stops: StopByItem, open: readonly Change[]): Change[] | undefined {
    if (open.length === 0) return [];
    const key = open.map(({ itemId }) => itemId).join(' ');
    if (tried.has(key) || looks > MOST_LOOKS) return undefined;
    tried.add(key);
    for (const next of mayComeNext(profile, open)) {
      const after = storedAfter(profile, stops, [next]);
      const left = open.filter((change) => change !== next);
      if (left.length > 0 && worse(after) !== undefined) continue;
      const rest = restInOrder(after, left);
      if (rest) return [next, ...rest];
    }
    return undefined;
  }

  const found = restInOrder(held, changes);
  return found
    ? { changes: found, worseOnTheWay: undefined }
    : { changes: [...changes], worseOnTheWay: firstWorse };
}

/** Those that may change places with the first: none does with what sets others along or is confirmed last. */
function mayComeNext(profile: EscProfile, open: readonly Change[]): readonly Change[] {
  const end = open.findIndex((change) => keepsItsPlace(profile, change));
  return end === -1 ? open : open.slice(0, Math.max(1, end));
}

/** What is held after changes: each, and whatever it sets along. */
export const storedAfter = (profile: EscProfile, held: StopByItem, changes: readonly Change[]): StopByItem =>
  changes.reduce<StopByItem>(
    (stops, { itemId, toStopId }) => ({
      ...stops,
      ...setAlong(profile, itemId, toStopId),
      [itemId]: toStopId,
    }),
    held,
  );
