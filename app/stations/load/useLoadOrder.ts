import { verdictsOn } from '#core/advice/verdicts/verdictsOn';
import type { MediumFamily } from '#core/esc/media';
import type { StopByItem } from '#core/esc/profile';
import { inSafeOrder, type SafeOrder } from '#core/plan/safeOrder';
import { inShortOrder } from '#core/plan/shortOrder';
import type { Change } from '#core/sheet/draft';
import { useCallback } from 'react';
import { useBench } from '../bench/BenchContext';

/**
 * Arranges changes for the shortest way through the menu on which this rig holds nothing that is worse than before and
 * after.
 */
export function useLoadOrder(
  family: MediumFamily,
): (held: StopByItem, changes: Change[], from?: number) => SafeOrder {
  const { rig, profile, memory, rules, goals } = useBench();
  const { range } = memory;
  return useCallback(
    (held, changes, from) =>
      inSafeOrder(profile, held, inShortOrder(profile, family, changes, from), (stops) =>
        verdictsOn({ rig, profile, stops, range, rules, goals })
          .filter(({ grade }) => grade === 'hazard')
          .map(({ title }) => title),
      ),
    [rig, profile, family, range, rules, goals],
  );
}
