import type { MattersRequest } from '#core/sensitivity/matters';
import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { MattersAnswer, MattersWorker } from '../../workers/matters.worker';

/** Goes through what matters in a worker; tells how far it is, and can be stopped. */
export function useMatters() {
  const [answer, setAnswer] = useState<{ request: MattersRequest; answer: MattersAnswer }>();
  const [progress, setProgress] = useState<{ done: number; of: number }>();
  const thread = useRef<Worker>(undefined);

  const stop = (): void => {
    thread.current?.terminate();
    thread.current = undefined;
    setProgress(undefined);
  };
  useEffect(() => () => thread.current?.terminate(), []);

  const begin = async (request: MattersRequest): Promise<void> => {
    stop();
    const worker = new Worker(new URL('../../workers/matters.worker.ts', import.meta.url), {
      type: 'module',
    });
    thread.current = worker;
    setProgress({ done: 0, of: 1 });
    const tell = proxy((done: number, of: number): void => {
      if (thread.current === worker) setProgress({ done, of });
    });
    const found = await wrap<MattersWorker>(worker).run(request, tell);
    if (thread.current !== worker) return;
    setAnswer({ request, answer: found });
    stop();
  };
  return { answer, progress, begin, stop };
}
