/** What lamps and sounds are called, for who reads instead of hearing. */
import { beepsOf, LONG_MS, type Beep } from './sound';
import type { Observed, ToneName } from './language';

export const TONE_WORDS: Readonly<Record<ToneName, string>> = {
  short: 'one short beep',
  long: 'one long beep',
  rising: 'two rising notes',
  falling: 'two falling notes',
  warning: 'a harsh buzz: refused',
  steady: 'steady beeps',
  tune: 'a tune: taken',
  reset: 'three notes down: factory values',
};

/** "two low, one high": runs of the same note, counted. */
export function beepsInWords(beeps: readonly Beep[]): string {
  const runs: { what: string; count: number }[] = [];
  for (const { pitch, ms } of beeps) {
    const what = `${ms >= LONG_MS ? 'long ' : ''}${pitch}`;
    const last = runs.at(-1);
    if (last?.what === what) last.count += 1;
    else runs.push({ what, count: 1 });
  }
  return runs.map(({ what, count }) => `${count} ${what}`).join(', ');
}

const PATTERNS = { off: 'dark', on: 'lit', blinking: 'blinking' } as const;

/** One thing that was seen or heard. */
export function cueInWords(cue: Observed): string {
  switch (cue.type) {
    case 'lamp':
      return `${cue.lamp} lamp ${PATTERNS[cue.pattern]}`;
    case 'count': {
      const { how, count, lamp } = cue;
      if (how === 'flashes') return `${lamp} lamp, ${count} ${count === 1 ? 'flash' : 'flashes'}`;
      if (how === 'beeps') return `${count} ${count === 1 ? 'beep' : 'beeps'}`;
      return `${lamp}: ${cue.of} ${count}`;
    }
    case 'group':
      return `notes: ${beepsInWords(beepsOf(cue.notes))}`;
    case 'tone':
      return TONE_WORDS[cue.tone];
  }
}

/** Everything that was seen and heard, in order, repeats once; nothing where it stayed dark and silent. */
export function cuesInWords(observed: readonly Observed[]): string {
  const words = observed.map(cueInWords).filter((word, place, all) => word !== all[place - 1]);
  return words.length === 0 ? 'nothing' : words.join('; ');
}
