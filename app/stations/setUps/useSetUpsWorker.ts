import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { SetUpsWorker } from '../../workers/setUps.worker';

/** A worker for what drives the model many times; undefined until the page is there. */
export function useSetUpsWorker(): Remote<SetUpsWorker> | undefined {
  const [remote, setRemote] = useState<{ remote: Remote<SetUpsWorker> }>();
  useEffect(() => {
    const thread = new Worker(new URL('../../workers/setUps.worker.ts', import.meta.url), { type: 'module' });
    // A remote is a function to the eye of React: in an object it is only kept.
    queueMicrotask(() => setRemote({ remote: wrap<SetUpsWorker>(thread) }));
    return () => thread.terminate();
  }, []);
  return remote?.remote;
}
