import { describe, expect, it } from 'vitest';
import { dataFault } from './dataFault';

const nested = (depth: number): unknown => (depth === 0 ? 1 : [nested(depth - 1)]);

describe('data from outside', () => {
  it.each([
    ['plain data', { id: 'a', list: [1, 'b', null, true], text: 'Ärger 🏁' }],
    ['a word of the language as a name', { name: 'constructor' }],
    ['forty levels', nested(40)],
  ])('may hold %s', (_, data) => {
    expect(dataFault(data)).toBeUndefined();
  });

  it.each([
    ['a zero byte', { name: 'a\0b' }],
    ['half a pair', { list: [{ text: 'a\ud83c' }] }],
    ['the other half', ['\udfc1']],
    ['half a pair in a key', { '\ud83c': 1 }],
    ['a key that every object has', JSON.parse('{"stops":{"__proto__":"x"}}')],
    ['an id that every object has', { items: [{ id: 'constructor' }] }],
    ['an id of another', { itemId: '__proto__' }],
    ['forty-one levels', nested(42)],
  ])('may not hold %s', (_, data) => {
    expect(dataFault(data)).toMatch(/\.$/);
  });
});
