import type { TestDay } from '#core/days/day';
import type { Minute, PlannedStep } from '#core/days/dayProblem';
import { clockOnDay, minuteOf } from '#core/days/zoned';
import { useCallback, useMemo } from 'react';
import { Problems } from '../../ui/Problems';
import { useMinute } from '../../ui/useNow';
import { ChargingCautions } from '../packs/ChargingCautions';
import { AlarmBar } from './AlarmBar';
import { CalendarButton } from './CalendarButton';
import { KnownNow } from './KnownNow';
import type { DayViewData } from './dayData.server';
import { DaySaved } from './DaySaved';
import { NextTestStep } from './NextTestStep';
import { PlanQuestions } from './PlanQuestions';
import { PlanResources } from './PlanResources';
import { stepWords, type Names } from './stepWords';
import { Timeline, type Lane } from './Timeline';
import { useDay } from './useDay';
import { useDaysWorker } from './useDaysWorker';
import { useFacts } from './useFacts';
import { useTestPlan } from './useTestPlan';

interface Props {
  day: TestDay;
  revision: number;
  view: DayViewData;
}

/** A test day: the next thing, the plan, what was dropped and why, and what goes into it. */
export function TestDayView({ day: kept, revision, view }: Props) {
  const now = useMinute(view.now);
  const worker = useDaysWorker();
  const { day, save, saved, isSaving } = useDay(kept, revision);
  const saveFacts = useCallback((facts: TestDay['facts']) => save({ facts }), [save]);
  const { isWorking, faults } = useFacts(worker, day, view.rigs, now, saveFacts);
  const questions = useMemo(() => view.rigs.flatMap((rig) => rig.questions), [view.rigs]);
  const facts = useMemo(
    () => ({
      day,
      rigs: view.rigs.map(({ rigId, rig, believed }) => ({ rigId, rig, held: believed })),
      questions,
      packs: view.packs,
      runs: view.runs,
    }),
    [day, view, questions],
  );
  const planned = useTestPlan(worker, facts, now);
  const names = namesOf(view, questions);
  const clock = (minute: Minute): string => clockOnDay(minute, day.timeZone, day.date);
  const steps = planned?.plan.steps ?? [];
  const hasPlan = day.questions.length > 0;
  return (
    <>
      <DaySaved {...saved} />
      {hasPlan && (
        <>
          <NextTestStep
            day={day}
            steps={steps}
            now={now}
            names={names}
            isPlanned={planned !== undefined}
            isSaving={isSaving}
            save={save}
          />
          <AlarmBar
            now={now}
            timeZone={day.timeZone}
            alarms={steps.map((step) => ({ id: stepId(step), at: step.from, words: stepWords(step, names) }))}
          />
        </>
      )}
      {isWorking && <p role="status">Working out loads and cooling …</p>}
      <Problems
        problems={faults.map((sentence) => ({ path: '', sentence }))}
        title="This day cannot be planned."
      />
      {planned && hasPlan && (
        <section aria-label="The plan" className="mt-6">
          <h2 className="text-2xl">The plan</h2>
          <p className="text-muted">
            {planned.plan.steps.length === 0
              ? 'Nothing is left to do.'
              : `Made at ${clock(planned.at)}. It ends at ${clock(planned.plan.endsAt)}, with ${planned.plan.loadCount} ${planned.plan.loadCount === 1 ? 'load' : 'loads'}.`}
            {!planned.plan.isProven && ' The best that was found; not every order was tried.'}
          </p>
          {steps.length > 0 && (
            <Timeline
              label="The plan along the clock"
              lanes={lanesOf(steps, names)}
              now={now}
              timeZone={day.timeZone}
            />
          )}
          <ol className="mt-2 border-t border-rule empty:hidden">
            {steps.map((step) => (
              <li key={stepId(step)} className="flex gap-x-4 border-b border-rule py-1.5">
                <span className="w-24 shrink-0 font-bold">{clock(step.from)}</span>
                <span className="min-w-0">{stepWords(step, names)}</span>
              </li>
            ))}
          </ol>
          {planned.dropped.length > 0 && (
            <>
              <h3 className="mt-4 text-xl">Left out</h3>
              <ul className="mt-1">
                {planned.dropped.map(({ questionId, because }) => (
                  <li key={questionId} className="py-1">
                    <strong>{names.question(questionId)}</strong> {because}
                  </li>
                ))}
              </ul>
            </>
          )}
          <p className="mt-3 print:hidden">
            <CalendarButton
              worker={worker}
              name={day.name}
              place={day.place}
              entries={steps
                .filter(({ kind }) => kind !== 'load')
                .map((step) => ({
                  id: `${day.id}-${stepId(step)}`,
                  from: step.from,
                  to: step.to,
                  words: stepWords(step, names),
                  remindsMinutesBefore: 0,
                }))}
            />
          </p>
          <div className="mt-3 max-w-2xl">
            <ChargingCautions />
          </div>
        </section>
      )}
      <KnownNow day={day} rigs={view.rigs} runs={view.runs} />
      <PlanQuestions day={day} view={view} worker={worker} save={save} />
      <PlanResources
        day={day}
        packs={view.packs}
        save={save}
        startsAt={minuteOf(day.startsAt, day.timeZone)}
      />
    </>
  );
}

/** The same step keeps its name when it moves. */
function stepId(step: PlannedStep): string {
  switch (step.kind) {
    case 'charge':
      return `charge-${step.packId}-${step.from}`;
    case 'load':
      return `load-${step.rigId}-${step.questionId ?? 'back'}-${step.from}`;
    case 'run':
      return `run-${step.questionId}-${step.side}-${step.from}`;
  }
}

function namesOf(view: DayViewData, questions: DayViewData['rigs'][0]['questions']): Names {
  return {
    rig: (rigId) => view.rigNames.find((one) => one.rigId === rigId)?.name ?? 'a rig that is gone',
    pack: (packId) => view.packs.find(({ pack }) => pack.id === packId)?.pack.label ?? 'a pack that is gone',
    question: (id) => questions.find((one) => one.id === id)?.words ?? 'A question that is closed.',
    side: (id, side) => {
      const question = questions.find((one) => one.id === id);
      return question ? `${question.itemLabel} ${(side === 'A' ? question.a : question.b).label}` : side;
    },
  };
}

function lanesOf(steps: readonly PlannedStep[], names: Names): Lane[] {
  const rigs = [...new Set(steps.flatMap((step) => (step.kind === 'charge' ? [] : [step.rigId])))];
  const chargers = [...new Set(steps.flatMap((step) => (step.kind === 'charge' ? [step.charger] : [])))];
  return [
    ...rigs.map((rigId) => ({
      name: names.rig(rigId),
      bars: steps.flatMap((step) =>
        step.kind !== 'charge' && step.rigId === rigId
          ? [
              {
                id: stepId(step),
                from: step.from,
                to: step.to,
                look: step.kind,
                words: step.kind === 'run' ? step.side : 'load',
              },
            ]
          : [],
      ),
    })),
    ...chargers.toSorted().map((charger) => ({
      name: `Charger ${charger + 1}`,
      bars: steps.flatMap((step) =>
        step.kind === 'charge' && step.charger === charger
          ? [
              {
                id: stepId(step),
                from: step.from,
                to: step.to,
                look: 'charge' as const,
                words: names.pack(step.packId),
              },
            ]
          : [],
      ),
    })),
  ];
}
