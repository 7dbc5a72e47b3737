import { openAdvice } from '#core/advice/advise';
import { inactiveReason } from '#core/advice/inactive';
import { stopById, itemById, type ProfileItem, nameOf } from '#core/esc/profile';
import { momentName, momentsOf, type MomentId } from '#core/settings/moments';
import { VOCABULARY } from '#core/settings/vocabulary';
import type { VehicleKind } from '#core/rig/rig';
import { handChangeTitle } from '#core/rig/handValues';
import { unknownItems } from '#core/sheet/evidence';
import { memo, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { AdvisedMark, DraftMark, EscMark } from '../../ui/marks';
import { BenchInView, useBench, useNewestDraft } from '../bench/BenchContext';
import { AdviceBar } from './AdviceBar';
import { BankChoice } from './BankChoice';
import { Disagreements } from './Disagreements';
import { DrillPanel } from './DrillPanel';
import { LastMoveProvider } from './lastMove';
import { OffTheEsc } from './OffTheEsc';
import { Matters } from './Matters';
import { DriveLine } from './DriveLine';
import { Rail } from './Rail';
import { usePutBack } from './usePutBack';
import { useRailKeys } from './useRailKeys';
import { VerdictList } from './VerdictList';

/** Tune: every setting at the moment it is felt, and what a move does to the drive. */
export default function TuneRoute() {
  const [bankStopId, setBankStopId] = useState<string>();
  return (
    <LastMoveProvider>
      <div className="flex flex-1 flex-col">
        <BankChoice looked={bankStopId} onLook={setBankStopId} />
        <BenchInView bankStopId={bankStopId}>
          <RailsAndTrace />
        </BenchInView>
        <ChangeBar />
      </div>
    </LastMoveProvider>
  );
}

function RailsAndTrace() {
  const { profile, changes, verdicts, draftedRig: rig, goals } = useBench();
  const { kind } = rig.vehicle;
  const groups = useMemo(() => groupByMoment(profile.items, kind), [profile, kind]);
  useRailKeys();
  const [current, setCurrent] = useState<MomentId>(groups[0]![0]);
  const changed = new Set(changes.map(({ itemId }) => itemId));
  const changedIn = (moment: MomentId): number =>
    profile.items.filter(({ id, setting }) => changed.has(id) && VOCABULARY[setting].moment === moment)
      .length;
  return (
    <div className="grid flex-1 lg:grid-cols-[minmax(0,1fr)_29.5rem]">
      <div className="min-w-0 px-5 pt-4 pb-8">
        <h1 className="sr-only">Tune</h1>
        <DriveLine
          kind={kind}
          moments={groups.map(([moment]) => moment)}
          changedIn={changedIn}
          current={current}
          onGo={setCurrent}
        />
        <AdviceBar />
        <Legend />
        {groups.map(([moment, items]) => (
          <section
            key={moment}
            id={`moment-${moment}`}
            aria-labelledby={`title-${moment}`}
            className="scroll-mt-4 pt-5"
            onFocus={() => setCurrent(moment)}
          >
            <div className="flex flex-wrap items-baseline justify-between gap-3 pb-1">
              <h2 id={`title-${moment}`} className={`text-xl ${moment === current ? 'text-draft' : ''}`}>
                {momentName(moment, kind)}
              </h2>
              <MomentAdvice items={items} name={momentName(moment, kind)} />
            </div>
            <ul>
              {items.map((item) => (
                <ItemRail key={item.id} item={item} />
              ))}
            </ul>
          </section>
        ))}
        <OffTheEsc />
        <Disagreements
          profile={profile}
          cells={rig.pack.cells}
          vehicleClass={rig.vehicleClass}
          taken={goals.schools}
        />
        <Matters />
      </div>
      <aside aria-label="What the draft does" className="border-rule bg-sheet px-5 py-4 lg:border-l">
        <div className="grid gap-4 lg:sticky lg:top-4 lg:max-h-[calc(100dvh-7rem)] lg:overflow-y-auto">
          <DrillPanel />
          <VerdictList verdicts={verdicts} />
        </div>
      </aside>
    </div>
  );
}

function ItemRail({ item }: { item: ProfileItem }) {
  const { draftedRig: rig, profile, holdings, believed, drafted, advice, move, temporaries } = useBench();
  const draftedStopId = useNewestDraft().stops[item.id];
  return (
    <Rail
      item={item}
      cells={rig.pack.cells}
      holding={holdings[item.id]}
      draftStopId={draftedStopId ?? believed[item.id]!}
      isDrafted={draftedStopId !== undefined}
      advice={advice[item.id]}
      inactive={inactiveReason(rig, profile, drafted, item)}
      temporary={temporaries.find((one) => one.item.id === item.id)}
      onMove={move}
    />
  );
}

/** One key for what is advised at a moment. */
function MomentAdvice({ items, name }: { items: ProfileItem[]; name: string }) {
  const { sure, advice, moveAll } = useBench();
  const open = openAdvice(advice, items, sure);
  const count = Object.keys(open).length;
  if (count < 2) return null;
  return (
    <Button
      look="quiet"
      className="text-sm text-advised"
      aria-label={`Take the advice for ${name}`}
      onClick={() => moveAll(open)}
    >
      take all {count} here
    </Button>
  );
}

/** Drawn once. */
const Legend = memo(function Legend() {
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1 text-sm text-muted">
      <span className="flex items-center gap-1.5">
        <EscMark mark="verified" /> on the ESC, verified
      </span>
      <span className="flex items-center gap-1.5">
        <EscMark mark="believed" /> not verified
      </span>
      <span className="flex items-center gap-1.5">
        <EscMark mark="unknown" /> unknown
      </span>
      <span className="flex items-center gap-1.5">
        <DraftMark /> draft
      </span>
      <span className="flex items-center gap-1.5">
        <AdvisedMark /> advised
      </span>
    </p>
  );
});

