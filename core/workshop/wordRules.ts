/**
 * Rules that account for every word of a name: `word` must stand there, `word?` may, `a/b` is either, in any order; words in
 * capitals are groups. A word that a rule does not know, and it says nothing: no meaning beats a wrong one.
 */
import { WORD_GROUPS } from './nameRules';

const GROUPS: Readonly<Record<string, readonly string[] | undefined>> = WORD_GROUPS;

/** The places of a rule that words may fill. */
export type Slots = readonly Slot[];

interface Slot {
  words: ReadonlySet<string>;
  mayLack: boolean;
}

/** The rules of a list of names parted by commas. */
export const slotsOf = (names: string): Slots[] =>
  names.split(/,\s+/).map((name) => name.split(' ').map(slotOf));

function slotOf(text: string): Slot {
  const mayLack = text.endsWith('?');
  const words = (mayLack ? text.slice(0, -1) : text).split('/');
  return {
    mayLack,
    words: new Set(words.flatMap((word) => GROUPS[word] ?? [word])),
  };
}

/** Whether every word finds a slot of its own, and no slot that needs a word is left without. */
export function accountsFor(slots: Slots, words: readonly string[]): boolean {
  if (words.length > slots.length) return false;
  const [word, ...rest] = words;
  if (word === undefined) return slots.every(({ mayLack }) => mayLack);
  return slots.some(
    (slot, place) =>
      slot.words.has(word) &&
      accountsFor(
        slots.filter((_, other) => other !== place),
        rest,
      ),
  );
}
