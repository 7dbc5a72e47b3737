import { expect, it } from 'vitest';
import { onStraights } from './straight';

it('lies on the line between two points, and stays at the ends outside them', () => {
  const points = [
    [2, 10],
    [4, 30],
    [8, 10],
  ] as const;
  expect([2, 3, 4, 7].map((x) => onStraights(points, x))).toEqual([10, 20, 30, 15]);
  expect([0, 9].map((x) => onStraights(points, x))).toEqual([10, 10]);
  expect(onStraights([[5, 7]], 6)).toBe(7);
});
