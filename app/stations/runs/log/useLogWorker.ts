import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { LogWorker } from '../../../workers/log.worker';

/** A worker that reads and holds logs; undefined until the page is there. */
export function useLogWorker(): Remote<LogWorker> | undefined {
  const [remote, setRemote] = useState<{ remote: Remote<LogWorker> }>();
  useEffect(() => {
    const thread = new Worker(new URL('../../../workers/log.worker.ts', import.meta.url), { type: 'module' });
    // A remote is a function to the eye of React: in an object it is only kept.
    queueMicrotask(() => setRemote({ remote: wrap<LogWorker>(thread) }));
    return () => thread.terminate();
  }, []);
  return remote?.remote;
}
