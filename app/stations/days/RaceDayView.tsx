import type { RaceDay } from '#core/days/day';
import { raceSchedule, type RaceStep } from '#core/days/raceSchedule';
import { useMemo } from 'react';
import { useMinute } from '../../ui/useNow';
import { AlongTheClock } from './AlongTheClock';
import { AlarmBar } from './AlarmBar';
import type { DayViewData } from './dayData.server';
import { DaySaved } from './DaySaved';
import { HeatTable } from './HeatTable';
import { NextRaceStep } from './NextRaceStep';
import { PutBacks } from './PutBacks';
import { RaceLists } from './RaceLists';
import { raceStepId, raceWords, type RaceNames } from './raceWords';
import { useDay } from './useDay';
import { useDaysWorker } from './useDaysWorker';

interface Props {
  day: RaceDay;
  revision: number;
  view: DayViewData;
}

/** A race day: the next thing, its heats with what the model says of them, what has to be charged, and what is put back. */
export function RaceDayView({ day: kept, revision, view }: Props) {
  const now = useMinute(view.now);
  const worker = useDaysWorker();
  const { day, save, saved } = useDay(kept, revision);
  const names = namesOf(day, view);
  // Its clocks cost a phone a long look.
  const { heats, steps, faults } = useMemo(() => raceSchedule(day, view.packs, now), [day, view.packs, now]);
  return (
    <>
      <DaySaved {...saved} />
      <PutBacks rigs={view.rigs} heats={heats} now={now} />
      {heats.length > 0 && (
        <>
          <NextRaceStep day={day} steps={steps} now={now} names={names} />
          <AlarmBar now={now} timeZone={day.timeZone} alarms={alarmsOf(steps, names)} />
        </>
      )}
      <HeatTable day={day} view={view} heats={heats} faults={faults} worker={worker} save={save} />
      {steps.length > 0 && <AlongTheClock day={day} steps={steps} now={now} names={names} worker={worker} />}
      <RaceLists day={day} view={view} save={save} />
    </>
  );
}

/** A charge is due when it must begin at the latest; all else when it begins. */
const alarmsOf = (steps: readonly RaceStep[], names: RaceNames) =>
  steps.map((step) => ({
    id: raceStepId(step),
    at: step.kind === 'charge' ? Math.min(step.latest, step.from) : step.from,
    words: raceWords(step, names),
  }));

function namesOf(day: RaceDay, view: DayViewData): RaceNames {
  return {
    rig: (rigId) => view.rigNames.find((one) => one.rigId === rigId)?.name ?? 'a rig that is gone',
    pack: (packId) => view.packs.find(({ pack }) => pack.id === packId)?.pack.label ?? 'a pack that is gone',
    heat: (heatId) => day.heats.find(({ id }) => id === heatId)?.name ?? '',
    setUp: (rigId, setUpId) =>
      view.rigs.find((one) => one.rigId === rigId)?.setUps.find(({ id }) => id === setUpId)?.name ??
      'a set-up that is gone',
  };
}
