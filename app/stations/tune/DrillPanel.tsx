import { DRILLS, type DrillId } from '#core/physics/drills/runDrill';
import { alternativesTo, type Range } from '#core/physics/drills/band';
import type { DrillNumber } from '#core/physics/drills/drill';
import { assumptionsOf } from '#core/sensitivity/assumptions';
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
import type { DrillPair } from '../../workers/drills.worker';
import { BrakeMap } from './BrakeMap';
import { oneStepOn } from '#core/esc/stopOrder';
import { LapPanel } from './LapPanel';
import { RestsOn } from './RestsOn';
import { useDrill } from './useDrill';
import { useSayEffect } from './useSayEffect';

const DrillChart = lazy(() => import('./DrillChart'));

/** The chosen manoeuvre, as the ESC is and as it is drafted, with its numbers. */
export function DrillPanel() {
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
      const its = withHandValues(rig, draft.setup);
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
  const draftedRig = useMemo(() => withHandValues(rig, newest.setup), [rig, newest.setup]);
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

  return (
    <Tabs.Root value={drill} onValueChange={(value) => setDrill(value as DrillId)}>
      <DrillTabs kind={rig.vehicle.kind} />
      <Tabs.Content value={drill} className="mt-3">
        <div className="min-h-64">
          {shown?.ok && (
            <Suspense>
              <DrillChart {...shown.pair} />
            </Suspense>
          )}
          {shown?.ok === false && <Notice grade="caution" title={shown.sentence} />}
        </div>
        {shown?.ok && <Numbers {...shown.pair} />}
        {drill === 'brake' && <BrakeMap />}
        {drill === 'stint' && <LapPanel />}
        <p className="mt-3 text-sm text-muted">
          {shown?.ok && shown.pair.band && (
            <span className="block text-caution">
              The band shows what the ESC may do: some values are unknown.
            </span>
          )}
          {rig.motorCount > 1 &&
            ` The numbers are for one of ${rig.motorCount} motors. The pack feeds all of them.`}
        </p>
        <div className="text-sm text-muted">
          <RestsOn key={drill} request={restsOn} assumed={assumptionsOf(rig).length} />
        </div>
      </Tabs.Content>
    </Tabs.Root>
  );
}

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

/** Drawn once: a moving lozenge waits for nothing that stays. */
const DrillTabs = memo(function DrillTabs({ kind }: { kind: VehicleKind }) {
  return (
    <Tabs.List aria-label="Drill" className="flex flex-wrap gap-1">
      {Object.entries(DRILLS[kind]).map(([id, name]) => (
        <Tabs.Trigger
          key={id}
          value={id}
          className="min-h-11 rounded-sm px-3.5 font-bold data-[state=active]:bg-ink data-[state=active]:text-film"
        >
          {name}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
  );
});

function Numbers({ now, band, draft }: DrillPair) {
  return (
    <table className="mt-2 w-full text-left">
      <thead className="sr-only">
        <tr>
          <th>What</th>
          <th>On the ESC</th>
          <th>Draft</th>
          <th>In words</th>
        </tr>
      </thead>
      <tbody>
        {draft.numbers.map((number) => {
          // A number that only the draft has was never reached before.
          const before = now.numbers.find(({ id }) => id === number.id) ?? { ...number, value: undefined };
          const range = band?.numbers[number.id];
          const word = difference(before, number);
          return (
            <tr key={number.id} className="border-t border-rule">
              <th scope="row" className="py-1.5 pr-2 font-normal">
                {number.name}
              </th>
              <td className="text-right whitespace-nowrap">
                {range ? `${rangeWords(range, number.decimals)} →` : word ? `${plain(before)} →` : ''}
              </td>
              <td className={`pl-1.5 text-right font-bold whitespace-nowrap ${word ? 'text-draft' : ''}`}>
                {plain(number)} {number.value === undefined ? '' : number.unit}
              </td>
              <td className="w-24 pl-2 text-right text-sm text-muted">{word}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const plain = ({ value, decimals }: DrillNumber): string =>
  value === undefined ? 'never' : value.toFixed(decimals).replace('-', '−');

/** A range to the digits that the number is shown with. */
const rangeWords = ({ low, high }: Range, decimals: number): string =>
  `${low.toFixed(decimals)} to ${high.toFixed(decimals)}`;

/** The plain word for a number that changed by more than its last digit shows; empty where it did not. */
function difference(before: DrillNumber, after: DrillNumber): string {
  if (plain(before) === plain(after)) return '';
  const from = before.value ?? Infinity;
  const to = after.value ?? Infinity;
  return to < from ? after.less : after.more;
}
