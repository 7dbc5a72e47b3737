/** The glossary: every setting and every false friend, findable by any of its names. */
import { FALSE_FRIENDS, falseFriendsOf, type FalseFriend } from './falseFriends';
import { momentName } from './moments';
import { VOCABULARY, type Setting, type SettingId } from './vocabulary';

export interface GlossaryEntry {
  setting: Setting;
  falseFriends: FalseFriend[];
}

/** Where the entry of a setting stands on the glossary's page. */
export const entryAnchor = (id: SettingId): string => `term-${id}`;

/** Where a false friend stands there: it may have the same name as a setting. */
export const friendAnchor = (id: FalseFriend['id']): string => `friend-${id}`;

/** The entry of a setting. */
export const entryOf = (id: SettingId): GlossaryEntry => ({
  setting: VOCABULARY[id],
  falseFriends: falseFriendsOf(id),
});

/**
 * Settings and false friends whose name, other names or text hold every word that was typed.
 * @param typed anything; empty finds all
 */
export function searchGlossary(typed: string): { settings: Setting[]; falseFriends: FalseFriend[] } {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const holds = (texts: readonly string[]): boolean => {
    const all = texts.join(' ').toLowerCase();
    return words.every((word) => all.includes(word));
  };
  return {
    settings: Object.values(VOCABULARY).filter((s) =>
      holds([s.name, ...s.alsoCalled, s.summary, momentName(s.moment, 'wheels')]),
    ),
    falseFriends: FALSE_FRIENDS.filter((f) => holds([f.title, f.sentence, ...f.words])),
  };
}
