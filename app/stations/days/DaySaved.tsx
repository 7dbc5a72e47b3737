import type { DayConflict } from '#core/days/mergeDays';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { isNotKept } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import { Problems } from '../../ui/Problems';
import type { useDay } from './useDay';

/** What became of the last change of a day, where it was not simply kept. */
export const DaySaved = ({ told, away, conflicts, onSettled }: ReturnType<typeof useDay>['saved']) => (
  <>
    {isNotKept(away) && away.notKept === 'away' ? (
      <div role="alert">
        <Notice grade="caution" title="Live Tune does not answer. Your changes wait on this device.">
          <p>You may close the page. They are sent when you open this day and the bench answers.</p>
        </Notice>
      </div>
    ) : (
      <AwayNotice answer={away} />
    )}
    {told && <Problems problems={told.problems} title="Not saved." />}
    {conflicts.length > 0 && (
      <div role="alert">
        <Notice grade="caution" title="Somebody else changed the same things on this day.">
          <p>Theirs is kept and shown. You had entered:</p>
          <ul className="list-disc pl-6">
            {conflicts.map((conflict) => (
              <li key={conflict.path} className="wrap-anywhere">
                {inWords(conflict)}
              </li>
            ))}
          </ul>
          <p>Enter yours again where it is the right one.</p>
          <Button onClick={onSettled}>I have seen it</Button>
        </Notice>
      </div>
    )}
  </>
);

const FIELDS: Readonly<Record<string, string>> = {
  name: 'Name',
  place: 'Place',
  date: 'Date',
  timeZone: 'Time zone',
  airCelsius: 'Air, °C',
  chargers: 'Packs charged at a time',
  chargersWatched: 'Somebody stays beside the chargers',
  note: 'Note',
  startsAt: 'Begins',
  endsAt: 'Ends',
};
const LISTS: Readonly<Record<string, string>> = {
  heats: 'A heat',
  checks: 'A line of the checklist',
  prepared: 'A set-up that waits',
  questions: 'A question',
};

/** What of a line can be read; the rest are choices, which stand there by their ids. */
const READABLE = new Set(['name', 'words', 'when', 'minutes', 'startsAt', 'importance', 'runMinutes']);

function inWords({ path, mine }: DayConflict): string {
  const [field = '', within] = path.split('.');
  const what = FIELDS[field] ?? LISTS[field] ?? 'The plan';
  return `${what}: ${within === undefined || READABLE.has(within) ? typed(mine) : 'another choice'}`;
}

function typed(value: unknown): string {
  if (value === null) return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'string' || typeof value === 'number' ? String(value) : 'another choice';
}
