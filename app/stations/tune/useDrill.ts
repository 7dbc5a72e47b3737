import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { DrillAnswer, DrillRequest, DrillWorker } from '../../workers/drills.worker';

interface Computed {
  request: DrillRequest;
  answer: DrillAnswer;
}

/**
 * Runs drills in a worker. While one is computed only the newest request waits; what lies between is skipped,
 * so that a trace follows a moving lozenge without lagging behind it.
 */
export function useDrill(request: DrillRequest): Computed | undefined {
  const [computed, setComputed] = useState<Computed>();
  const worker = useRef<Remote<DrillWorker>>(undefined);
  const waiting = useRef<DrillRequest>(undefined);
  const busy = useRef(false);

  useEffect(() => {
    const thread = new Worker(new URL('../../workers/drills.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<DrillWorker>(thread);
    return () => {
      thread.terminate();
      worker.current = undefined;
      busy.current = false;
    };
  }, []);

  useEffect(() => {
    waiting.current = request;
    const run = async (): Promise<void> => {
      const remote = worker.current;
      if (busy.current || !remote) return;
      busy.current = true;
      while (waiting.current) {
        const next = waiting.current;
        waiting.current = undefined;
        const answer = await remote.run(next);
        if (worker.current !== remote) return;
        setComputed({ request: next, answer });
      }
      busy.current = false;
    };
    void run();
  }, [request]);

  return computed;
}
