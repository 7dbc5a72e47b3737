import { describe, expect, it } from 'vitest';
import { placeOf, searchedWords } from './paging';

describe('a page of a long list', () => {
  it.each([
    [1, 0, { page: 1, pages: 1, offset: 0 }],
    [1, 25, { page: 1, pages: 1, offset: 0 }],
    [2, 26, { page: 2, pages: 2, offset: 25 }],
    [9, 26, { page: 2, pages: 2, offset: 25 }],
    [0, 26, { page: 1, pages: 2, offset: 0 }],
    [Number.NaN, 26, { page: 1, pages: 2, offset: 0 }],
    [1.5, 26, { page: 1, pages: 2, offset: 0 }],
  ])('asked for %d of %d', (asked, found, place) => {
    expect(placeOf(asked, found, 25)).toEqual({ ...place, found });
  });

  it('is searched by words in small letters, and by no more than eight', () => {
    expect(searchedWords('  Kelp\u0000BEACH\tbuggy ')).toEqual(['kelp', 'beach', 'buggy']);
    expect(searchedWords('a '.repeat(1000))).toHaveLength(8);
  });
});
