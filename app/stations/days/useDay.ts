import type { Day } from '#core/days/day';
import { useFetcher } from 'react-router';
import { isNotKept, type NotKept } from '../../ui/keepTyped';

interface Saved {
  problems: { path: string; sentence: string }[];
  outcome: 'kept' | 'changed' | 'refused';
}

/** A day that is changed as a whole and saved at once; what somebody else changed in between is never written over. */
export function useDay<D extends Day>(day: D, revision: number) {
  const fetcher = useFetcher<Saved | NotKept>();
  const save = (part: Partial<D>): void => {
    void fetcher.submit(
      { intent: 'save', revision: String(revision), day: JSON.stringify({ ...day, ...part }) },
      { method: 'post', action: `/days/${day.id}` },
    );
  };
  const { data } = fetcher;
  const told = isNotKept(data) ? undefined : data;
  return { save, isSaving: fetcher.state !== 'idle', told, away: isNotKept(data) ? data : undefined };
}
