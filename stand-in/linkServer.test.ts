import { expect, it } from 'vitest';
import { waitAfter } from './linkServer';

it('answers wrong pass codes ever more slowly, and never so late that it seems gone', () => {
  expect([1, 2, 3, 4, 5, 6, 50].map(waitAfter)).toEqual([50, 100, 200, 400, 800, 800, 800]);
});
