import type { NextChange } from '#core/runs/nextChange';
import type { RunNote } from '#core/runs/run';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { useDiagnosisFacts } from '../endpoints/useDiagnosisFacts';
import { useRunsWorker } from './useRunsWorker';

/** What a run asks for on this rig, worked out beside the page; undefined until it is. */
export function useNextChanges(note: RunNote | undefined): NextChange[] | undefined {
  const { rig, profile, believed, rules, goals } = useBench();
  const facts = useDiagnosisFacts();
  const worker = useRunsWorker();
  const [found, setFound] = useState<{ of: string; changes: NextChange[] }>();
  const asked = useMemo(() => {
    if (!note) return undefined;
    const situation = {
      rig,
      profile,
      stops: believed,
      range: facts.range,
      rules,
      goals,
      withoutStint: true,
    };
    return { note, situation, facts };
  }, [note, rig, profile, believed, facts, rules, goals]);
  // Facts are put together anew at each look: what counts is whether they say the same.
  const key = asked && JSON.stringify(asked);
  useEffect(() => {
    if (!worker || key === undefined || !note) return undefined;
    let isLeft = false;
    const { note: its, situation, facts: its2 } = JSON.parse(key) as NonNullable<typeof asked>;
    void worker.nextChanges(its, situation, its2).then((changes) => {
      if (!isLeft) startTransition(() => setFound({ of: key, changes }));
    });
    return () => {
      isLeft = true;
    };
  }, [worker, key, note]);
  return found && found.of === key ? found.changes : undefined;
}
