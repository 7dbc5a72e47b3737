import { checklistFor } from '#core/days/checklists';
import type { Day, RaceDay, TestDay } from '#core/days/day';
import { dayInWords } from '#core/days/zoned';
import { problemsOf } from '#formats/document';
import { daySchema } from '#formats/day';
import { readForm, textOf } from '#server/readBody';
import { addDay, daysOf, MOST_DAYS } from '#server/repositories/days';
import { currentGarage } from '#server/repositories/garages';
import { packLives } from '#server/repositories/packs';
import { findRigs } from '#server/repositories/rigs';
import { today } from '#server/today';
import { randomUUID } from 'node:crypto';
import { useState } from 'react';
import { data, Form, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { useInBrowser } from '../../ui/useInBrowser';
import { INPUT } from '../rig/formParts';
import { AtHome } from './AtHome';
import { atHome } from './atHome.server';
import type { Route } from './+types/route';

export async function loader() {
  const garage = await currentGarage();
  const days = (await daysOf(garage.id)).map(({ day: { id, kind, name, place, date } }) => ({
    id,
    kind,
    name,
    place,
    date,
  }));
  return { days, today: today(), reminders: await atHome(garage.id, Date.now()) };
}

export async function action({ request }: Route.ActionArgs) {
  const garage = await currentGarage();
  const form = await readForm(request);
  const day = await newDay(garage.id, form);
  const problems = problemsOf(daySchema as unknown as Parameters<typeof problemsOf>[0], day);
  if (problems.length > 0) return data({ problems }, { status: 400 });
  if (!(await addDay(garage.id, day)))
    return data({ problems: [{ path: '', sentence: `${MOST_DAYS} days fit.` }] }, { status: 400 });
  throw redirect(`/days/${day.id}`);
}

async function newDay(garageId: string, form: FormData): Promise<Day> {
  const date = textOf(form, 'date');
  const every = {
    id: randomUUID(),
    name: textOf(form, 'name'),
    place: textOf(form, 'place'),
    timeZone: textOf(form, 'timeZone'),
    date,
    airCelsius: null,
    chargers: 1,
    chargersWatched: true,
    note: '',
  };
  if (textOf(form, 'kind') === 'race') {
    const rigs = await findRigs(garageId);
    const lines = checklistFor(rigs.map(({ rig }) => rig.vehicleClass));
    return {
      ...every,
      kind: 'race',
      heats: [],
      prepared: [],
      checks: lines.map((words) => ({ id: randomUUID(), words, doneAt: null })),
    } satisfies RaceDay;
  }
  const packs = await packLives(garageId);
  return {
    ...every,
    kind: 'test',
    startsAt: `${date}T${textOf(form, 'startsAt')}`,
    endsAt: `${date}T${textOf(form, 'endsAt')}`,
    packIds: packs.map(({ pack }) => pack.id),
    questions: [],
    facts: [],
    events: [],
  } satisfies TestDay;
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;
export const meta: Route.MetaFunction = () => [{ title: 'Days · Live Tune' }];

const KINDS = { test: 'test day', race: 'race day' } as const;

/** Days at the track: those that come, those that were, and what is to do at home. */
export default function DaysRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { days, today: date, reminders } = loaderData;
  const { answer } = useAnswer(actionData);
  const coming = days.filter((day) => day.date >= date).toReversed();
  const past = days.filter((day) => day.date < date);
  return (
    <Page>
      <h1 className="text-4xl">Days</h1>
      <AtHome reminders={reminders} />
      <DayList title="To come" days={coming} />
      <DayList title="Past" days={past} />
      <OwnersOnly>
        <details className="mt-8 border-t border-ink pt-3" open={days.length === 0}>
          <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">
            Plan a day
          </summary>
          <AwayNotice answer={actionData} />
          {answer && <Problems problems={answer.problems} title="Nothing was kept." />}
          <NewDay date={date} />
        </details>
      </OwnersOnly>
    </Page>
  );
}

type Listed = Route.ComponentProps['loaderData']['days'];

function DayList({ title, days }: { title: string; days: Listed }) {
  if (days.length === 0) return null;
  return (
    <section aria-label={title} className="mt-6">
      <h2 className="text-2xl">{title}</h2>
      <ul className="mt-1 border-t border-rule">
        {days.map(({ id, kind, name, place, date }) => (
          <li key={id} className="border-b border-rule py-2">
            <Link to={`/days/${id}`} className="font-display text-xl font-bold hover:text-draft">
              {name}
            </Link>
            <p className="text-muted">{[dayInWords(date), KINDS[kind], place].filter(Boolean).join(' · ')}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

function NewDay({ date }: { date: string }) {
  const [kind, setKind] = useState<'test' | 'race'>('test');
  const inBrowser = useInBrowser();
  const zone = inBrowser ? Intl.DateTimeFormat().resolvedOptions().timeZone : 'UTC';
  const field = `${INPUT} w-full`;
  return (
    <Form method="post" className="mt-2 grid max-w-2xl gap-3">
      <fieldset className="flex flex-wrap gap-x-6">
        <legend className="font-bold">What kind</legend>
        {(
          [
            ['test', 'A test day: questions become runs'],
            ['race', 'A race day: heats at their times'],
          ] as const
        ).map(([id, words]) => (
          <label key={id} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name="kind"
              value={id}
              checked={kind === id}
              onChange={() => setKind(id)}
              className="size-5 accent-draft"
            />
            {words}
          </label>
        ))}
      </fieldset>
      <label>
        Name
        <input name="name" required maxLength={80} placeholder="Club test day" className={field} />
      </label>
      <label>
        Place
        <input name="place" maxLength={200} className={field} />
      </label>
      <div className="grid gap-3 sm:grid-cols-2">
        <label>
          Date
          <input name="date" type="date" required defaultValue={date} className={field} />
        </label>
        <label>
          Time zone of the place
          <input key={zone} name="timeZone" required defaultValue={zone} className={field} />
        </label>
        {kind === 'test' && (
          <>
            <label>
              From
              <input name="startsAt" type="time" required defaultValue="10:00" className={field} />
            </label>
            <label>
              Until
              <input name="endsAt" type="time" required defaultValue="16:00" className={field} />
            </label>
          </>
        )}
      </div>
      <p>
        <Button type="submit" look="main">
          Plan this day
        </Button>
      </p>
    </Form>
  );
}
