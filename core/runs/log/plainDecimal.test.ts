import fc from 'fast-check';
import { expect, it } from 'vitest';
import { plainDecimal } from './plainDecimal';

it('is what the language makes of it, to the last bit, or nothing', () => {
  const written = fc
    .tuple(
      fc.constantFrom('', '-', '+'),
      fc.stringMatching(/^\d{0,12}$/),
      fc.constantFrom('', '.'),
      fc.stringMatching(/^\d{0,9}$/),
    )
    .map((parts) => parts.join(''));
  fc.assert(
    fc.property(written, (text) => {
      const value = plainDecimal(text);
      if (!Number.isNaN(value)) expect(Object.is(value, Number(text))).toBe(true);
    }),
    { numRuns: 2000 },
  );
});

it.each([
  ['12.5', 12.5],
  ['-0.125', -0.125],
  ['.5', 0.5],
  ['7.', 7],
])('reads %s', (text, value) => {
  expect(plainDecimal(text)).toBe(value);
});

it.each(['', '.', '-', '1e3', '1,5', ' 1', '1.2.3', '1234567890123456', 'NaN'])(
  'leaves “%s” to others',
  (text) => {
    expect(plainDecimal(text)).toBeNaN();
  },
);
