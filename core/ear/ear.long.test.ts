import { describe, expect, it } from 'vitest';
import { compared, heardIn, series } from './rates.fixture';
import { PITCHES, randomFrom, speechLike, withNoise } from './recording.fixture';

describe('the ear, over minutes', () => {
  it('at 10 dB gets at least 99 of 100 groups right, and hears none that nobody said', () => {
    const random = randomFrom(2026);
    const { said, sound } = series(150, random);
    const { right, wrong } = compared(said, heardIn(withNoise(sound, 10, random), PITCHES));
    expect(right).toBeGreaterThanOrEqual(0.99 * said.length);
    expect(wrong).toBe(0);
  }, 60_000);

  it('hears nothing in a minute of what sounds like a voice', () => {
    expect(heardIn(speechLike(60, randomFrom(7)), PITCHES)).toEqual([]);
  }, 60_000);
});
