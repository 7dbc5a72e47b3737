import type { StandingFacts } from '#core/advice/standing';
import { takeDriven } from '#core/advice/verdicts/driven';
import type { Verdict } from '#core/advice/verdicts/verdict';
import { wrap } from 'comlink';
import { startTransition, useEffect, useRef, useState } from 'react';
import type { VerdictsWorker } from '../../workers/verdicts.worker';
import { useWhenIdle } from '../../ui/useWhenIdle';

interface Driven {
  /** What it was driven for; nothing where it could not be driven. */
  of?: StandingFacts;
  verdicts?: Verdict[];
}

/**
 * Whether the model was driven for what the page was opened with, and what it came to while that is the same. It is driven beside
 * the page, once that has come to rest; what was driven is taken over, and verdicts take no time then.
 */
export function useDriven(facts: StandingFacts): { isDriven: boolean; verdicts: Verdict[] | undefined } {
  const isIdle = useWhenIdle();
  const [driven, setDriven] = useState<Driven>();
  const newest = useRef(facts);
  useEffect(() => {
    newest.current = facts;
  });
  useEffect(() => {
    if (!isIdle) return;
    const thread = new Worker(new URL('../../workers/verdicts.worker.ts', import.meta.url), {
      type: 'module',
    });
    const of = newest.current;
    void wrap<VerdictsWorker>(thread)
      .drive(of)
      .then((found): Driven => {
        takeDriven(of.rig, of.profile, found.driven);
        return { of, verdicts: found.verdicts };
      })
      // Without it the page drives for itself, and says what is wrong where it shows.
      .catch((): Driven => ({}))
      .then((done) => {
        thread.terminate();
        // All of the bench is shown anew: hands come first.
        startTransition(() => setDriven(done));
      });
    return () => thread.terminate();
  }, [isIdle]);
  return {
    isDriven: driven !== undefined,
    verdicts: driven && driven.of === facts ? driven.verdicts : undefined,
  };
}
