import { openAdvice } from '#core/advice/advise';
import { useCommands } from '../../preferences/useCommands';
import { useBench } from '../bench/BenchContext';
import { usePutBack } from './usePutBack';

/** Keys that move between rails, and that take the advice of the rail in focus. */
export function useRailKeys(): void {
  const { profile, sure, advice, move, moveAll, history } = useBench();
  const { putBack } = usePutBack();
  useCommands({
    nextRail: () => focusRail(1),
    previousRail: () => focusRail(-1),
    advice: () => {
      const itemId = railInFocus()?.dataset.rail;
      const found = itemId === undefined ? undefined : advice[itemId];
      if (found) move(itemId!, found.stopId);
    },
    undo: history.undo,
    redo: history.redo,
    putBack,
    allAdvice: () => moveAll(openAdvice(advice, profile.items, sure)),
  });
}

const rails = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('[data-rail]')];

const railInFocus = (): HTMLElement | undefined => rails().find((rail) => rail === document.activeElement);

/**
 * Goes to the rail of an item.
 * @returns whether there is one on the page
 */
export function focusRailOf(itemId: string): boolean {
  const rail = rails().find(({ dataset }) => dataset.rail === itemId);
  rail?.focus();
  rail?.scrollIntoView({ block: 'center' });
  return rail !== undefined;
}

/** From the rail in focus, or from above the first, one on. */
function focusRail(by: 1 | -1): void {
  const all = rails();
  const at = all.findIndex((rail) => rail === document.activeElement);
  const next = all[Math.max(0, Math.min(all.length - 1, at + by))];
  next?.focus();
  next?.scrollIntoView({ block: 'center' });
}
