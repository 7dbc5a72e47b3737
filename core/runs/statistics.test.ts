import { linearRegression, sampleVariance } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { leastSquares, reachOf95, scatterWithin, spreadOf } from './statistics';

describe('Student’s t', () => {
  // Critical values for 97.5 %: NIST/SEMATECH e-Handbook of Statistical Methods, table 1.3.6.7.2.
  it.each([
    [1, 12.706],
    [2, 4.303],
    [3, 3.182],
    [4, 2.776],
    [5, 2.571],
    [8, 2.306],
    [15, 2.131],
    [30, 2.042],
    [100, 1.984],
  ])('with %i degrees of freedom reaches %f standard errors', (freedom, reach) => {
    expect(reachOf95(freedom)).toBeCloseTo(reach, 3);
  });

  it('has no reach where nothing was repeated', () => {
    expect(() => reachOf95(0)).toThrow(RangeError);
  });
});

describe('scatter of repeated runs', () => {
  it('is the sample variance of one group (reference library)', () => {
    const values = [1.9, 2.4, 2.2, 2.7];
    expect(spreadOf(scatterWithin([values]))! ** 2).toBeCloseTo(sampleVariance(values), 12);
  });

  it('is pooled over groups, each about its own mean', () => {
    const apart = scatterWithin([
      [1, 2],
      [101, 102],
    ]);
    expect(apart.freedom).toBe(2);
    expect(spreadOf(apart)).toBeCloseTo(Math.SQRT1_2, 12);
  });

  it('is not known where nothing was repeated', () => {
    expect(spreadOf(scatterWithin([[1], [2], []]))).toBeUndefined();
  });
});

describe('least squares', () => {
  it('fits a line as the reference library does', () => {
    const points = [
      [0, 1.1],
      [1, 2.9],
      [2, 5.3],
      [4, 8.7],
    ];
    const { m, b } = linearRegression(points);
    const fitted = leastSquares(
      points.map(([x]) => [1, x!]),
      points.map(([, y]) => y!),
    )!;
    expect(fitted.of[0]).toBeCloseTo(b, 10);
    expect(fitted.of[1]).toBeCloseTo(m, 10);
  });

  it('says nothing where rows do not tell the unknowns apart', () => {
    const rows = [
      [1, 2, 2],
      [1, 3, 3],
      [1, 5, 5],
    ];
    expect(leastSquares(rows, [1, 2, 3])).toBeUndefined();
  });
});
