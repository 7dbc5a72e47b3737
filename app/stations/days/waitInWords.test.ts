import { expect, it } from 'vitest';
import { waitInWords } from './waitInWords';

it('says minutes, hours or days, whichever a driver would', () => {
  expect([1, 119, 120, 47 * 60, 48 * 60, 10_021].map(waitInWords)).toEqual([
    'in 1\u00a0min',
    'in 119\u00a0min',
    'in 2\u00a0h',
    'in 47\u00a0h',
    'in 2 days',
    'in 7 days',
  ]);
});
