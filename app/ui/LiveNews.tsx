import { useLive } from './useLive';
import { useYou } from './useYou';

/** Says for a moment who changed what is looked at; the page shows it by then. */
export function LiveNews() {
  const by = useLive(useYou().isShared);
  return (
    <div role="status" className="pointer-events-none fixed inset-x-0 top-1 z-40 text-center print:hidden">
      {by !== undefined && (
        <span className="rounded-sm border border-ink bg-sheet px-3.5 py-1 text-sm">
          Changed by {by} just now
        </span>
      )}
    </div>
  );
}
