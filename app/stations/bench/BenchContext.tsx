import { adviceOn } from '#core/advice/advise';
import { standingOf } from '#core/advice/standing';
import { verdictsOn } from '#core/advice/verdicts/verdictsOn';
import { profileOn, type EscProfile, type StopByItem } from '#core/esc/profile';
import { NO_HAND_VALUES, withHandValues, type HandValues, type HandValueKey } from '#core/rig/handValues';
import { rangesOf } from '#core/calibration/escs';
import {
  changesOf,
  fittingDraft,
  moveDraft,
  moveHandValue,
  type Draft,
  type Reasons,
} from '#core/sheet/draft';
import { believedStops } from '#core/sheet/evidence';
import { intentsForOther } from '#core/sheet/severalEscs';
import { createContext, use, useCallback, useDeferredValue, useMemo, type ReactNode } from 'react';
import type { BenchView } from './benchData.server';
import { useDraft } from './useDraft';
import { useDriven } from './useDriven';
import { useKeptGoals } from './useKeptGoals';
import { useResting } from './useResting';

/** One rig as every station sees it: what is known, what is drafted, and what follows from both. */
function useBenchValue(view: BenchView) {
  const { rigId, rig, profile, holdings, escs, memory, calibrations, sheetCount, runs, rules, today } = view;
  const { goals, changeGoals } = useKeptGoals(rigId, view.goals);
  const kept = useDraft(rigId, {
    draft: view.draft,
    revision: view.draftRevision,
  });
  const { onMoved, change, undo, redo, status, settle } = kept;
  const newestDraft = useFitting(profile, kept.draft);
  // Verdicts and all that follows may come a moment later than the draft mark and the trace.
  const draft = useFitting(profile, useDeferredValue(useResting(kept.draft)));
  const steps = useDeferredValue(kept.steps);
  const facts = useMemo(
    () => ({
      rig,
      profile,
      holdings,
      otherEscs: escs.slice(1),
      draft,
      range: memory.range,
      calibrations,
      sheetCount,
      runs,
      rules,
      goals,
      today,
    }),
    [rig, profile, holdings, escs, memory, calibrations, sheetCount, runs, rules, goals, today, draft],
  );
  // A stint takes its time, on an odd rig a long one: the server has others to answer, and the page is seen first.
  const { isDriven, verdicts: asDriven } = useDriven(facts);
  const isAsOpened = !isDriven && kept.draft === view.draft && goals === view.goals;
  const verdicts = isAsOpened ? view.verdicts : asDriven;
  const standing = useMemo(
    () => ({ ...standingOf({ ...facts, withoutStint: !isDriven, verdicts }), draft: facts.draft }),
    [facts, isDriven, verdicts],
  );
  const moveAll = useCallback(
    (stops: StopByItem, byHand: HandValues = NO_HAND_VALUES, reasons: Reasons = {}): void =>
      change((before) => {
        const moved = Object.entries(stops).reduce(
          (next, [itemId, stopId]) => moveDraft(next, holdings, itemId, stopId),
          fittingDraft(profile, before),
        );
        const all = Object.entries(byHand).reduce(
          (next, [key, value]) => moveHandValue(next, rig, key as HandValueKey, value),
          moved,
        );
        return { ...all, reasons: { ...all.reasons, ...reasons } };
      }),
    [change, profile, rig, holdings],
  );
  const move = useCallback(
    (itemId: string, stopId: string): void => moveAll({ [itemId]: stopId }),
    [moveAll],
  );
  /** Another draft in place of this one. */
  const takeDraft = useCallback(
    (other: Draft): void => change(() => fittingDraft(profile, other)),
    [change, profile],
  );
  const draftedRig = useMemo(() => withHandValues(rig, draft.byHand), [rig, draft.byHand]);
  const advice = useMemo(
    () => adviceOn({ rig: draftedRig, goals, rules }, profile),
    [draftedRig, goals, rules, profile],
  );
  const bench = useMemo(
    () => ({
      ...view,
      ...standing,
      changeCount: standing.changes.length + standing.handChanges.length,
      draftedRig,
      goals,
      changeGoals,
      advice,
      move,
      moveAll,
      takeDraft,
      onMoved,
      history: { undo, redo, steps },
    }),
    [
      view,
      standing,
      draftedRig,
      goals,
      changeGoals,
      advice,
      move,
      moveAll,
      takeDraft,
      onMoved,
      undo,
      redo,
      steps,
    ],
  );
  const keeping = useMemo(() => ({ status, settle }), [status, settle]);
  return { bench, newestDraft, keeping };
}

