import type { Case } from '#core/advice/rule';
import { useMemo } from 'react';
import { useBench } from '../bench/BenchContext';

/** What the driver is after, and the case that advice is asked with. */
export function useGoals() {
  const { rig, rules, goals, changeGoals } = useBench();
  const case_ = useMemo((): Case => ({ rig, goals, rules }), [rig, goals, rules]);
  return { goals, change: changeGoals, case_ };
}
