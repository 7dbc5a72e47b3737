import { readCode, setUpFromCode } from '#core/setUps/code';
import { asTree, SET_UP_ORIGINS, stepsBetween, type Placed, type SetUp } from '#core/setUps/setUp';
import { nameFault } from '#core/units/text';
import { LARGEST_DOCUMENT_BYTES, readDocument } from '#formats/document';
import { jsonOf, readForm, textOf } from '#server/readBody';
import {
  keepSetUp,
  archiveSetUp,
  MOST_SET_UPS,
  setUpsOf,
  type StoredSetUp,
} from '#server/repositories/setUps';
import { newestSheets } from '#server/repositories/sheets';
import { setUpFrom } from '#server/setUpFrom';
import type { Bench } from '#server/repositories/rigs';
import { data, Form, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Problems } from '../../ui/Problems';
import { Time } from '../../ui/Time';
import { useAnswer } from '../../ui/useAnswer';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { ShelfNav } from '../sheets/ShelfNav';
import { MakeSetUp } from './MakeSetUp';
import { Steps } from './Steps';
import { TakeIn } from './TakeIn';
import { TakeSetUp } from './TakeSetUp';
import type { Route } from './+types/route';

const SHEETS_OFFERED = 20;

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const [kept, sheets] = await Promise.all([setUpsOf(rigId), newestSheets(rigId, SHEETS_OFFERED)]);
  return {
    kept,
    onEsc: sheets.find(({ origin }) => origin !== 'imported')?.sheet.setUp ?? null,
    sheets: sheets.map(({ number, sheet }) => ({ number, keptAt: sheet.keptAt })),
  };
}

export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const form = await readForm(request);
  const text = (name: string): string => textOf(form, name);
  switch (text('intent')) {
    case 'make':
      return make(bench, form);
    case 'code':
      return takeCode(bench, text('code'));
    case 'import':
      return takeFile(bench, form.get('file'));
    case 'archive':
    case 'unarchive': {
      const isArchived = text('intent') === 'archive';
      const found = await archiveSetUp(bench.rigId, text('setUpId'), isArchived);
      if (!found) return refused('That set-up no longer exists.');
      return { problems: [], sentence: isArchived ? 'Archived. It stays below.' : 'Back on the list.' };
    }
    default:
      return refused('That is not possible with a set-up.');
  }
}

async function make(bench: Bench, form: FormData) {
  const text = (name: string): string => textOf(form, name);
  const name = text('name');
  const fault = nameFault(name);
  if (fault !== undefined) return refused(`The set-up ${fault}`, 'name');
  const words = { name, isFor: text('isFor'), by: text('by'), note: text('note') };
  const long = Object.entries(words).find(([, value]) => value.length > 1000);
  if (long) return refused('This is too long: 1,000 letters fit.', long[0]);
  const unread = text('unread').slice(0, 800);
  const note = [words.note, unread && `Not understood: ${unread}`].filter(Boolean).join('\n');
  const setUp = await setUpFrom(bench, text('source'), { ...words, note }, jsonOf(form, 'list'));
  if (!setUp) return refused('There is no value to keep. Type a list, or choose something else.', 'source');
  return kept(bench, setUp);
}

async function takeCode(bench: Bench, code: string) {
  const read = readCode(code);
  if (!read.ok) return data({ problems: read.problems, sentence: '' }, { status: 400 });
  if (read.value.profileId !== bench.profile.id) return refused(otherEsc(read.value.name, bench));
  const { setUp, unknown } = setUpFromCode(read.value, bench.profile);
  const note = unknown.length === 0 ? '' : `This ESC does not have: ${unknown.join(', ')}.`;
  return kept(bench, { ...setUp, note });
}

async function takeFile(bench: Bench, file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0) return refused('Choose a file first.');
  if (file.size > LARGEST_DOCUMENT_BYTES) return refused(`“${file.name}” is too large for a set-up.`);
  const read = readDocument(await file.text());
  if (!read.ok) return data({ problems: read.problems, sentence: '' }, { status: 400 });
  if (read.value.format !== 'live-tune/set-up')
    return refused(
      'This file is not a set-up. Import sheets under Sheets, rigs and ESC profiles under All rigs.',
    );
  const { setUp } = read.value;
  if (setUp.profileId !== bench.profile.id) return refused(otherEsc(setUp.name, bench));
  return kept(bench, { ...setUp, origin: 'file' });
}

const otherEsc = (name: string, { profile }: Bench): string =>
  `“${name}” is for another ESC than “${profile.name}”. Read its file under “For another ESC”.`;

async function kept({ rigId }: Bench, setUp: SetUp) {
  const outcome = await keepSetUp(rigId, setUp);
  if (outcome === 'added') throw redirect(`/rigs/${rigId}/set-ups/${setUp.id}`);
  const sentences = {
    equal: `You already have “${setUp.name}”; it is equal.`,
    differs: `You already have this set-up, said in other words. Yours stays as it is.`,
    full: `${MOST_SET_UPS} set-ups fit on a rig. Take one of another rig, or make a copy of this rig.`,
  };
  return refused(sentences[outcome]);
}

