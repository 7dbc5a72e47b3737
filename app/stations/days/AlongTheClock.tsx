import type { RaceDay } from '#core/days/day';
import type { Minute } from '#core/days/dayProblem';
import type { RaceStep } from '#core/days/raceSchedule';
import { clockOnDay } from '#core/days/zoned';
import type { Remote } from 'comlink';
import type { DaysWorker } from '../../workers/days.worker';
import { ChargingCautions } from '../packs/ChargingCautions';
import { CalendarButton } from './CalendarButton';
import { raceStepId, raceWords, type RaceNames } from './raceWords';
import { Timeline, type Lane } from './Timeline';

interface Props {
  day: RaceDay;
  steps: readonly RaceStep[];
  now: Minute;
  names: RaceNames;
  worker: Remote<DaysWorker> | undefined;
}

/** All steps of a race day, as a picture, as a list, and as a calendar to take along. */
export function AlongTheClock({ day, steps, now, names, worker }: Props) {
  const clock = (minute: Minute): string => clockOnDay(minute, day.timeZone, day.date);
  return (
    <section aria-label="The day along the clock" className="mt-6">
      <h2 className="text-2xl">Along the clock</h2>
      <Timeline
        label="The race day along the clock"
        lanes={lanesOf(steps, names)}
        now={now}
        timeZone={day.timeZone}
      />
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
  );
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
