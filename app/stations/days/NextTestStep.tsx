import type { TestDay } from '#core/days/day';
import type { Minute, PlannedStep } from '#core/days/dayProblem';
import { clockOnDay, clockTime } from '#core/days/zoned';
import { roughSpan } from '#core/units/format';
import { Link, useFetcher } from 'react-router';
import { Button } from '../../ui/Button';
import { ChargingLine } from '../packs/ChargingCautions';
import { NextThing } from './NextThing';
import { stepWords, WAITS, type Names } from './stepWords';

interface Props {
  day: TestDay;
  steps: readonly PlannedStep[];
  now: Minute;
  names: Names;
  isPlanned: boolean;
  isSaving: boolean;
  save: (part: Partial<TestDay>) => void;
}

const LATE_BY = [10, 30];

/** What the driver does next, and what to tell where it does not go as planned. */
export function NextTestStep({ day, steps, now, names, isPlanned, isSaving, save }: Props) {
  const clock = clockTime(now, day.timeZone);
  const next = steps[0];
  if (!next)
    return (
      <NextThing
        clock={clock}
        title={isPlanned ? 'Nothing is left to do.' : 'Planning …'}
        when={isPlanned ? 'See below what is known now.' : ''}
      />
    );
  const happened = (what: TestDay['events'][0]['what'], questionId = '', minutes = 0): void =>
    save({ events: [...day.events, { at: new Date().toISOString(), what, questionId, minutes }] });
  const wait = next.from - now;
  const when = [
    wait > 0 ? `At ${clockOnDay(next.from, day.timeZone, day.date)}, in ${roughSpan(wait)}` : 'Now',
    ...(next.kind === 'run' && next.waitsFor ? [WAITS[next.waitsFor]] : []),
  ].join(', ');
  return (
    <NextThing clock={clock} title={stepWords(next, names)} when={`${when}.`}>
      <DoIt step={next} day={day} names={names} />
      {LATE_BY.map((minutes) => (
        <Button key={minutes} disabled={isSaving} onClick={() => happened('late', '', minutes)}>
          {minutes} min late
        </Button>
      ))}
      {next.kind !== 'charge' && next.questionId !== null && (
        <Button disabled={isSaving} onClick={() => happened('skip', next.questionId ?? '')}>
          Skip this question
        </Button>
      )}
      <Button look="quiet" disabled={isSaving} onClick={() => happened('end')}>
        End the day here
      </Button>
    </NextThing>
  );
}

function DoIt({ step, day, names }: { step: PlannedStep; day: TestDay; names: Names }) {
  const fetcher = useFetcher();
  if (step.kind === 'charge')
    return (
      <fetcher.Form method="post" action={`/days/${day.id}`}>
        <input type="hidden" name="intent" value="did" />
        <input type="hidden" name="packId" value={step.packId} />
        <ChargingLine />
        <Button type="submit" look="main" name="doing" value="onCharger">
          It is on the charger
        </Button>
      </fetcher.Form>
    );
  if (step.kind === 'load')
    return (
      <Button look="main" asChild>
        <Link
          to={step.questionId === null ? `/rigs/${step.rigId}/load` : `/rigs/${step.rigId}/runs/questions`}
        >
          {step.questionId === null ? 'Put it back' : 'Load it'}
        </Link>
      </Button>
    );
  const { runMinutes } = day.questions.find(({ questionId }) => questionId === step.questionId) ?? {
    runMinutes: 0,
  };
  const note = new URLSearchParams({
    day: day.id,
    pack: names.pack(step.packId),
    minutes: String(runMinutes),
    side: `${step.questionId} ${step.side}`,
  });
  return (
    <Button look="main" asChild>
      <Link to={`/rigs/${step.rigId}/runs?${note.toString()}`}>Driven: note it</Link>
    </Button>
  );
}
