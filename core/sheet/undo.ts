import type { StopByItem } from '../esc/profile';
import type { Observation } from './evidence';

/**
 * What items held before a load: as they were when the sheet before it was kept, or as they were first known.
 * @param observations oldest first
 * @param changedItemIds what the load changed
 * @param sheetBefore when the sheet before it was kept, ISO 8601; undefined where there was none
 * @returns only items of which somebody knew it
 */
export function stopsBeforeLoad(
  observations: readonly Observation[],
  changedItemIds: readonly string[],
  sheetBefore: string | undefined,
): StopByItem {
  return Object.fromEntries(
    changedItemIds.flatMap((itemId) => {
      const known = observations.filter((one) => one.itemId === itemId && one.stopId !== null);
      const before =
        sheetBefore === undefined ? known[0] : (known.findLast(({ at }) => at <= sheetBefore) ?? known[0]);
      return before?.stopId ? [[itemId, before.stopId] as const] : [];
    }),
  );
}
