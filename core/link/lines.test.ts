import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LineReader } from './lines';

describe('lines out of what arrives', () => {
  it('are the same wherever the chunks were cut', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ maxLength: 12 }).map((text) => text.replaceAll('\n', ' '))),
        fc.integer({ min: 1, max: 7 }),
        (lines, size) => {
          const text = lines.map((line) => `${line}\n`).join('');
          const reader = new LineReader(12);
          const chunks = Array.from({ length: Math.ceil(text.length / size) }, (_, n) =>
            text.slice(n * size, (n + 1) * size),
          );
          expect(chunks.flatMap((chunk) => reader.take(chunk))).toEqual(lines);
        },
      ),
    );
  });

  it('end where one is too long, with an end or without', () => {
    const reader = new LineReader(5);
    expect(reader.take('one\ntoo long\nthree\n')).toEqual(['one']);
    expect([reader.overflowed, reader.take('four\n')]).toEqual([true, []]);
    const flooded = new LineReader(5);
    for (let n = 0; n < 1000; n += 1) expect(flooded.take('flood')).toEqual([]);
    expect(flooded.overflowed).toBe(true);
    expect(new LineReader(5).take('12345\n')).toEqual(['12345']);
  });
});
