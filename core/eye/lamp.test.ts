import { describe, expect, it } from 'vitest';
import { lampIn, type Steadied } from './lamp';
import { CELLS, SIDE } from './picture';

/** A square round the middle, so many cells to each side of it, and how bright it is at each moment. */
function pictures(toEachSide: number, brightness: (n: number) => number): Steadied[] {
  const middle = SIDE / 2;
  return Array.from({ length: 120 }, (_, n) => ({
    atMs: 33 * n,
    grid: Float32Array.from({ length: CELLS }, (_cell, at) => {
      const far = Math.max(Math.abs((at % SIDE) - middle), Math.abs(Math.floor(at / SIDE) - middle));
      // A little brighter in the middle, from which its reach is counted.
      return 0.3 + (far <= toEachSide ? brightness(n) * (1.1 - far / 100) : 0);
    }),
  }));
}

/** Lit for six pictures of thirty. */
const flashing = (n: number): number => (n % 30 < 6 && n >= 30 ? 0.5 : 0);
/** To and fro, as a branch does. */
const swaying = (n: number): number => 0.25 + 0.25 * Math.sin(n / 6);

describe('the lamp in a picture', () => {
  it('is a small place that is lit or dark', () => {
    const lamp = lampIn(pictures(2, flashing));
    expect(lamp?.swing).toBeCloseTo(0.55);
    expect(Math.max(Math.abs(lamp!.x - SIDE / 2), Math.abs(lamp!.y - SIDE / 2))).toBeLessThanOrEqual(2);
    expect(lamp?.moments.filter(({ lit }) => lit > 0.5)).toHaveLength(18);
  });

  it('is nothing as large as a hand, though it comes and goes', () => {
    expect(lampIn(pictures(5, flashing))).toBeUndefined();
  });

  it('is nothing that is between lit and dark for long', () => {
    expect(lampIn(pictures(2, swaying))).toBeUndefined();
  });

  it('is nothing as faint as noise', () => {
    expect(lampIn(pictures(2, (n) => flashing(n) / 8))).toBeUndefined();
  });
});
