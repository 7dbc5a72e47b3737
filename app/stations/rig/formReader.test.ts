import { describe, expect, it } from 'vitest';
import { FormReader } from './formReader';

function readerOf(fields: Record<string, string>): FormReader {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  return new FormReader(form);
}
const FIELD = { name: 'x', label: 'Mass', unit: 'g', least: 50, most: 60000 };
const read = (x: string, method: 'number' | 'whole' | 'optional' = 'number') => {
  const reader = readerOf({ x });
  return { value: reader[method](FIELD), sentence: reader.problems[0]?.sentence };
};

describe('reading a form', () => {
  it.each<[string, number]>([
    ['1 820', 1820],
    ['1820,5', 1820.5],
    [' 50 ', 50],
    ['60000', 60000],
  ])('“%s” is taken', (text, value) => {
    expect(read(text)).toEqual({ value, sentence: undefined });
  });

  it.each<[string, string]>([
    ['', 'Mass: “” is not a number. It must be between 50 and 60000 g.'],
    ['2 kg', 'Mass: “2 kg” is not a number. It must be between 50 and 60000 g.'],
    ['49.9', 'Mass is 49.9 g; it must be between 50 and 60000 g.'],
    ['1e9', 'Mass: “1e9” is not a number. It must be between 50 and 60000 g.'],
    ['-100', 'Mass is −100 g; it must be between 50 and 60000 g.'],
  ])('“%s” is refused with what would be right', (text, sentence) => {
    expect(read(text)).toEqual({ value: undefined, sentence });
  });

  it('nothing typed is nothing, where that is allowed', () => {
    expect(read('', 'optional')).toEqual({ value: null, sentence: undefined });
    expect(read('x', 'optional').value).toBeUndefined();
  });

  it('halves of what comes whole are refused', () => {
    expect(read('100.5', 'whole').sentence).toBe('Mass is 100.5: a whole number is needed.');
    expect(read('100', 'whole').value).toBe(100);
  });

  it('a choice that is not there counts as the one before', () => {
    const reader = readerOf({ kind: 'b', other: 'toString' });
    const table = { a: '', b: '' };
    expect(reader.choice('kind', table, 'a')).toBe('b');
    expect(reader.choice('other', table, 'a')).toBe('a');
    expect(reader.choice('missing', table, 'b')).toBe('b');
  });
});
