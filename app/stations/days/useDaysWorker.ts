import type { Remote } from 'comlink';
import { useThread } from '../../ui/useThread';
import type { DaysWorker } from '../../workers/days.worker';

const begin = () => new Worker(new URL('../../workers/days.worker.ts', import.meta.url), { type: 'module' });

/** A worker that plans days; undefined until the page is there. */
export const useDaysWorker = (): Remote<DaysWorker> | undefined => useThread<DaysWorker>(begin);
