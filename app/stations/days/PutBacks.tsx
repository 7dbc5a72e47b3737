import type { Minute } from '#core/days/dayProblem';
import type { TimedHeat } from '#core/days/raceSchedule';
import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { OwnersOnly } from '../../ui/OwnersOnly';
import type { DayViewData } from './dayData.server';

interface Props {
  rigs: DayViewData['rigs'];
  heats: readonly TimedHeat[];
  now: Minute;
}

const HOW = {
  held: '',
  unknown: ', and nobody knows what the ESC holds',
  notVerified: ', and that was not verified yet',
} as const;

/** Values that were for the event only, once its last heat of their rig is over: until they are back for certain. */
export function PutBacks({ rigs, heats, now }: Props) {
  const due = rigs.filter(({ rigId, toPutBack }) => {
    const last = heats.findLast(({ heat }) => heat.rigId === rigId);
    return toPutBack.length > 0 && (!last || last.to <= now);
  });
  return (
    <div className="mt-3 grid gap-3 empty:hidden">
      {due.map(({ rigId, rig, toPutBack }) => (
        <Notice key={rigId} grade="caution" title={`${rig.name}: put back what was for the event.`}>
          <ul>
            {toPutBack.map(({ label, returnsTo, how }) => (
              <li key={label}>
                {label}: back to <strong>{returnsTo}</strong>
                {HOW[how]}
              </li>
            ))}
          </ul>
          <OwnersOnly>
            <Form method="post" className="mt-2">
              <input type="hidden" name="intent" value="put back" />
              <Button type="submit" look="main" name="rigId" value={rigId}>
                Put it back
              </Button>
            </Form>
          </OwnersOnly>
        </Notice>
      ))}
    </div>
  );
}