/** For a moment after a new revision of the profile, the page still has the draft of the old one. */
const useFitting = (profile: EscProfile, draft: Draft): Draft =>
  useMemo(() => fittingDraft(profile, draft), [profile, draft]);

type BenchValue = ReturnType<typeof useBenchValue>['bench'];
type Keeping = Pick<ReturnType<typeof useDraft>, 'status' | 'settle'>;

const BenchContext = createContext<BenchValue | null>(null);
/** Ahead of the bench: a draft mark waits for no verdict. */
const NewestDraftContext = createContext<Draft | null>(null);
/** Beside the bench: it changes with every request, and only the header shows it. */
const KeepingContext = createContext<Keeping | null>(null);

export function BenchProvider({ view, children }: { view: BenchView; children: ReactNode }) {
  const { bench, newestDraft, keeping } = useBenchValue(view);
  return (
    <BenchContext value={bench}>
      <NewestDraftContext value={newestDraft}>
        <KeepingContext value={keeping}>{children}</KeepingContext>
      </NewestDraftContext>
    </BenchContext>
  );
}

/**
 * The same bench with another ESC of the model to work on: what it holds, and what it still has to be given to hold what the
 * first one will.
 */
export function BenchOfEsc({ escNumber, children }: { escNumber: number; children: ReactNode }) {
  const bench = useBench();
  const value = useMemo(() => (escNumber === 1 ? bench : withOtherEsc(bench, escNumber)), [bench, escNumber]);
  return <BenchContext value={value}>{children}</BenchContext>;
}

function withOtherEsc(bench: BenchValue, escNumber: number): BenchValue {
  const { rig, profile, escs, memory: first, calibrations, draft, handChanges } = bench;
  const { holdings, memory } = escs.find((esc) => esc.escNumber === escNumber)!;
  const stops = intentsForOther(profile, bench.holdings, draft, holdings);
  const changes = changesOf(profile, holdings, { stops });
  const range = rangesOf(rig, profile, first.range, calibrations)[escNumber - 1]!;
  return {
    ...bench,
    escNumber,
    holdings,
    believed: believedStops(profile, holdings),
    memory: { ...memory, range },
    draft: { ...draft, stops },
    changes,
    changeCount: changes.length + handChanges.length,
  };
}

/**
 * The same bench with the items that are in the menu: those of the draft, or of a bank that is only looked at. What the ESC
 * would do with that bank is told as if it were chosen.
 * @param bankStopId the bank that is looked at; undefined for the one that is drafted
 */
export function BenchInView({
  bankStopId,
  children,
}: {
  bankStopId: string | undefined;
  children: ReactNode;
}) {
  const bench = useBench();
  const value = useMemo(() => inView(bench, bankStopId), [bench, bankStopId]);
  return <BenchContext value={value}>{children}</BenchContext>;
}

function inView(bench: BenchValue, bankStopId: string | undefined): BenchValue {
  const { profile, drafted, believed, draftedRig: rig, memory, rules, goals } = bench;
  const bankId = profile.banks?.itemId;
  if (bankId === undefined || bankStopId === undefined || drafted[bankId] === bankStopId)
    return { ...bench, profile: profileOn(profile, drafted) };
  const stops = { ...drafted, [bankId]: bankStopId };
  return {
    ...bench,
    profile: profileOn(profile, stops),
    drafted: stops,
    believed: { ...believed, [bankId]: bankStopId },
    verdicts: verdictsOn({ rig, profile, stops, range: memory.range, rules, goals, withoutStint: true }),
  };
}

/** The draft as it was moved last, for what follows the finger. @throws {Error} outside a bench */
export function useNewestDraft(): Draft {
  const draft = use(NewestDraftContext);
  if (!draft) throw new Error('useNewestDraft needs a BenchProvider above it');
  return draft;
}

/** How far the draft is kept, and the choice where another page kept one too. @throws {Error} outside a bench */
export function useKeeping(): Keeping {
  const keeping = use(KeepingContext);
  if (!keeping) throw new Error('useKeeping needs a BenchProvider above it');
  return keeping;
}

/** The rig on the bench. @throws {Error} outside a bench */
export function useBench(): BenchValue {
  const bench = use(BenchContext);
  if (!bench) throw new Error('useBench needs a BenchProvider above it');
  return bench;
}
