import type { RaceDay } from '#core/days/day';
import type { Minute } from '#core/days/dayProblem';
import { heatsInOrder, raceSchedule, type RaceStep } from '#core/days/raceSchedule';
import { clockOnDay, clockTime } from '#core/days/zoned';
import { useNow } from '../../ui/useNow';
import { ChargingCautions } from '../packs/ChargingCautions';
import { AlarmBar } from './AlarmBar';
import { CalendarButton } from './CalendarButton';
import type { DayViewData } from './dayData.server';
import { DaySaved } from './DaySaved';
import { HeatTable } from './HeatTable';
import { NextRaceStep } from './NextRaceStep';
import { PutBacks } from './PutBacks';
import { RaceLists } from './RaceLists';
import { raceWords, type RaceNames } from './raceWords';
import { Timeline, type Lane } from './Timeline';
import { useDay } from './useDay';
import { useDaysWorker } from './useDaysWorker';

interface Props {
  day: RaceDay;
  revision: number;
  view: DayViewData;
}

/** A race day: the next thing, its heats with what the model says of them, what has to be charged, and what is put back. */
export function RaceDayView({ day: kept, revision, view }: Props) {
  const now = Math.floor(useNow(view.now) / 60_000);
  const worker = useDaysWorker();
  const { day, save, saved } = useDay(kept, revision);
  const names = namesOf(day, view);
  const { steps, faults } = raceSchedule(day, view.packs, now);
  const clock = (minute: Minute): string => clockOnDay(minute, day.timeZone, day.date);
  const heats = heatsInOrder(day);
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
      <HeatTable day={day} view={view} faults={faults} worker={worker} save={save} />
      {steps.length > 0 && (
        <section aria-label="The day along the clock" className="mt-6">
          <h2 className="text-2xl">Along the clock</h2>
          <div className="mt-2 hidden sm:block print:block">
            <Timeline
              label="The race day along the clock"
              lanes={lanesOf(steps, names)}
              from={Math.min(...steps.map(({ from }) => from))}
              to={Math.max(...steps.map(({ to }) => to))}
              now={now}
              clock={(minute) => clockTime(minute, day.timeZone)}
            />
          </div>
          <ol className="mt-2 border-t border-rule">
            {steps.map((step) => (
              <li key={raceStepId(step)} className="flex gap-x-4 border-b border-rule py-1.5">
                <span className="w-24 shrink-0 font-bold">{clock(step.from)}</span>
                <span className="min-w-0">
                  {raceWords(step, names)}
                  {step.kind === 'charge' && `, at the latest by ${clock(step.latest)}`}
                </span>
              </li>
            ))}
          </ol>
          <p className="mt-3 print:hidden">
            <CalendarButton
              worker={worker}
              name={day.name}
              place={day.place}
              entries={steps.map((step) => ({
                id: `${day.id}-${raceStepId(step)}`,
                from: step.from,
                to: step.to,
                words: raceWords(step, names),
                remindsMinutesBefore: step.kind === 'heat' ? 10 : 0,
              }))}
            />
          </p>
          {steps.some(({ kind }) => kind === 'charge') && (
            <div className="mt-3 max-w-2xl">
              <ChargingCautions />
            </div>
          )}
        </section>
      )}
      <RaceLists day={day} view={view} save={save} />
    </>
  );
}

const raceStepId = (step: RaceStep): string =>
  `${step.kind}-${step.kind === 'putBack' ? step.rigId : step.heatId}`;

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

function lanesOf(steps: readonly RaceStep[], names: RaceNames): Lane[] {
  const rigs = [...new Set(steps.flatMap((step) => (step.kind === 'charge' ? [] : [step.rigId])))];
  const packs = [...new Set(steps.flatMap((step) => (step.kind === 'charge' ? [step.packId] : [])))];
  return [
    ...rigs.map((rigId) => ({
      name: names.rig(rigId),
      bars: steps.flatMap((step) =>
        step.kind !== 'charge' && step.rigId === rigId
          ? [
              {
                id: raceStepId(step),
                from: step.from,
                to: step.to,
                look: step.kind === 'heat' ? ('heat' as const) : ('load' as const),
                words:
                  step.kind === 'heat' ? names.heat(step.heatId) : step.kind === 'load' ? 'load' : 'put back',
              },
            ]
          : [],
      ),
    })),
    ...packs.map((packId) => ({
      name: names.pack(packId),
      bars: steps.flatMap((step) =>
        step.kind === 'charge' && step.packId === packId
          ? [{ id: raceStepId(step), from: step.from, to: step.to, look: 'charge' as const, words: 'charge' }]
          : [],
      ),
    })),
  ];
}
