/** Finding an item of an ESC by whatever somebody calls it. */
import type { EscProfile, ProfileItem } from '../esc/profile';
import { falseFriendsIn, type FalseFriend } from '../settings/falseFriends';
import { VOCABULARY } from '../settings/vocabulary';
import { plainWords } from '../units/text';

export interface Found {
  item: ProfileItem;
  /** The name by which it was found. */
  name: string;
  /** Higher is nearer. */
  nearness: number;
  /** What the typed name may be mixed up with. */
  friends: readonly FalseFriend[];
}

const EXACT = 10;
const BEGINS = 6;
const EVERY_WORD = 4;
/** Only called alike: what others take it for. */
const MIXED_UP = 1;

/** Whether an item goes by a name itself, and is not only taken for what goes by it. */
export const isNamedSo = ({ nearness: how }: Found): boolean => how > MIXED_UP;

/**
 * The items that some words may mean, the nearest first: by printed label, item number, the setting's name and whatever it
 * is called elsewhere; then those that the words are mixed up with.
 */
export function findItems(profile: EscProfile, typed: string): Found[] {
  const words = plainWords(typed);
  if (words === '') return [];
  const friends = falseFriendsIn(typed);
  return profile.items
    .flatMap((item): Found[] => {
      const [best] = namesOf(item)
        .map((name) => ({ name, nearness: nearness(plainWords(name), words) }))
        .toSorted((a, b) => b.nearness - a.nearness);
      const mixedUp = friends.filter(({ settings }) => settings.includes(item.setting));
      if (best && best.nearness > 0) return [{ item, ...best, friends: mixedUp }];
      return mixedUp.length > 0
        ? [{ item, name: VOCABULARY[item.setting].name, nearness: MIXED_UP, friends: mixedUp }]
        : [];
    })
    .toSorted((a, b) => b.nearness - a.nearness);
}

function namesOf({ label, number, setting }: ProfileItem): string[] {
  const { name, alsoCalled } = VOCABULARY[setting];
  return [label, String(number), name, ...alsoCalled];
}

function nearness(name: string, words: string): number {
  if (name === words) return EXACT;
  if (name.startsWith(words)) return BEGINS;
  const own = name.split(' ');
  return words.split(' ').every((word) => own.some((one) => one.startsWith(word))) ? EVERY_WORD : 0;
}
