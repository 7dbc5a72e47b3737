import { expect, it } from 'vitest';
import { roughSpan } from './format';

it('says minutes, hours or days, whichever a driver would', () => {
  expect([1, 119, 120, 47 * 60, 48 * 60, 10_021].map(roughSpan)).toEqual([
    '1\u00a0min',
    '119\u00a0min',
    '2\u00a0h',
    '47\u00a0h',
    '2 days',
    '7 days',
  ]);
});
