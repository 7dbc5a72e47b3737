import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LONGEST_NAME } from '../units/text';
import { seededNumbers } from '../units/seeded';
import { surroundings } from './archetypes.fixture';
import { afterAnswer, choicesFor, nextSign, signsOf, type Learned } from './recognise';

const plane = surroundings.find(({ profile }) => profile.media[0]!.family === 'stickTones')!.profile;
const signs = signsOf(plane);

/** The ids shown in so many turns, by a learner who misses only this one. */
function shownTo(missed: string, turns: number): string[] {
  let learned: Learned = {};
  const shown: string[] = [];
  for (let turn = 0; turn < turns; turn += 1) {
    const sign = nextSign(signs, learned, turn, shown.at(-1));
    shown.push(sign.id);
    learned = afterAnswer(learned, sign, turn, sign.id !== missed);
  }
  return shown;
}

describe('what is shown next', () => {
  it('comes back sooner when it was missed', () => {
    const missed = signs[2]!.id;
    const shown = shownTo(missed, 40);
    const others = new Set(shown.filter((id) => id !== missed));
    const times = (id: string): number => shown.filter((one) => one === id).length;
    for (const id of others) expect(times(missed)).toBeGreaterThan(times(id));
    const first = shown.indexOf(missed);
    expect(shown.indexOf(missed, first + 1) - first).toBeLessThanOrEqual(3);
  });

  it('shows every sign before long, and never the same twice in a row', () => {
    const shown = shownTo('none', 200);
    expect(new Set(shown).size).toBe(signs.length);
    shown.slice(1).forEach((id, place) => expect(id).not.toBe(shown[place]));
  });
});

it('offers the right meaning once among others', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), fc.nat(signs.length - 1), (seed, at) => {
      const sign = signs[at]!;
      const choices = choicesFor(signs, sign, seededNumbers(seed));
      expect(choices.filter((meaning) => meaning === sign.meaning)).toHaveLength(1);
      expect(new Set(choices).size).toBe(choices.length);
    }),
  );
});

it.each(surroundings)('$profile.name has signs to recognise, none of them twice', ({ profile }) => {
  const ids = signsOf(profile).map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(ids.length).toBeGreaterThan(3);
  // They are kept as names: a label of any length must not make one too long.
  expect(Math.max(...ids.map((id) => id.length))).toBeLessThan(LONGEST_NAME / 2);
});
