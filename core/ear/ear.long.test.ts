import { describe, expect, it } from 'vitest';
import type { HeardGroup } from './ear';
import { compared, heardIn, series } from './rates.fixture';
import { clipped, PITCHES, randomFrom, speechLike, withEcho, withHum, withNoise } from './recording.fixture';

const notesOf = (groups: readonly HeardGroup[]): string[] => groups.map(({ notes }) => notes);

describe('the ear, over minutes', () => {
  it('at 10 dB gets at least 99 of 100 groups right, and hears none that nobody said', () => {
    const random = randomFrom(2026);
    const { said, sound } = series(150, random);
    const { right, wrong } = compared(said, heardIn(withNoise(sound, 10, random), PITCHES));
    expect(right).toBeGreaterThanOrEqual(0.99 * said.length);
    expect(wrong).toBe(0);
  });

  it('hears nothing in a minute of what sounds like a voice', () => {
    expect(heardIn(speechLike(60, randomFrom(7)), PITCHES)).toEqual([]);
  });

  it.each([
    ['an echo', (sound: Float32Array) => withEcho(sound, 60, -8)],
    ['a late echo', (sound: Float32Array) => withEcho(sound, 150, -8)],
    ['mains hum louder than the notes', (sound: Float32Array) => withHum(sound, 0.5)],
    ['a microphone that is too near', (sound: Float32Array) => clipped(sound, 0.05)],
  ])('hears through %s', (_, over) => {
    const random = randomFrom(11);
    const { said, sound } = series(12, random);
    expect(notesOf(heardIn(over(withNoise(sound, 15, random)), PITCHES))).toEqual(said);
  });
});
