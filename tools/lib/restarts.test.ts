import { expect, it } from 'vitest';
import { Restarts } from './restarts.mjs';

it('waits ever longer for a part that keeps ending, without end, and says so once', () => {
  const restarts = new Restarts();
  let now = 0;
  const pauses = Array.from({ length: 9 }, () => {
    const { pauseMs, isFirst } = restarts.next(now);
    now += pauseMs + 100;
    return [pauseMs, isFirst];
  });
  expect(pauses).toEqual([
    [500, true],
    [1000, false],
    [2000, false],
    [4000, false],
    [8000, false],
    [16_000, false],
    [30_000, false],
    [30_000, false],
    [30_000, false],
  ]);
});

it('begins again with a part that lived for a while', () => {
  const restarts = new Restarts();
  for (let n = 0; n < 4; n += 1) restarts.next(n * 1000);
  expect(restarts.next(3000 + 4000 + 60_001)).toEqual({ pauseMs: 500, isFirst: true });
});