const refused = (sentence: string, path = '') =>
  data({ problems: [{ path, sentence }], sentence: '' }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** The set-ups of a rig: named sets of values, each behind what it came from. */
export default function SetUpsRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { kept: all, sheets, onEsc } = loaderData;
  const { answer } = useAnswer(actionData);
  const tree = asTree(all.filter(({ archived }) => !archived).map(({ setUp }) => setUp));
  const archived = all.filter((one) => one.archived);
  return (
    <div className="max-w-5xl px-5 py-6">
      <ShelfNav />
      <h1 className="mt-4 text-3xl">Set-ups</h1>
      <p className="mt-1 max-w-2xl text-muted">
        A set-up is a named set of values: practice, race, the dusty day. Switching loads only what differs.
      </p>
      <div className="mt-3" aria-live="polite">
        <AwayNotice answer={actionData} />
        {answer?.sentence && <p className="font-bold text-ok">{answer.sentence}</p>}
        {answer && <Problems problems={answer.problems} title="Nothing was kept." />}
      </div>
      <OwnersOnly>
        <MakeSetUp sheets={sheets} isFirst={all.length === 0} />
        <TakeIn />
      </OwnersOnly>
      {tree.length > 0 && (
        <ul className="mt-6">
          {tree.map((placed) => (
            <SetUpLine key={placed.setUp.id} {...placed} isOnEsc={placed.setUp.id === onEsc?.id} />
          ))}
        </ul>
      )}
      {archived.length > 0 && <Archived setUps={archived} />}
    </div>
  );
}

/** One set-up in the tree: what it is for, and what it changed of the one above. */
function SetUpLine({ setUp, depth, parent, isOnEsc }: Placed<SetUp> & { isOnEsc: boolean }) {
  const { rigId } = useBench();
  const { id, name, isFor, by, origin, madeAt, note } = setUp;
  const said = [isFor, by && `from ${by}`].filter(Boolean).join(' · ');
  return (
    <li
      className="border-t border-rule py-3"
      style={{ marginInlineStart: `min(${depth * 1.5}rem, 20vw)` }}
      aria-labelledby={`set-up-${id}`}
    >
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 id={`set-up-${id}`} className="text-xl">
          {depth > 0 && <span aria-hidden="true">└ </span>}
          <Link to={`/rigs/${rigId}/set-ups/${id}`} className="underline underline-offset-4">
            {name}
          </Link>
        </h2>
        {isOnEsc && <span className="font-bold text-ok">loaded last</span>}
        <p className="text-sm text-muted">
          {SET_UP_ORIGINS[origin]}, <Time iso={madeAt} />
        </p>
      </div>
      {said && <p>{said}</p>}
      {note && <p className="max-w-2xl whitespace-pre-line text-muted">{note}</p>}
      {parent && <Steps steps={stepsBetween(parent, setUp)} from={parent.name} />}
      <div className="mt-1 flex flex-wrap items-center gap-x-4">
        <OwnersOnly>
          <TakeSetUp setUp={setUp} />
        </OwnersOnly>
        <Button look="quiet" asChild>
          <Link to={`/rigs/${rigId}/compare?b=set-up:${id}`}>
            Compare<span className="sr-only"> {name}</span>
          </Link>
        </Button>
        <Button look="quiet" asChild>
          <Link to={`/rigs/${rigId}/set-ups/${id}/card`}>
            Card and code<span className="sr-only"> of {name}</span>
          </Link>
        </Button>
        <OwnersOnly>
          <Form method="post">
            <input type="hidden" name="setUpId" value={id} />
            <Button type="submit" look="quiet" name="intent" value="archive">
              Archive<span className="sr-only"> {name}</span>
            </Button>
          </Form>
        </OwnersOnly>
      </div>
    </li>
  );
}

function Archived({ setUps }: { setUps: readonly StoredSetUp[] }) {
  return (
    <details className="mt-8 border-t border-rule pt-3">
      <summary className="min-h-11 cursor-pointer py-2">{setUps.length} archived</summary>
      <ul>
        {setUps.map(({ setUp }) => (
          <li key={setUp.id} className="flex flex-wrap items-center gap-4 border-t border-rule py-1">
            <span>{setUp.name}</span>
            <OwnersOnly>
              <Form method="post">
                <input type="hidden" name="setUpId" value={setUp.id} />
                <Button type="submit" look="quiet" name="intent" value="unarchive">
                  Put back on the list<span className="sr-only">: {setUp.name}</span>
                </Button>
              </Form>
            </OwnersOnly>
          </li>
        ))}
      </ul>
    </details>
  );
}
