import type { RaceDay } from '#core/days/day';
import type { Minute } from '#core/days/dayProblem';
import type { RaceStep } from '#core/days/raceSchedule';
import { clockOnDay, clockTime } from '#core/days/zoned';
import { roughSpan } from '#core/units/format';
import { Form, Link } from 'react-router';
import { Button } from '../../ui/Button';
import { useYou } from '../../ui/useYou';
import { ChargingLine } from '../packs/ChargingCautions';
import { NextThing } from './NextThing';
import { raceWords, type RaceNames } from './raceWords';

interface Props {
  day: RaceDay;
  steps: readonly RaceStep[];
  now: Minute;
  names: RaceNames;
}

/** What comes next between the heats, with the one tap that does it. */
export function NextRaceStep({ day, steps, now, names }: Props) {
  const clock = clockTime(now, day.timeZone);
  // Put back stands above, until it is done.
  const next = steps.find((step) => step.to > now && step.kind !== 'putBack');
  if (!next)
    return (
      <NextThing clock={clock} title="All heats are driven." when="Put back what was for the event only." />
    );
  const wait = next.from - now;
  return (
    <NextThing
      clock={clock}
      title={raceWords(next, names)}
      when={wait > 0 ? `At ${clockOnDay(next.from, day.timeZone, day.date)}, in ${roughSpan(wait)}.` : 'Now.'}
    >
      <DoIt step={next} dayId={day.id} names={names} />
    </NextThing>
  );
}

function DoIt({ step, dayId, names }: { step: RaceStep; dayId: string; names: RaceNames }) {
  const { isOwner } = useYou();
  if (step.kind === 'charge')
    return (
      <Form method="post">
        <input type="hidden" name="intent" value="did" />
        <input type="hidden" name="packId" value={step.packId} />
        <ChargingLine />
        <Button type="submit" look="main" name="doing" value="onCharger">
          It is on the charger
        </Button>
      </Form>
    );
  if (step.kind === 'load' && !isOwner)
    return (
      <Button look="main" asChild>
        <Link to={`/rigs/${step.rigId}/set-ups/${step.setUpId}`}>See what it sets</Link>
      </Button>
    );
  if (step.kind === 'load')
    return (
      <Form method="post">
        <input type="hidden" name="intent" value="draft" />
        <input type="hidden" name="rigId" value={step.rigId} />
        <Button type="submit" look="main" name="setUpId" value={step.setUpId}>
          Draft and load it
        </Button>
      </Form>
    );
  if (step.kind === 'putBack') return null;
  const note = new URLSearchParams({ day: dayId, ...(step.packId && { pack: names.pack(step.packId) }) });
  return (
    <Button look="main" asChild>
      <Link to={`/rigs/${step.rigId}/runs?${note.toString()}`}>Driven: note it</Link>
    </Button>
  );
}
