import { useFetcher } from 'react-router';
import { useBench } from '../bench/BenchContext';
import type { BenchNote } from './benchNotes';

/** Sends a note of the bench to be kept, and tells how that went. */
export function useBenchNotes() {
  const { rigId } = useBench();
  const fetcher = useFetcher<{ problems: { sentence: string }[] }>();
  const send = (note: BenchNote): void => {
    // React Router's type of JSON wants index signatures, which interfaces have not.
    const body = JSON.parse(JSON.stringify(note)) as Record<string, never>;
    void fetcher.submit(body, {
      method: 'post',
      action: `/rigs/${rigId}/bench-notes`,
      encType: 'application/json',
    });
  };
  return {
    send,
    busy: fetcher.state !== 'idle',
    kept: fetcher.state === 'idle' && fetcher.data?.problems.length === 0,
    problem: fetcher.data?.problems[0]?.sentence,
  };
}
