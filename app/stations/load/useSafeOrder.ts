import { verdictsOn } from '#core/advice/verdicts/verdictsOn';
import type { StopByItem } from '#core/esc/profile';
import { inSafeOrder, type SafeOrder } from '#core/plan/safeOrder';
import type { Change } from '#core/sheet/draft';
import { useCallback } from 'react';
import { useBench } from '../bench/BenchContext';

/** Arranges changes so that this rig holds nothing on the way that is worse than before and after. */
export function useSafeOrder(): (held: StopByItem, changes: Change[]) => SafeOrder {
  const { rig, profile, memory, rules, goals } = useBench();
  const { range } = memory;
  return useCallback(
    (held, changes) =>
      inSafeOrder(profile, held, changes, (stops) =>
        verdictsOn({ rig, profile, stops, range, rules, goals })
          .filter(({ grade }) => grade === 'hazard')
          .map(({ title }) => title),
      ),
    [rig, profile, range, rules, goals],
  );
}
