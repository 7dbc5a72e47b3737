import type { StandingFacts } from '#core/advice/standing';
import { takeDriven } from '#core/advice/verdicts/driven';
import { wrap } from 'comlink';
import { startTransition, useEffect, useRef, useState } from 'react';
import type { VerdictsWorker } from '../../workers/verdicts.worker';
import { useWhenIdle } from '../../ui/useWhenIdle';

/**
 * False until the model was driven for what the page was opened with. It is driven beside the page, once that has come to rest;
 * what was driven is taken over, and verdicts take no time then.
 */
export function useDriven(facts: StandingFacts): boolean {
  const isIdle = useWhenIdle();
  const [isDriven, setDriven] = useState(false);
  const newest = useRef(facts);
  useEffect(() => {
    newest.current = facts;
  });
  useEffect(() => {
    if (!isIdle) return;
    const thread = new Worker(new URL('../../workers/verdicts.worker.ts', import.meta.url), {
      type: 'module',
    });
    const { rig, profile } = newest.current;
    void wrap<VerdictsWorker>(thread)
      .drive(newest.current)
      .then((driven) => takeDriven(rig, profile, driven))
      // Without it the page drives for itself, and says what is wrong where it shows.
      .catch(() => undefined)
      .then(() => {
        thread.terminate();
        // All of the bench is shown anew: hands come first.
        startTransition(() => setDriven(true));
      });
    return () => thread.terminate();
  }, [isIdle]);
  return isDriven;
}
