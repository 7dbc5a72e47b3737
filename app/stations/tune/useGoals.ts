import type { Goals } from '#core/advice/goals';
import type { Case } from '#core/advice/rule';
import { useCallback, useMemo } from 'react';
import { useFetcher } from 'react-router';
import { useBench } from '../bench/BenchContext';

/** What the driver is after, changed at once and kept behind it; and the case that advice is asked with. */
export function useGoals() {
  const { rigId, rig, rules, goals: kept } = useBench();
  const fetcher = useFetcher({ key: `goals ${rigId}` });
  // What was just said counts until the page has it back from the server.
  const goals = (fetcher.json as Goals | undefined) ?? kept;
  const { submit } = fetcher;
  const change = useCallback(
    (by: Partial<Goals>): void => {
      const next = { ...goals, ...by };
      void submit(
        { purpose: next.purpose, surface: next.surface, schools: { ...next.schools } },
        { method: 'post', action: `/rigs/${rigId}/goals`, encType: 'application/json' },
      );
    },
    [goals, rigId, submit],
  );
  const case_ = useMemo((): Case => ({ rig, goals, rules }), [rig, goals, rules]);
  return { goals, change, case_ };
}
