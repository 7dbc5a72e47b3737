import { useState, useSyncExternalStore } from 'react';
import { useBench } from '../bench/BenchContext';
import { DrillPanel } from './DrillPanel';
import { VerdictList } from './VerdictList';

/** From this width on there is room for rails and drill side by side. */
const WIDE = '(min-width: 64rem)';

/**
 * What the draft does: beside the rails, or on a phone a strip with the curve and its leading numbers that is drawn up
 * for all of it. Either way it is in sight while a rail is moved.
 */
export function DrillAside() {
  const { verdicts } = useBench();
  const isWide = useIsWide();
  const [isUp, setUp] = useState(false);
  const isFull = isWide || isUp;
  return (
    <aside
      aria-label="What the draft does"
      className={`flex flex-col gap-3 border-rule bg-sheet px-5 max-lg:border-t max-lg:border-ink lg:sticky lg:top-0 lg:max-h-[calc(100dvh-10.25rem)] lg:self-start lg:border-l lg:py-3 ${
        isUp
          ? 'max-lg:h-[calc(100dvh-8rem)] max-lg:overflow-y-auto max-lg:pb-4'
          : // As high as the strip before the page knows that it is on a phone, too.
            'max-lg:h-23 max-lg:overflow-hidden'
      }`}
    >
      <div className={`min-h-0 lg:overflow-y-auto ${isFull && !isUp ? 'max-lg:invisible' : ''}`}>
        <DrillPanel isFull={isFull} docked={isWide ? undefined : { isUp, setUp }} />
      </div>
      {isFull && verdicts.length > 0 && (
        <div className={`lg:min-h-28 lg:flex-1 lg:basis-0 lg:overflow-y-auto ${isUp ? '' : 'max-lg:hidden'}`}>
          <VerdictList verdicts={verdicts} />
        </div>
      )}
    </aside>
  );
}

/** Whether the window is wide; while the server draws, it is. */
const useIsWide = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const query = matchMedia(WIDE);
      query.addEventListener('change', changed);
      return () => query.removeEventListener('change', changed);
    },
    () => matchMedia(WIDE).matches,
    () => true,
  );
