/** Long lists are read a page at a time, and searched where they are kept. */

export interface Place {
  /** From 1. */
  page: number;
  pages: number;
  /** How many lines there are on all pages together. */
  found: number;
  /** How many come before this page. */
  offset: number;
}

export interface Paged<T> extends Place {
  lines: T[];
}

/** Where a page lies. @param asked from 1; whatever is none counts as the first, one behind the last as the last */
export function placeOf(asked: number, found: number, perPage: number): Place {
  const pages = Math.max(1, Math.ceil(found / perPage));
  const page = Number.isInteger(asked) ? Math.min(Math.max(asked, 1), pages) : 1;
  return { page, pages, found, offset: (page - 1) * perPage };
}

/** More words than anybody looks for. */
const MOST_WORDS = 8;

/** What is looked for: each word by itself, in small letters, as PostgreSQL has them. */
export const searchedWords = (typed: string): string[] =>
  typed.toLowerCase().replaceAll('\0', ' ').split(/\s+/).filter(Boolean).slice(0, MOST_WORDS);

/** The words as replacements of a query: `word0`, `word1` ... */
export const namedWords = (words: readonly string[]): Record<string, string> =>
  Object.fromEntries(words.map((word, n) => [`word${n}`, word]));
