/** What a group of notes means: to the step that waits for it, and by itself. */
import type { Notes } from '../esc/media';
import type { EscProfile } from '../esc/profile';
import { escMachine } from '../procedure/escMachine';
import type { Cue, Machine, Observed, ToneName } from '../procedure/language';
import { lettersOf } from '../procedure/sound';

export interface Judged {
  /**
   * What it is to the step: its last answer, one on the way to it, something else that this ESC can say, or nothing
   * that it can.
   */
  kind: 'answer' | 'underway' | 'unexpected' | 'unknown';
  words: string;
}

/**
 * What to make of a group.
 * @param awaited everything that the step will let hear, in order
 */
export function judge(profile: EscProfile, awaited: readonly Observed[], notes: Notes): Judged {
  const sounding = awaited.filter((cue) => lettersOf(cue) !== '');
  const last = sounding.at(-1);
  if (last && runsTogether(sounding).includes(notes))
    return { kind: 'answer', words: inWords(profile, last) };
  const underway = sounding.find((cue) => lettersOf(cue) === notes);
  if (underway) return { kind: 'underway', words: inWords(profile, underway) };
  const others = sayings(profile).filter((cue) => lettersOf(cue) === notes);
  const words = [...new Set(others.map((cue) => inWords(profile, cue)))];
  return words.length > 0
    ? { kind: 'unexpected', words: words.join(', or ') }
    : { kind: 'unknown', words: 'not a sound of this ESC' };
}

/**
 * What may be heard as one group where the last of several sounds comes close behind those before it. Nothing less will
 * do: four beeps end with three, and are another count.
 */
const runsTogether = (sounding: readonly Observed[]): Notes[] =>
  sounding.map((_, from) => sounding.slice(from).map(lettersOf).join(''));

/** Everything that this ESC can let hear. */
export function sayings(profile: EscProfile): Observed[] {
  const machine = escMachine(profile);
  const cues = Object.values(machine.states).flatMap(({ cues: own, on, after }) => [
    ...own,
    ...[...on, ...(after?.edges ?? [])].flatMap((edge) => edge.cues ?? []),
  ]);
  return cues.flatMap((cue) => soundsOf(machine, cue)).filter((cue) => lettersOf(cue) !== '');
}

/** A cue for every place where the cursors can stand. */
function soundsOf({ menu, tones }: Machine, cue: Cue): Observed[] {
  const places = (of: 'item' | 'stop'): number[] =>
    Array.from(
      { length: of === 'item' ? menu.length : Math.max(...menu.map(({ stopIds }) => stopIds.length)) },
      (_, at) => at + 1,
    );
  switch (cue.type) {
    case 'count':
      return places(cue.of).map((count) => ({ ...cue, count }));
    case 'group': {
      const groups = { item: tones?.items, stop: tones?.stops, exit: tones && [tones.exit] }[cue.of] ?? [];
      return groups.map((notes) => ({ ...cue, notes }));
    }
    default:
      return [cue];
  }
}

const TONE_WORDS: Readonly<Record<ToneName, string>> = {
  short: 'one short beep',
  long: 'stored',
  rising: 'ready to drive',
  falling: 'the menu is left',
  warning: 'a warning',
  steady: 'it waits for you',
  tune: 'stored',
  reset: 'factory values restored',
};

/** What something heard says: "item 5, Brake force", "stop 6", "stored". */
function inWords(profile: EscProfile, cue: Observed): string {
  switch (cue.type) {
    case 'tone':
      return TONE_WORDS[cue.tone];
    case 'count':
      return cue.of === 'item' ? itemInWords(profile, cue.count) : `stop ${cue.count}`;
    case 'group': {
      if (cue.of === 'exit') return 'exit';
      const { items = [], stops = [] } = escMachine(profile).tones ?? {};
      const place = (cue.of === 'item' ? items : stops).indexOf(cue.notes) + 1;
      return cue.of === 'item' ? itemInWords(profile, place) : `stop ${place}`;
    }
    case 'lamp':
      return '';
  }
}

function itemInWords({ items }: EscProfile, number: number): string {
  const item = items.find((one) => one.number === number);
  return `item ${number}${item ? `, ${item.label}` : ''}`;
}
