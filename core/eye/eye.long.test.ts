import { describe, expect, it } from 'vitest';
import { CALM } from './film.fixture';
import { falseGroups, rateOf } from './rates.fixture';

/** A quarter of a minute of each kind of movement. */
const MOVING_SECONDS = 15;

describe('the eye, over minutes', () => {
  it('gets at least 98 of 100 groups right with noise, a shaking hand and light that comes and goes', () => {
    const { groups, right, wrong } = rateOf({ ...CALM, noise: 8, shake: 2, flicker: 0.06 }, 5, 2026);
    expect(right).toBeGreaterThanOrEqual(0.98 * groups);
    expect(wrong).toBe(0);
  });

  it.each(['carried', 'hand', 'leaves', 'glints'] as const)(
    'sees no group where only something moves: %s',
    (kind) => {
      expect(falseGroups(kind, MOVING_SECONDS, 9)).toBe(0);
    },
  );
});
