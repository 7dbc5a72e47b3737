import { wrap, type Remote } from 'comlink';
import type { EscBehaviour } from '#core/physics/escChain';
import { useCallback, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { DrillAnswer, DrillRequest, DrillWorker } from '../../workers/drills.worker';

interface Computed<Request extends DrillRequest> {
  request: Request;
  answer: DrillAnswer;
}

/**
 * Runs drills in a worker. While one is computed only the newest request waits; what lies between is skipped,
 * so that a trace follows a moving lozenge without lagging behind it.
 * @param onAsked tells of a request before it is drawn, so that the worker computes while the page draws
 * @param likely what may be asked for next: computed while nothing is, where a drill takes its time
 */
export function useDrill<Request extends DrillRequest>(
  request: Request,
  onAsked: (ask: (next: Request) => void) => () => void,
  likely: () => EscBehaviour[],
): Computed<Request> | undefined {
  const [computed, setComputed] = useState<Computed<Request>>();
  const worker = useRef<Remote<DrillWorker>>(undefined);
  const waiting = useRef<Request>(undefined);
  const newest = useRef<Request>(undefined);
  const busy = useRef(false);
  const expected = useRef(likely);

  useEffect(() => {
    const thread = new Worker(new URL('../../workers/drills.worker.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<DrillWorker>(thread);
    return () => {
      thread.terminate();
      worker.current = undefined;
      newest.current = undefined;
      busy.current = false;
    };
  }, []);

  const ask = useCallback(async (next: Request): Promise<void> => {
    if (newest.current && isSame(newest.current, next)) return;
    newest.current = next;
    waiting.current = next;
    const remote = worker.current;
    if (busy.current || !remote) return;
    busy.current = true;
    while (waiting.current) {
      const asked = waiting.current;
      waiting.current = undefined;
      const answer = await remote.run(asked);
      if (worker.current !== remote) return;
      // At once: in line it would wait for the verdicts.
      flushSync(() => setComputed({ request: asked, answer }));
    }
    busy.current = false;
    const { drill, draftedRig: rig } = newest.current;
    // A failure shows when the drill is really asked for.
    void remote.warm({ drill, rig, likely: expected.current() }).catch(() => undefined);
  }, []);

  useEffect(() => onAsked((next) => void ask(next)), [onAsked, ask]);
  useEffect(() => {
    expected.current = likely;
    void ask(request);
  }, [ask, request, likely]);

  return computed;
}

/** Whether the answer to one is the answer to the other: all but the draft is handed on as it was. */
const isSame = (a: DrillRequest, b: DrillRequest): boolean =>
  a.drill === b.drill &&
  a.rig === b.rig &&
  JSON.stringify(a.draftedRig) === JSON.stringify(b.draftedRig) &&
  a.now === b.now &&
  a.nowInstead === b.nowInstead &&
  JSON.stringify(a.draft) === JSON.stringify(b.draft);
