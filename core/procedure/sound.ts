import type { Notes } from '../esc/media';
import type { Observed, ToneName } from './language';

/** One note, and the silence after it. */
export interface Beep {
  pitch: 'low' | 'high';
  ms: number;
  restMs: number;
}

/** How long a short note, a long one and the silence after either last, ms. */
export const SHORT_MS = 130;
export const LONG_MS = 520;
export const REST_MS = 110;

const beep = (pitch: Beep['pitch'], ms: number): Beep => ({ pitch, ms, restMs: REST_MS });

const NOTES: Readonly<Record<string, Beep>> = {
  l: beep('low', SHORT_MS),
  h: beep('high', SHORT_MS),
  L: beep('low', LONG_MS),
  H: beep('high', LONG_MS),
};

/** What each tone is made of, in the letters of a group of notes. */
const TONES: Readonly<Record<ToneName, Notes>> = {
  short: 'h',
  long: 'H',
  rising: 'lh',
  falling: 'hl',
  warning: 'LL',
  steady: 'hhhh',
  tune: 'lhlH',
  reset: 'hhl',
};

/** The notes of something that was heard; empty for what is only seen. */
export const soundOf = (cue: Observed): Beep[] => beepsOf(lettersOf(cue));

/** The same as letters: l and h are short notes, low and high; L and H long ones. */
export function lettersOf(cue: Observed): Notes {
  if (cue.type === 'tone') return TONES[cue.tone];
  if (cue.type === 'count' && cue.how === 'beeps') return 'h'.repeat(cue.count);
  return cue.type === 'group' ? cue.notes : '';
}

/** A group of notes as it sounds. Letters that are no notes are passed over. */
export const beepsOf = (notes: string): Beep[] => notes.split('').flatMap((letter) => NOTES[letter] ?? []);
