import { DRILLS, type DrillId } from '#core/physics/drills/runDrill';
import { alternativesTo } from '#core/physics/drills/band';
import { guessesOf } from '#core/rig/spreads';
import type { DraftedStops, StopByItem } from '#core/esc/profile';
import type { Rig, VehicleKind } from '#core/rig/rig';
import { withHandValues } from '#core/rig/handValues';
import { draftedStops, fittingDraft, type Draft } from '#core/sheet/draft';
import { unknownItems } from '#core/sheet/evidence';
import { escBehaviour } from '#core/physics/escChain';
import { resolveRig } from '#core/rig/resolve';
import { Tabs } from 'radix-ui';
import { lazy, memo, Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Notice } from '../../ui/Notice';
import { useBench, useNewestDraft } from '../bench/BenchContext';
import { BrakeMap } from './BrakeMap';
import { oneStepOn } from '#core/esc/stopOrder';
import { DrillNumbers } from './DrillNumbers';
import { DrillStrip, Handle, type Docked } from './DrillStrip';
import { LapPanel } from './LapPanel';
import { DraftLine, NowLine } from './lines';
import { RestsOn } from './RestsOn';
import { useDrill } from './useDrill';
import { useSayEffect } from './useSayEffect';

const DrillChart = lazy(() => import('./DrillChart'));

interface Props {
  /** Whether all of it is shown, or only a strip. */
  isFull: boolean;
  /** How the strip is drawn up and down; undefined where it has its place beside the rails. */
  docked: Docked | undefined;
}

/** The chosen drill, as the ESC is and as it is drafted, with its numbers. */
export function DrillPanel({ isFull, docked }: Props) {
  const { rig, profile, believed, holdings, memory, goals, onMoved } = useBench();
  const { use } = goals;
  const newest = useNewestDraft();
  const [drill, setDrill] = useState(() => Object.keys(DRILLS[rig.vehicle.kind])[0] as DrillId);
  const behave = useCallback(
    (of: Rig, stops: StopByItem) => escBehaviour(profile, stops, of.channel, memory.range, of.pack.cells),
    [profile, memory.range],
  );
  const asIs = useMemo(
    () => ({
      drill,
      rig: resolveRig(rig, profile, use),
      now: behave(rig, believed),
      nowInstead: alternativesTo(profile, believed, unknownItems(profile, holdings)).map((stops) =>
        behave(rig, stops),
      ),
    }),
    [drill, rig, profile, use, believed, holdings, behave],
  );
  const requestFor = useCallback(
    (draft: Draft) => {
      const drafted = draftedStops(believed, draft);
      const its = withHandValues(rig, draft.byHand);
      return { ...asIs, draft: behave(its, drafted), draftedRig: resolveRig(its, profile, use), drafted };
    },
    [asIs, rig, profile, use, believed, behave],
  );
  const request = useMemo(() => requestFor(newest), [requestFor, newest]);
  const onAsked = useCallback(
    (ask: (next: typeof request) => void) =>
      onMoved((draft) => ask(requestFor(fittingDraft(profile, draft)))),
    [onMoved, requestFor, profile],
  );
  const { drafted } = request;
  const draftedRig = useMemo(() => withHandValues(rig, newest.byHand), [rig, newest.byHand]);
  const recentlyMoved = useRecentlyMoved(drafted);
  const likely = useCallback(
    () =>
      oneStepOn(profile, drafted, recentlyMoved(), draftedRig.pack.cells).map((stops) =>
        behave(draftedRig, stops),
      ),
    [profile, drafted, recentlyMoved, draftedRig, behave],
  );
  const computed = useDrill(request, onAsked, likely);
  useSayEffect(computed);
  const shown = computed?.request.drill === drill ? computed.answer : undefined;
  const restsOn = useMemo(
    () => ({ drill, rig: draftedRig, profile, esc: request.draft, use }),
    [drill, draftedRig, profile, request.draft, use],
  );

  const name = (DRILLS[rig.vehicle.kind] as Partial<Record<DrillId, string>>)[drill]!;
  if (!isFull && docked)
    return <DrillStrip name={name} pair={shown?.ok ? shown.pair : undefined} docked={docked} />;
  return (
    <Tabs.Root value={drill} onValueChange={(value) => setDrill(value as DrillId)}>
      <div className="sticky top-0 z-1 -mx-1 flex bg-sheet px-1">
        <DrillTabs kind={rig.vehicle.kind} />
        {docked && <Handle name={name} hazards={0} docked={docked} />}
      </div>
      <Tabs.Content value={drill} className="mt-1">
        <div className="min-h-44">
          {shown?.ok && (
            <Suspense>
              <DrillChart {...shown.pair} />
            </Suspense>
          )}
          {shown?.ok === false && <Notice grade="caution" title={shown.sentence} />}
        </div>
        <Lines />
        {shown?.ok && <DrillNumbers {...shown.pair} />}
        {drill === 'brake' && <BrakeMap />}
        {drill === 'stint' && <LapPanel />}
        <p className="mt-1 text-sm text-muted">
          {shown?.ok && shown.pair.band && (
            <span className="block text-caution">
              The band shows what the ESC may do: some values are unknown.
            </span>
          )}
          {rig.motorCount > 1 &&
            ` The numbers are for one of ${rig.motorCount} motors. The pack feeds all of them.`}
        </p>
        <div className="text-sm text-muted">
          <RestsOn key={drill} request={restsOn} assumed={guessesOf(rig).length} />
        </div>
      </Tabs.Content>
    </Tabs.Root>
  );
}

/** What the two curves are. */
const Lines = memo(function Lines() {
  return (
    <p className="flex items-center gap-4 text-sm text-muted">
      <span className="flex items-center gap-1.5">
        <NowLine /> on the ESC
      </span>
      <span className="flex items-center gap-1.5">
        <DraftLine /> draft
      </span>
    </p>
  );
});

/** More rails than these nobody works at a time. */
const MOST_RECENT = 2;

/** The rails that moved last, newest first: read between drawings, never drawn. */
function useRecentlyMoved(drafted: DraftedStops): () => readonly string[] {
  const recent = useRef<readonly string[]>([]);
  const seen = useRef(drafted);
  useEffect(() => {
    const moved = Object.keys(drafted).filter((id) => drafted[id] !== seen.current[id]);
    seen.current = drafted;
    recent.current = [...new Set([...moved, ...recent.current])].slice(0, MOST_RECENT);
  }, [drafted]);
  return useCallback(() => recent.current, []);
}

/** Drawn once: a moving draft mark waits for nothing that stays. */
const DrillTabs = memo(function DrillTabs({ kind }: { kind: VehicleKind }) {
  return (
    <Tabs.List aria-label="Drill" className="flex min-w-0 flex-1 gap-0.5 overflow-x-auto pb-1">
      {Object.entries(DRILLS[kind]).map(([id, name]) => (
        <Tabs.Trigger
          key={id}
          value={id}
          className="min-h-9 rounded-sm px-2.5 font-bold whitespace-nowrap pointer-coarse:min-h-11 data-[state=active]:bg-ink data-[state=active]:text-film"
        >
          {name}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
  );
});
