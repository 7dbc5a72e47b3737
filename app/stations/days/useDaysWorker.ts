import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { DaysWorker } from '../../workers/days.worker';

/** A worker that plans days; undefined until the page is there. */
export function useDaysWorker(): Remote<DaysWorker> | undefined {
  const [remote, setRemote] = useState<{ remote: Remote<DaysWorker> }>();
  useEffect(() => {
    const thread = new Worker(new URL('../../workers/days.worker.ts', import.meta.url), { type: 'module' });
    // A remote is a function to the eye of React: in an object it is only kept.
    queueMicrotask(() => setRemote({ remote: wrap<DaysWorker>(thread) }));
    return () => thread.terminate();
  }, []);
  return remote?.remote;
}
