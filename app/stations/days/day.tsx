import { planOf, type Day } from '#core/days/day';
import { dayInWords } from '#core/days/zoned';
import { problemsOf } from '#formats/document';
import { daySchema } from '#formats/day';
import { whoAsks } from '#server/access/who';
import { jsonOf, readForm, textOf } from '#server/readBody';
import { deleteDay, saveDay } from '#server/repositories/days';
import { askedSchema } from '#formats/question';
import { addPackEntries, findPack } from '#server/repositories/packs';
import { keepAsked } from '#server/repositories/asked';
import { sameJson } from '#server/repositories/escProfiles';
import { isCount } from '#server/repositories/ids';
import { findBench } from '#server/repositories/rigs';
import { readPackEntry } from '../packs/packForm';
import type { Asked } from '#core/runs/asked';
import { randomUUID } from 'node:crypto';
import { data, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { Confirm } from '../../ui/Confirm';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { draftForEvent, draftPutBack } from './dayActions.server';
import { dayOf, dayView } from './dayData.server';
import { RaceDayView } from './RaceDayView';
import { TestDayView } from './TestDayView';
import type { Route } from './+types/day';

export async function loader({ params }: Route.LoaderArgs) {
  const { day, revision, garageId } = await dayOf(params.dayId);
  return { day, revision, view: await dayView(garageId, day) };
}

export async function action({ params, request }: Route.ActionArgs) {
  const { day, garageId } = await dayOf(params.dayId);
  const form = await readForm(request);
  const intent = textOf(form, 'intent');
  const { role } = whoAsks();
  if (role !== 'owner' && intent !== 'save' && intent !== 'did') return refused(OWNERS);
  switch (intent) {
    case 'save':
      return save(garageId, day, jsonOf(form, 'day'), Number(textOf(form, 'revision')));
    case 'did':
      return notePack(garageId, form);
    case 'ask':
      return ask(garageId, textOf(form, 'rigId'), jsonOf(form, 'asked'));
    case 'draft': {
      const rigId = textOf(form, 'rigId');
      const refusal = await draftForEvent(garageId, day, rigId, textOf(form, 'setUpId'));
      if (refusal !== undefined) return refused(refusal);
      throw redirect(`/rigs/${rigId}/load`);
    }
    case 'put back': {
      const rigId = textOf(form, 'rigId');
      const refusal = await draftPutBack(garageId, rigId);
      if (refusal !== undefined) return refused(refusal);
      throw redirect(`/rigs/${rigId}/load`);
    }
    case 'delete':
      await deleteDay(garageId, day.id);
      throw redirect('/days');
    default:
      return refused('That is not possible with a day.');
  }
}

const OWNERS = 'Only the owner changes the plan. You tick what is done.';

async function save(garageId: string, known: Day, sent: unknown, revision: number) {
  const problems = problemsOf(daySchema as unknown as Parameters<typeof problemsOf>[0], sent);
  if (problems.length > 0) return data({ problems, outcome: 'refused' as const }, { status: 400 });
  const day = sent as Day;
  if (day.id !== known.id || day.kind !== known.kind) return refused('This is another day.');
  // A helper ticks; the plan itself is the owner's.
  if (whoAsks().role !== 'owner' && !sameJson(planOf(known), planOf(day))) return refused(OWNERS);
  if (!isCount(revision)) return refused('The request was incomplete. Load this page again.');
  const saved = await saveDay(garageId, day, revision);
  if (saved === 'gone') throw data(null, { status: 404 });
  return { problems: [], outcome: saved === 'changed' ? ('changed' as const) : ('kept' as const) };
}

async function notePack(garageId: string, form: FormData) {
  const life = await findPack(garageId, textOf(form, 'packId'));
  if (!life) return refused('That pack is no longer on the shelf.');
  const made = { id: randomUUID(), at: new Date().toISOString() };
  const { entry, problems } = readPackEntry(form, life, made);
  if (problems.length > 0) return data({ problems, outcome: 'refused' as const }, { status: 400 });
  await addPackEntries(garageId, life.pack.id, [entry]);
  return { problems: [], outcome: 'kept' as const };
}

/** A question that the model proposed is asked of its rig, as if its driver had asked it. */
async function ask(garageId: string, rigId: string, asked: unknown) {
  const problems = problemsOf(askedSchema as Parameters<typeof problemsOf>[0], asked);
  if (problems.length > 0) return data({ problems, outcome: 'refused' as const }, { status: 400 });
  const bench = await findBench(garageId, rigId);
  if (!bench) return refused('That rig is no longer there.');
  const { itemId } = asked as Asked;
  if (!bench.profile.items.some(({ id }) => id === itemId)) return refused('This ESC has no such item.');
  return (await keepAsked(rigId, asked as Asked))
    ? { problems: [], outcome: 'kept' as const }
    : refused('No more questions fit on this rig.');
}

const refused = (sentence: string) =>
  data({ problems: [{ path: '', sentence }], outcome: 'refused' as const }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;
export const meta: Route.MetaFunction = () => [{ title: 'Day · Live Tune' }];

/** A day at the track: what comes next, large; then all of it. */
export default function DayRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { day, revision, view } = loaderData;
  const { answer } = useAnswer(actionData);
  return (
    <Page>
      <p className="print:hidden">
        <Link to="/days" className="underline underline-offset-4">
          All days
        </Link>
      </p>
      <h1 className="mt-2 text-3xl wrap-anywhere sm:text-4xl">{day.name}</h1>
      <p className="text-muted">{[dayInWords(day.date), day.place].filter(Boolean).join(' · ')}</p>
      <AwayNotice answer={actionData} />
      {answer && <Problems problems={answer.problems} title="Nothing was changed." />}
      {day.kind === 'test' ? (
        <TestDayView key={day.id} day={day} revision={revision} view={view} />
      ) : (
        <RaceDayView key={day.id} day={day} revision={revision} view={view} />
      )}
      <p className="mt-8 max-w-2xl text-muted">Club rules, event rules and local law come first.</p>
      <p className="mt-2 flex flex-wrap gap-x-6 print:hidden">
        <a href={`/days/${day.id}.json`} className="min-h-11 py-2 underline underline-offset-4">
          Save as a file
        </a>
        <OwnersOnly>
          <Confirm
            trigger={<Button look="quiet">Delete this day</Button>}
            title={`Delete “${day.name}”?`}
            text="Its runs stay, and so do the values that have to be put back."
            method="post"
            fields={{ intent: 'delete' }}
            yes="Delete it"
            no="Keep it"
          />
        </OwnersOnly>
      </p>
    </Page>
  );
}
