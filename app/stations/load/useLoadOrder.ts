import { verdictsOn } from '#core/advice/verdicts/verdictsOn';
import type { MediumFamily } from '#core/esc/media';
import type { BelievedStops, StopByItem } from '#core/esc/profile';
import { inShortOrder } from '#core/plan/shortOrder';
import { arrangeLoad, type WholeLoad } from '#core/plan/wholeLoad';
import type { Rig } from '#core/rig/rig';
import type { HandChange } from '#core/rig/handValues';
import { changesInOrder, type Change } from '#core/sheet/draft';
import { heldStops } from '#core/sheet/evidence';
import { useCallback, useMemo } from 'react';
import { useBench } from '../bench/BenchContext';

interface ToArrange {
  /** What the ESC holds, every item. */
  held: BelievedStops;
  changes: Change[];
  /** What hands still have to do. */
  handChanges?: readonly HandChange[];
  /** Where in its menu the ESC is. */
  from?: number;
}

/**
 * Arranges a load for the shortest way through the menu on which this rig is never worse than before and after.
 */
export function useLoadOrder(family: MediumFamily): (load: ToArrange) => WholeLoad {
  const { rig, profile, memory, rules, goals } = useBench();
  const { range } = memory;
  return useCallback(
    ({ held, changes, handChanges = [], from }) => {
      const hazardsOf = (of: Rig, stops: StopByItem): string[] =>
        verdictsOn({ rig: of, profile, stops, range, rules, goals })
          .filter(({ grade }) => grade === 'hazard')
          .map(({ title }) => title);
      const inOrder = inShortOrder(profile, family, changes, from);
      return arrangeLoad({ profile, rig, handChanges, held, changes: inOrder }, hazardsOf);
    },
    [rig, profile, family, range, rules, goals],
  );
}

/** All that is drafted, arranged for a medium, from an ESC that is off. */
export function useArrangedLoad(family: MediumFamily): WholeLoad {
  const { profile, holdings, believed, changes, handChanges } = useBench();
  const arranged = useLoadOrder(family);
  return useMemo(
    () =>
      arranged({
        held: believed,
        changes: changesInOrder(profile, heldStops(profile, holdings), changes),
        handChanges,
      }),
    [arranged, believed, profile, holdings, changes, handChanges],
  );
}
