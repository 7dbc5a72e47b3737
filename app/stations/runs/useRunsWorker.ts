import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { RunsWorker } from '../../workers/runs.worker';

/** A worker that drives the model as runs were driven; undefined until the page is there. */
export function useRunsWorker(): Remote<RunsWorker> | undefined {
  const [remote, setRemote] = useState<{ remote: Remote<RunsWorker> }>();
  useEffect(() => {
    const thread = new Worker(new URL('../../workers/runs.worker.ts', import.meta.url), { type: 'module' });
    // A remote is a function to the eye of React: in an object it is only kept.
    queueMicrotask(() => setRemote({ remote: wrap<RunsWorker>(thread) }));
    return () => thread.terminate();
  }, []);
  return remote?.remote;
}
