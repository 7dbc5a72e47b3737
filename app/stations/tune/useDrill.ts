import type { EscBehaviour } from '#core/physics/escChain';
import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { DrillAnswer, DrillRequest, DrillWorker } from '../../workers/drills.worker';

interface Computed<Request extends DrillRequest> {
  request: Request;
  answer: DrillAnswer;
}

/**
 * Runs drills in a worker. While one is computed only the newest request waits; what lies between is skipped,
 * so that a trace follows a moving lozenge without lagging behind it.
 * @param likely what may be asked for next: computed while nothing is, where a drill takes its time
 */
export function useDrill<Request extends DrillRequest>(
  request: Request,
  likely: () => EscBehaviour[],
): Computed<Request> | undefined {
  const [computed, setComputed] = useState<Computed<Request>>();
  const worker = useRef<Remote<DrillWorker>>(undefined);
  const waiting = useRef<Request>(undefined);
  const busy = useRef(false);
  const expected = useRef(likely);

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
    expected.current = likely;
    const run = async (): Promise<void> => {
      const remote = worker.current;
      if (busy.current || !remote) return;
      busy.current = true;
      let last = request;
      while (waiting.current) {
        const next = waiting.current;
        waiting.current = undefined;
        last = next;
        const answer = await remote.run(next);
        if (worker.current !== remote) return;
        setComputed({ request: next, answer });
      }
      busy.current = false;
      // A failure shows when the drill is really asked for.
      void remote
        .warm({ drill: last.drill, rig: last.rig, likely: expected.current() })
        .catch(() => undefined);
    };
    void run();
  }, [request, likely]);

  return computed;
}
