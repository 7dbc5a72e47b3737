import { useNavigation } from 'react-router';
import { answered, type NotKept } from './keepTyped';

/**
 * What the last action of this page answered, and whether another one is under way. An answer, and what undoes it,
 * belong to that action only: while anything is under way, there is none, so that no quick hand undoes the wrong thing.
 *
 * @param answer the page's action data
 */
export function useAnswer<T extends object>(
  answer: T | NotKept | undefined,
): { answer: T | undefined; busy: boolean } {
  const busy = useNavigation().state !== 'idle';
  return { answer: busy ? undefined : answered(answer), busy };
}
