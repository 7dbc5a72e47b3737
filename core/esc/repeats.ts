import type { Problem } from '../units/problem';

/** What stands in a list twice and may not. @param words what an entry is called */
export function repeats<T>(list: T[], path: string, key: keyof T, words: (entry: T) => string): Problem[] {
  const seen = new Map<T[keyof T], number>();
  return list.flatMap((entry, index) => {
    const first = seen.get(entry[key]);
    if (first === undefined) {
      seen.set(entry[key], index);
      return [];
    }
    return [
      {
        path: `${path}.${index}.${String(key)}`,
        sentence: `${capital(words(entry))} is there twice (also at place ${first + 1}): each must be unique.`,
      },
    ];
  });
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
