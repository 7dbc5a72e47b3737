import type { ProfileItem } from '#core/esc/profile';
import { momentsOf, type MomentId } from '#core/settings/moments';
import { VOCABULARY } from '#core/settings/vocabulary';
import type { VehicleKind } from '#core/rig/rig';
import { Suspense, useMemo, useState } from 'react';
import { usePreferences } from '../../preferences/usePreferences';
import { BenchInView, useBench } from '../bench/BenchContext';
import { BankChoice } from './BankChoice';
import { ChangeBar } from './ChangeBar';
import { Disagreements } from './Disagreements';
import { DrillAside } from './DrillAside';
import { EssentialRails } from './EssentialRails';
import { LastMoveProvider } from './lastMove';
import { Matters } from './Matters';
import { MomentStrip } from './MomentStrip';
import { OffTheEsc } from './OffTheEsc';
import { RailList } from './RailList';
import { ToolRow } from './ToolRow';
import { useRailKeys } from './useRailKeys';
import { WaysOn } from './WaysOn';

/** Tune: every setting at the moment it is felt, and what a move does to the drive. */
export default function TuneRoute() {
  const [bankStopId, setBankStopId] = useState<string>();
  return (
    <LastMoveProvider>
      <div className="flex flex-1 flex-col">
        <h1 className="sr-only">Tune</h1>
        <BankChoice looked={bankStopId} onLook={setBankStopId} />
        <BenchInView bankStopId={bankStopId}>
          <RailsAndTrace />
        </BenchInView>
      </div>
    </LastMoveProvider>
  );
}

function RailsAndTrace() {
  const { profile, changes, draftedRig: rig, goals } = useBench();
  const { essentialsOnly } = usePreferences();
  const { kind } = rig.vehicle;
  const groups = useMemo(() => groupByMoment(profile.items, kind), [profile, kind]);
  useRailKeys();
  const [current, setCurrent] = useState<MomentId>(groups[0]![0]);
  const changed = new Set(changes.map(({ itemId }) => itemId));
  const changedIn = (moment: MomentId): number =>
    profile.items.filter(({ id, setting }) => changed.has(id) && VOCABULARY[setting].moment === moment)
      .length;
  return (
    <>
      <ToolRow />
      <div className="grid flex-1 lg:grid-cols-[minmax(0,1fr)_29.5rem]">
        <div className="min-w-0 px-5 pb-8 max-lg:pb-44">
          {!essentialsOnly && (
            <MomentStrip
              kind={kind}
              moments={groups.map(([moment]) => moment)}
              changedIn={changedIn}
              current={current}
              onGo={setCurrent}
            />
          )}
          <WaysOn />
          {essentialsOnly ? (
            <EssentialRails />
          ) : (
            <RailList groups={groups} current={current} onCurrent={setCurrent} />
          )}
          {/* Of its own, so that the rails answer before what lies below them. */}
          <Suspense>
            <OffTheEsc />
            <Disagreements
              profile={profile}
              cells={rig.pack.cells}
              vehicleClass={rig.vehicleClass}
              taken={goals.schools}
            />
            <Matters />
          </Suspense>
        </div>
        {/* On a phone both stay above the station bar; on a desk each has its place in the grid. */}
        <div className="max-lg:fixed max-lg:inset-x-0 max-lg:bottom-16 max-lg:z-5 md:max-lg:bottom-0 md:max-lg:left-37 lg:contents">
          <DrillAside />
          <ChangeBar />
        </div>
      </div>
    </>
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
