import { describe, expect, it } from 'vitest';
import { entryOf, readEntry, type RunEntry } from './entry';
import { EMPTY_NOTE, nextNote, saysSomething, type RunNote } from './run';

const entry = (change: Partial<RunEntry> = {}): RunEntry => ({ ...entryOf(EMPTY_NOTE), ...change });
const note: RunNote = {
  minutes: 6.5,
  pack: 'Blue',
  felt: { brake: 'more' },
  troubles: ['rollsOn'],
  readings: [
    { kind: 'canCelsius', value: 71, from: 'hand' },
    { kind: 'lowestVolts', value: 6.42, from: 'radio' },
  ],
  place: 'The quay',
  surface: 'loose',
  airCelsius: -2,
  cooling: 'fan',
  words: 'low tide',
  leftOut: '',
};

describe('a run as it is typed', () => {
  it('is read as it was shown', () => {
    expect(readEntry(entryOf(note), 'wheels')).toEqual({ ok: true, value: note });
  });

  it('takes a decimal comma and a true minus sign', () => {
    const read = readEntry(entry({ minutes: '5,5', airCelsius: '\u22123' }), 'wheels');
    expect(read.ok && [read.value.minutes, read.value.airCelsius]).toEqual([5.5, -3]);
  });

  it('says what is no number and what cannot be, each at its field', () => {
    const read = readEntry(
      entry({
        minutes: 'six',
        readings: { canCelsius: { value: '710', from: 'hand' } },
      }),
      'wheels',
    );
    expect(read.ok ? [] : read.problems.map(({ path }) => path)).toEqual(['minutes', 'canCelsius']);
    expect(!read.ok && read.problems[1]!.sentence).toContain('between -20 and 250');
  });

  it('reads no stopping distance of an aeroplane', () => {
    const read = readEntry(entry({ readings: { stopMetres: { value: '4', from: 'hand' } } }), 'propeller');
    expect(read.ok && read.value.readings).toEqual([]);
  });
});

describe('the next note', () => {
  it('begins with the circumstances of the last, and with nothing that was felt or read', () => {
    const next = nextNote({ ...note, leftOut: 'a wheel was loose' });
    expect(next).toMatchObject({ minutes: 6.5, pack: 'Blue', place: 'The quay', felt: {}, readings: [] });
    expect(next.leftOut).toBe('');
    expect(saysSomething(next)).toBe(false);
    expect(saysSomething(note)).toBe(true);
  });
});
