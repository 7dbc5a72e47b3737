import { describe, expect, it } from 'vitest';
import { extraShareAt, extraShareOf, hardnessOf, triggerOf, type Lap } from './lap';

const LAP: Lap = {
  howHardPercent: 100,
  pieces: [
    { kind: 'straight', triggerPercent: 100, seconds: 2 },
    { kind: 'corner', triggerPercent: 55, seconds: 1 },
    { kind: 'climb', triggerPercent: 30, seconds: 1 },
    { kind: 'straight', triggerPercent: -40, seconds: 0.5 },
  ],
};

describe('what the ground asks for at a trigger', () => {
  it('is that of the piece that is driven so', () => {
    expect(extraShareAt(LAP, 0.6, 1)).toBeCloseTo(0, 3);
    expect(extraShareAt(LAP, 0.6, 0.55)).toBeCloseTo(extraShareOf('corner', 0.6), 2);
    expect(extraShareAt(LAP, 0.6, 0.3)).toBeCloseTo(extraShareOf('climb', 0.6), 1);
  });

  it('grows with grip in a corner, and not on a climb', () => {
    expect(extraShareAt(LAP, 1, 0.55)).toBeGreaterThan(extraShareAt(LAP, 0.6, 0.55) + 0.2);
    expect(extraShareAt(LAP, 1, 0.3)).toBeCloseTo(extraShareAt(LAP, 0.6, 0.3), 1);
  });

  it('is that of the nearest piece where none is near', () => {
    expect(extraShareAt(LAP, 0.6, 0.78)).toBeLessThan(extraShareOf('corner', 0.6) + 1e-9);
    expect(Number.isFinite(extraShareAt(LAP, 0.6, -1))).toBe(true);
  });
});

describe('how hard a lap was driven', () => {
  it.each([0.6, 0.9, 1, 1.2])('is read off its mean pull: %f', (howHard) => {
    const driven = { ...LAP, howHardPercent: 100 * howHard };
    const pulled = driven.pieces.filter(({ triggerPercent }) => triggerPercent > 0);
    const mean =
      pulled.reduce((sum, piece) => sum + piece.seconds * triggerOf(piece, driven), 0) /
      pulled.reduce((sum, { seconds }) => sum + seconds, 0);
    expect(hardnessOf(LAP, mean)).toBeCloseTo(howHard, 3);
  });
});
