import { wrap } from 'comlink';
import type { EscBehaviour } from '#core/physics/escChain';
import { useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { DrillAnswer, DrillRequest, DrillWorker } from '../../workers/drills.worker';
import { NewestOnly } from '../../workers/newestOnly';

interface Computed<Request extends DrillRequest> {
  request: Request;
  answer: DrillAnswer;
}

/**
 * Runs drills in a worker, so that a trace follows a moving draft mark without lagging behind it.
 * @param onAsked tells of a request before it is drawn, so that the worker computes while the page draws
 * @param likely what may be asked for next: computed while nothing is, where a drill takes its time
 */
export function useDrill<Request extends DrillRequest>(
  request: Request,
  onAsked: (ask: (next: Request) => void) => () => void,
  likely: () => EscBehaviour[],
): Computed<Request> | undefined {
  const [computed, setComputed] = useState<Computed<Request>>();
  const queue = useRef<NewestOnly<Request, DrillAnswer>>(undefined);
  const expected = useRef(likely);

  useEffect(() => {
    const thread = new Worker(new URL('../../workers/drills.worker.ts', import.meta.url), { type: 'module' });
    const remote = wrap<DrillWorker>(thread);
    const asked = new NewestOnly<Request, DrillAnswer>({
      run: (next) => remote.run(next),
      // At once: in line it would wait for the verdicts.
      onAnswer: (next, answer) => flushSync(() => setComputed({ request: next, answer })),
      // A failure shows when the drill is really asked for.
      onIdle: ({ drill, draftedRig: rig }) =>
        void remote.warm({ drill, rig, likely: expected.current() }).catch(() => undefined),
      isSame,
    });
    queue.current = asked;
    return () => {
      asked.close();
      thread.terminate();
    };
  }, []);

  useEffect(() => onAsked((next) => void queue.current?.ask(next)), [onAsked]);
  useEffect(() => {
    expected.current = likely;
    void queue.current?.ask(request);
  }, [request, likely]);

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
