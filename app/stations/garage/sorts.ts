import type { Sort } from '#server/repositories/garageList';

/** The orders of the list, in words. */
export const SORTS: Readonly<Record<Sort, string>> = {
  touched: 'last used',
  name: 'name',
  class: 'class',
  due: 'most to do',
};

/** Whether a word from an address names one. */
export const isSort = (word: string | null): word is Sort => word !== null && Object.hasOwn(SORTS, word);
