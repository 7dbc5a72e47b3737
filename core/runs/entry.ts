/** A run as it is typed: text as it stands in the fields, so that nothing typed is lost, and what it is read as. */
import type { Surface } from '../advice/goals';
import type { VehicleKind } from '../rig/rig';
import type { Problem, Result } from '../units/problem';
import { readNumber } from '../units/readNumber';
import type { TroubleId } from '../triage/symptoms';
import { READINGS, readingsOf, type Reading, type ReadFrom, type ReadingId } from './readings';
import type { RunNote } from './run';

export interface TypedReading {
  value: string;
  from: ReadFrom;
}

export interface RunEntry {
  minutes: string;
  pack: string;
  felt: RunNote['felt'];
  troubles: readonly TroubleId[];
  readings: Partial<Record<ReadingId, TypedReading>>;
  place: string;
  surface: Surface | '';
  airCelsius: string;
  cooling: string;
  words: string;
  leftOut: string;
}

/** Where a number usually comes from. Common practice: an ESC's own summary has its temperature, least volts and highest rpm. */
const USUALLY_FROM: Partial<Record<ReadingId, ReadFrom>> = {
  escCelsius: 'esc',
  lowestVolts: 'esc',
  topRpm: 'esc',
};
export const usuallyFrom = (kind: ReadingId): ReadFrom => USUALLY_FROM[kind] ?? 'hand';

/** A note as a form shows it. */
export const entryOf = (note: RunNote): RunEntry => ({
  minutes: typed(note.minutes),
  pack: note.pack,
  felt: note.felt,
  troubles: note.troubles,
  readings: Object.fromEntries(
    note.readings.map(({ kind, value, from }) => [kind, { value: String(value), from }]),
  ),
  place: note.place,
  surface: note.surface ?? '',
  airCelsius: typed(note.airCelsius),
  cooling: note.cooling,
  words: note.words,
  leftOut: note.leftOut,
});

const typed = (value: number | null): string => (value === null ? '' : String(value));

/** Longest lines that are kept. */
const LONGEST_LINE = 200;
const LONGEST_WORDS = 2000;

/** What is typed as a note, or everything that is wrong with it, by field. */
export function readEntry(entry: RunEntry, kind: VehicleKind): Result<RunNote> {
  const problems: Problem[] = [];
  const number = (path: string, name: string, text: string, bounds: Bounds): number | null => {
    if (text.trim() === '') return null;
    const value = readNumber(text);
    const fault = faultIn(name, text, value, bounds);
    if (fault === undefined) return value!;
    problems.push({ path, sentence: fault });
    return null;
  };
  const minutes = number('minutes', 'Time', entry.minutes, { least: 0.05, most: 600, unit: 'min' });
  const airCelsius = number('airCelsius', 'Air', entry.airCelsius, { least: -40, most: 60, unit: '°C' });
  const readings = readingsOf(kind).flatMap((id): Reading[] => {
    const { value: text, from } = entry.readings[id] ?? { value: '', from: 'hand' };
    const value = number(id, READINGS[id].name, text, READINGS[id]);
    return value === null ? [] : [{ kind: id, value, from }];
  });
  for (const [path, name] of [
    ['pack', 'Pack'],
    ['place', 'Place'],
    ['cooling', 'Cooling'],
    ['leftOut', 'The reason'],
  ] as const)
    if (entry[path].length > LONGEST_LINE)
      problems.push({ path, sentence: `${name} has more than ${LONGEST_LINE} letters.` });
  if (entry.words.length > LONGEST_WORDS)
    problems.push({ path: 'words', sentence: `There are more than ${LONGEST_WORDS} letters in your words.` });
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    value: {
      minutes,
      pack: entry.pack.trim(),
      felt: entry.felt,
      troubles: entry.troubles,
      readings,
      place: entry.place.trim(),
      surface: entry.surface === '' ? null : entry.surface,
      airCelsius,
      cooling: entry.cooling.trim(),
      words: entry.words.trim(),
      leftOut: entry.leftOut.trim(),
    },
  };
}

interface Bounds {
  least: number;
  most: number;
  unit: string;
}

function faultIn(name: string, text: string, value: number | undefined, { least, most, unit }: Bounds) {
  if (value === undefined) return `${name}: “${text.trim()}” is no number. Type only the number, as 71.5.`;
  if (value < least || value > most)
    return `${name}: ${value} ${unit} cannot be. It must be between ${least} and ${most} ${unit}.`;
  return undefined;
}
