import type { Remote } from 'comlink';
import { useThread } from '../../../ui/useThread';
import type { LogWorker } from '../../../workers/log.worker';

const begin = () =>
  new Worker(new URL('../../../workers/log.worker.ts', import.meta.url), { type: 'module' });

/** A worker that reads and holds logs; undefined until the page is there. */
export const useLogWorker = (): Remote<LogWorker> | undefined => useThread<LogWorker>(begin);
