import { expect, it } from 'vitest';
import { Delays } from './delays';

/** Guesses as fast as it may. @returns after how many seconds each guess came */
function guesses(count: number): number[] {
  let now = 0;
  const delays = new Delays(() => now);
  return Array.from({ length: count }, () => {
    now += delays.waitMs('there');
    delays.tried('there');
    return now / 1000;
  });
}

it('lets three mistakes pass, then makes each further guess wait twice as long', () => {
  expect(guesses(8)).toEqual([0, 0, 0, 1, 3, 7, 15, 31]);
});

it('in a day lets through so few guesses that a code of 378 billion is safe', () => {
  const inADay = guesses(400).filter((seconds) => seconds < 86_400).length;
  expect(inADay).toBeLessThan(110);
});

it('keeps waiting for each apart, and forgives who was right', () => {
  let now = 0;
  const delays = new Delays(() => now);
  for (let n = 0; n < 5; n += 1) delays.tried('there');
  expect(delays.waitMs('there')).toBe(4000);
  expect(delays.waitMs('here')).toBe(0);
  now = 1500;
  expect(delays.waitMs('there')).toBe(2500);
  delays.succeeded('there');
  expect(delays.waitMs('there')).toBe(0);
});

it('begins anew an hour after the last mistake', () => {
  let now = 0;
  const delays = new Delays(() => now);
  for (let n = 0; n < 9; n += 1) delays.tried('there');
  now = 3_600_001;
  delays.tried('there');
  expect(delays.waitMs('there')).toBe(0);
});
