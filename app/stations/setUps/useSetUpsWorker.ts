import type { Remote } from 'comlink';
import { useThread } from '../../ui/useThread';
import type { SetUpsWorker } from '../../workers/setUps.worker';

const begin = () =>
  new Worker(new URL('../../workers/setUps.worker.ts', import.meta.url), { type: 'module' });

/** A worker for what drives the model many times; undefined until the page is there. */
export const useSetUpsWorker = (): Remote<SetUpsWorker> | undefined => useThread<SetUpsWorker>(begin);
