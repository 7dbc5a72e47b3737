import { adviceFor } from '#core/advice/bands';
import { itemById } from '#core/esc/profile';
import { useCommands } from '../../preferences/useCommands';
import { useBench } from '../bench/BenchContext';

/** Keys that move between rails, and that take the advice of the rail in focus. */
export function useRailKeys(): void {
  const { rig, profile, move } = useBench();
  useCommands({
    nextRail: () => focusRail(1),
    previousRail: () => focusRail(-1),
    advice: () => {
      const itemId = railInFocus()?.dataset.rail;
      const advice = itemId === undefined ? undefined : adviceFor(rig, profile, itemById(profile, itemId));
      if (advice) move(itemId!, advice.stopId);
    },
  });
}

const rails = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('[data-rail]')];

const railInFocus = (): HTMLElement | undefined => rails().find((rail) => rail === document.activeElement);

/** From the rail in focus, or from above the first, one on. */
function focusRail(by: 1 | -1): void {
  const all = rails();
  const at = all.findIndex((rail) => rail === document.activeElement);
  const next = all[Math.max(0, Math.min(all.length - 1, at + by))];
  next?.focus();
  next?.scrollIntoView({ block: 'center' });
}
