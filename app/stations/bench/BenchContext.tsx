import { standingOf } from '#core/advice/standing';
import type { StopByItem } from '#core/esc/profile';
import { fittingDraft, moveDraft } from '#core/sheet/draft';
import { createContext, use, useMemo, type ReactNode } from 'react';
import type { BenchView } from './benchData.server';
import { useDraft } from './useDraft';

/** One rig as every station sees it: what is known, what is drafted, and what follows from both. */
function useBenchValue(view: BenchView) {
  const { rigId, rig, profile, holdings, memory, calibrations, sheetCount, rules } = view;
  const kept = useDraft(rigId, {
    draft: view.draft,
    revision: view.draftRevision,
  });
  const { save, status, settle } = kept;
  // For a moment after a new revision, the page still has the draft of the old one.
  const draft = useMemo(() => fittingDraft(profile, kept.draft), [profile, kept.draft]);
  return useMemo(() => {
    const standing = standingOf({
      rig,
      profile,
      holdings,
      draft,
      range: memory.range,
      calibrations,
      sheetCount,
      rules,
    });
    const move = (itemId: string, stopId: string): void => save(moveDraft(draft, holdings, itemId, stopId));
    const moveAll = (stops: StopByItem): void =>
      save(
        Object.entries(stops).reduce(
          (next, [itemId, stopId]) => moveDraft(next, holdings, itemId, stopId),
          draft,
        ),
      );
    return { ...view, ...standing, moveAll, draft, status, settle, move };
  }, [view, rig, profile, holdings, memory, calibrations, sheetCount, rules, draft, save, status, settle]);
}

type BenchValue = ReturnType<typeof useBenchValue>;

const BenchContext = createContext<BenchValue | null>(null);

export function BenchProvider({ view, children }: { view: BenchView; children: ReactNode }) {
  return <BenchContext value={useBenchValue(view)}>{children}</BenchContext>;
}

/** The rig on the bench. @throws {Error} outside a bench */
export function useBench(): BenchValue {
  const bench = use(BenchContext);
  if (!bench) throw new Error('useBench needs a BenchProvider above it');
  return bench;
}
