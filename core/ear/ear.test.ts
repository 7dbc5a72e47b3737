import { describe, expect, it } from 'vitest';
import { hear, newEar, type HeardGroup } from './ear';
import { heardIn } from './rates.fixture';
import { groupsSounding, PITCHES, randomFrom, RATE, silence, withHum, withNoise } from './recording.fixture';

const PAUSE_MS = 300;
const notesOf = (groups: readonly HeardGroup[]): string[] => groups.map(({ notes }) => notes);

describe('the ear', () => {
  it('writes down short and long, low and high notes', () => {
    const said = ['lh', 'LL', 'hhl', 'lhlH', 'h', 'llllhhh'];
    expect(notesOf(heardIn(groupsSounding(said, PITCHES, PAUSE_MS), PITCHES))).toEqual(said);
  });

  it('says when a group began and ended, to a few milliseconds', () => {
    const [group] = heardIn(groupsSounding(['lh'], PITCHES, PAUSE_MS), PITCHES);
    // Two notes of 130 ms with 110 ms between them, behind 300 ms of silence.
    expect(Math.abs(group!.fromMs - 300)).toBeLessThan(10);
    expect(Math.abs(group!.toMs - 670)).toBeLessThan(10);
  });

  it('hears the same however the samples are cut', () => {
    const sound = withNoise(groupsSounding(['lhh', 'hl'], PITCHES, PAUSE_MS), 10, randomFrom(4));
    const whole = hear(newEar(RATE, PITCHES), sound).groups;
    expect(heardIn(sound, PITCHES)).toEqual(whole);
    expect(notesOf(whole)).toEqual(['lhh', 'hl']);
  });

  it('hears nothing in noise, in hum and in silence', () => {
    expect(heardIn(withNoise(silence(4000), 0, randomFrom(3)), PITCHES)).toEqual([]);
    expect(heardIn(withHum(silence(4000), 0.8), PITCHES)).toEqual([]);
    expect(heardIn(silence(2000), PITCHES)).toEqual([]);
  });

  it('takes neither a running motor nor a click for a note', () => {
    const whine = groupsSounding(['H'], PITCHES, 0).subarray(0, RATE / 2);
    const running = new Float32Array(3 * RATE).map((_, n) => whine[(n % (RATE / 4)) + RATE / 10]!);
    expect(heardIn(running, PITCHES)).toEqual([]);
    const click = groupsSounding(['h'], PITCHES, PAUSE_MS).map((sample, n) =>
      n > (RATE * (PAUSE_MS + 40)) / 1000 ? 0 : sample,
    );
    expect(heardIn(click, PITCHES)).toEqual([]);
  });

  it('passes over notes of other pitches', () => {
    const other = { low: PITCHES.low * 1.2, high: PITCHES.high * 0.8 };
    expect(heardIn(groupsSounding(['lh', 'hl'], other, PAUSE_MS), PITCHES)).toEqual([]);
  });

  it('learns the two notes of an unknown ESC from the first group that has both', () => {
    const own = { low: 900, high: 1250 };
    const sound = groupsSounding(['hh', 'lh', 'L', 'hh'], own, PAUSE_MS);
    // Of the first, nobody can say whether it is low or high.
    expect(notesOf(heardIn(sound))).toEqual(['lh', 'L', 'hh']);
  });
});
