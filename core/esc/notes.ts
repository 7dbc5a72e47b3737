import type { Notes } from './media';

/** Groups of notes that the ear can count: one note for threes, the other for the rest. @param first the note for threes */
export function countedNotes(count: number, first: 'l' | 'h' = 'l'): Notes[] {
  const second = first === 'l' ? 'h' : 'l';
  return Array.from(
    { length: count },
    (_, n) => first.repeat(1 + Math.floor(n / 3)) + second.repeat(1 + (n % 3)),
  );
}