const CHIPS_SHOWN = 3;

/** What differs, and the way to load it. */
function ChangeBar() {
  const { profile, holdings, changes, handChanges, changeCount, rigId, stations } = useBench();
  const { back, putBack } = usePutBack();
  const unknown = unknownItems(profile, holdings).length;
  const shown = back.length > 0 ? CHIPS_SHOWN - 1 : CHIPS_SHOWN;
  const chips = [
    ...changes.map(({ itemId, fromStopId, toStopId }) => {
      const item = itemById(profile, itemId);
      const from = fromStopId ? stopById(item, fromStopId).label : 'unknown';
      return `${nameOf(item)} ${from} → ${stopById(item, toStopId).label}`;
    }),
    ...handChanges.map(handChangeTitle),
  ];
  return (
    <div className="sticky bottom-16 z-5 flex flex-wrap items-center gap-3 border-t border-ink bg-film px-5 py-2.5 md:bottom-0">
      {changeCount === 0 && (
        <p className="text-muted">
          {unknown === 0
            ? 'The draft and the ESC are the same. Move a marker to try something.'
            : `Nothing to load; ${unknown} ${unknown === 1 ? 'value' : 'values'} on the ESC ${unknown === 1 ? 'is' : 'are'} unknown.`}
        </p>
      )}
      {chips.slice(0, shown).map((chip) => (
        <span
          key={chip}
          className="hidden rounded-full border border-draft px-3 py-1 text-sm font-bold text-draft md:inline"
        >
          {chip}
        </span>
      ))}
      {chips.length > shown && (
        <span className="hidden text-sm text-muted md:inline">and {chips.length - shown} more</span>
      )}
      {back.length > 0 && <Button onClick={putBack}>Event over: put {back.length} back</Button>}
      {changeCount > 0 && (
        <Button look="main" asChild className="ml-auto">
          <Link to={`/rigs/${rigId}/load`}>
            {stations.load.state === 'blocked'
              ? 'Load: a hazard is open'
              : `Load ${changeCount} ${changeCount === 1 ? 'change' : 'changes'}`}
          </Link>
        </Button>
      )}
    </div>
  );
}

/** In the order of one pull of the trigger, or of one flight. */
function groupByMoment(items: ProfileItem[], kind: VehicleKind): [MomentId, ProfileItem[]][] {
  return momentsOf(kind)
    .map((moment): [MomentId, ProfileItem[]] => [
      moment,
      items.filter((item) => VOCABULARY[item.setting].moment === moment),
    ])
    .filter(([, found]) => found.length > 0);
}
