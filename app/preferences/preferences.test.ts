import { describe, expect, it } from 'vitest';
import { DEFAULT_PREFERENCES, keyOf, lookFrom, readPreferences } from './preferences';

describe('preferences', () => {
  it.each([null, '', '{', 'null', '[]', '{"keys":7}', '{"keys":{"power":3,"hoot":"h"}}'])(
    'fall back on their defaults where %j is stored',
    (text) => {
      expect(readPreferences(text)).toEqual(DEFAULT_PREFERENCES);
    },
  );

  it('keep a changed key and a switch', () => {
    expect(readPreferences('{"beat":true}').beat).toBe(true);
    expect(readPreferences('{"beat":"loud"}').beat).toBe(false);
    const preferences = readPreferences('{"characterKeys":false,"keys":{"power":"q"}}');
    expect(preferences.characterKeys).toBe(false);
    expect(keyOf(preferences, 'power')).toBe('q');
    expect(keyOf(preferences, 'card')).toBe('c');
  });

  it.each([
    ['look=dark', 'dark'],
    ['a=1; look=light; b=2', 'light'],
    ['outlook=dark', 'auto'],
    ['look=neon', 'auto'],
    [null, 'auto'],
  ])('the cookie %j asks for the look %s', (cookies, look) => {
    expect(lookFrom(cookies)).toBe(look);
  });
});
