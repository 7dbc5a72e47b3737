import { describe, expect, it } from 'vitest';
import { covariance, settle, type Problem } from './solve';

/** A straight line seen at five places, each to a tenth: both parameters have a prior of zero, give or take one. */
const PLACES = [-2, -1, 0, 1, 2];
const SEEN = PLACES.map((x) => 0.3 + 0.5 * x);
const line: Problem = {
  size: 2,
  rows: PLACES.length,
  residuals: (u) => Float64Array.from(PLACES, (x, n) => (SEEN[n]! - (u[0]! + u[1]! * x)) / 0.1),
  moved: (u) => line.residuals(u),
};

describe('bounded least squares with priors', () => {
  it('comes to what the normal equations say', () => {
    // Level: 500·0.3/(500 + 1); slope: 1000·0.5/(1000 + 1).
    const [level, slope] = settle(line, [2, -2], [0, 1]);
    expect(level).toBeCloseTo((500 * 0.3) / 501, 5);
    expect(slope).toBeCloseTo((1000 * 0.5) / 1001, 5);
  });

  it('leaves alone what is held', () => {
    expect(settle(line, [0, 0.2], [0])[1]).toBe(0.2);
  });

  it('says how sure it is: one over the square sums and the prior', () => {
    const cov = covariance(line, [0, 0], [0, 1]);
    expect(cov[0]![0]).toBeCloseTo(1 / 501, 8);
    expect(cov[1]![1]).toBeCloseTo(1 / 1001, 8);
    expect(cov[0]![1]).toBeCloseTo(0, 8);
  });

  it('goes no further than four standard deviations of any guess', () => {
    const far: Problem = {
      size: 1,
      rows: 1,
      residuals: (u) => Float64Array.of((100 - u[0]!) / 0.01),
      moved: (u) => far.residuals(u),
    };
    expect(settle(far, [0], [0])[0]).toBe(4);
  });
});
