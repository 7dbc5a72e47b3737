/** How well the ear hears: what was sounded against what was heard. */
import { countedNotes } from '../esc/notes';
import { hear, newEar, type HeardGroup, type Pitches } from './ear';
import { groupsSounding, PITCHES, RATE } from './recording.fixture';

/** Everything that an ESC of ours has to say: its tones, counted beeps, and the notes of items and stops. */
export const VOCABULARY_OF_NOTES: readonly string[] = [
  ...['H', 'lh', 'hl', 'LL', 'hhhh', 'lhlH', 'hhl'],
  ...['h', 'hh', 'hhh'],
  ...countedNotes(12),
  ...countedNotes(8, 'h'),
];

/** Silence between groups, ms. */
const PAUSE_MS = 300;

/** A random series of groups as it sounds. */
export function series(count: number, random: () => number): { said: string[]; sound: Float32Array } {
  const said = Array.from(
    { length: count },
    () => VOCABULARY_OF_NOTES[Math.floor(random() * VOCABULARY_OF_NOTES.length)]!,
  );
  return { said, sound: groupsSounding(said, PITCHES, PAUSE_MS) };
}

/** All groups in a sound, handed over in blocks as a microphone does. */
export function heardIn(sound: Float32Array, pitches?: Pitches): HeardGroup[] {
  const BLOCK = 128;
  const groups: HeardGroup[] = [];
  let ear = newEar(RATE, pitches);
  for (let at = 0; at < sound.length; at += BLOCK) {
    const next = hear(ear, sound.subarray(at, at + BLOCK));
    ear = next.ear;
    groups.push(...next.groups);
  }
  return groups;
}

/** Groups that came as they were said, in their order, and groups that nobody said. */
export function compared(
  said: readonly string[],
  heard: readonly HeardGroup[],
): { right: number; wrong: number } {
  // The longest common subsequence: one that is missed does not make those after it wrong.
  const best = Array.from({ length: said.length + 1 }, () => new Array<number>(heard.length + 1).fill(0));
  for (let s = said.length - 1; s >= 0; s -= 1) {
    for (let h = heard.length - 1; h >= 0; h -= 1) {
      best[s]![h] =
        said[s] === heard[h]!.notes ? best[s + 1]![h + 1]! + 1 : Math.max(best[s + 1]![h]!, best[s]![h + 1]!);
    }
  }
  const right = best[0]![0]!;
  return { right, wrong: heard.length - right };
}
