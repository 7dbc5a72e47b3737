/** How this browser wants to be served. Kept in the browser; the look also in a cookie, so that the server draws it right. */
import { COMMANDS, type CommandId } from './commands';

export type Look = 'auto' | 'light' | 'dark';

export interface Preferences {
  sound: boolean;
  /** Whether a guide gives a beat to press by. */
  beat: boolean;
  /** Whether keys that are characters do anything. */
  characterKeys: boolean;
  /** Whether every rail in Tune shows all that belongs to it, and not only the one that is worked. */
  roomy: boolean;
  /** Whether Tune shows only the settings that matter on the model. */
  essentialsOnly: boolean;
  /** Keys that were changed from their defaults. */
  keys: Partial<Record<CommandId, string>>;
}

export const DEFAULT_PREFERENCES: Preferences = {
  sound: true,
  beat: false,
  characterKeys: true,
  roomy: false,
  essentialsOnly: false,
  keys: {},
};

export const LOOK_COOKIE = 'look';

/** The look that a cookie header asks for. */
export function lookFrom(cookies: string | null): Look {
  const [, look] = /(?:^|;\s*)look=(light|dark)/.exec(cookies ?? '') ?? [];
  return look === 'light' || look === 'dark' ? look : 'auto';
}

/** Preferences from stored text; whatever is missing or strange there falls back to its default. */
export function readPreferences(text: string | null): Preferences {
  try {
    const stored = JSON.parse(text ?? '{}') as Partial<Preferences> | null;
    const keys = Object.entries(stored?.keys ?? {}).filter(
      ([id, key]) => Object.hasOwn(COMMANDS, id) && typeof key === 'string',
    );
    return {
      sound: stored?.sound !== false,
      beat: stored?.beat === true,
      characterKeys: stored?.characterKeys !== false,
      roomy: stored?.roomy === true,
      essentialsOnly: stored?.essentialsOnly === true,
      keys: Object.fromEntries(keys),
    };
  } catch {
    return DEFAULT_PREFERENCES;
  }
}

/** The key that a command answers to now. */
export const keyOf = ({ keys }: Preferences, id: CommandId): string => keys[id] ?? COMMANDS[id].key;
