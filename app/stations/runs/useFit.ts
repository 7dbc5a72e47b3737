import type { Fitted, RefusedFit } from '#core/runs/fit/fit';
import type { OnRig } from '#core/runs/predicted';
import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FitWorker, RunToLearn } from '../../workers/fit.worker';

type Fitting =
  { state: 'idle' } | { state: 'going'; done: number } | { state: 'done'; outcome: Fitted | RefusedFit };

/** A fit that is asked for, in a thread of its own; cancelling ends the thread. */
export function useFit() {
  const [fitting, setFitting] = useState<Fitting>({ state: 'idle' });
  const thread = useRef<Worker | undefined>(undefined);
  const stop = useCallback((): void => {
    thread.current?.terminate();
    thread.current = undefined;
    setFitting({ state: 'idle' });
  }, []);
  useEffect(() => () => thread.current?.terminate(), []);
  const start = (on: OnRig, runs: readonly RunToLearn[]): void => {
    thread.current?.terminate();
    const mine = new Worker(new URL('../../workers/fit.worker.ts', import.meta.url), { type: 'module' });
    thread.current = mine;
    setFitting({ state: 'going', done: 0 });
    const tell = (done: number): void => {
      if (thread.current === mine) setFitting({ state: 'going', done });
    };
    void wrap<FitWorker>(mine)
      .fit(on, runs, proxy(tell))
      .then((outcome) => {
        if (thread.current !== mine) return;
        mine.terminate();
        setFitting({ state: 'done', outcome });
      });
  };
  return { fitting, start, stop };
}
