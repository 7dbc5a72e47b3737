import type { Remote } from 'comlink';
import { useThread } from '../../ui/useThread';
import type { RunsWorker } from '../../workers/runs.worker';

const begin = () => new Worker(new URL('../../workers/runs.worker.ts', import.meta.url), { type: 'module' });

/** A worker that drives the model as runs were driven; undefined until the page is there. */
export const useRunsWorker = (): Remote<RunsWorker> | undefined => useThread<RunsWorker>(begin);
