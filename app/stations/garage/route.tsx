import { LARGEST_DOCUMENT_BYTES } from '#formats/document';
import { importDocument } from '#server/importDocument';
import { readForm } from '#server/readBody';
import { pageOfRigs, type Shelf } from '#server/repositories/garageList';
import { currentGarage } from '#server/repositories/garages';
import { copyRig, findBench, forgetRig, placeRig, type Placing } from '#server/repositories/rigs';
import { Plus } from 'lucide-react';
import { data, Form, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { FilePicker } from '../../ui/FilePicker';
import { Find } from '../../ui/Find';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Pager } from '../../ui/Pager';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { useListParams } from '../../ui/useListParams';
import { useYou } from '../../ui/useYou';
import type { Route } from './+types/route';
import { AtHome } from '../days/AtHome';
import { atHome } from '../days/atHome.server';
import { DeletedRow } from './DeletedRow';
import { RigRow } from './RigRow';
import { isSort, SORTS } from './sorts';

export async function loader({ request }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const { searchParams } = new URL(request.url);
  const [shelf, sort] = [searchParams.get('show'), searchParams.get('sort')];
  const [page, reminders] = await Promise.all([
    pageOfRigs(garage.id, {
      shelf: shelf === 'aside' || shelf === 'deleted' ? shelf : 'kept',
      sort: isSort(sort) ? sort : 'touched',
      typed: searchParams.get('q') ?? '',
      page: Number(searchParams.get('page') ?? 1),
    }),
    atHome(garage.id, Date.now()),
  ]);
  return { ...page, reminders };
}

export async function action({ request }: Route.ActionArgs) {
  const form = await readForm(request);
  const garage = await currentGarage();
  const rigId = form.get('rigId');
  const intent = form.get('intent');
  if (typeof rigId === 'string' && typeof intent === 'string') return onRig(garage.id, rigId, intent);
  const file = form.get('file');
  if (!(file instanceof File) || file.size === 0) return refused('Choose a file first.');
  if (file.size > LARGEST_DOCUMENT_BYTES)
    return refused(`“${file.name}” is too large for a Live Tune document.`);
  const result = await importDocument(garage.id, await file.text());
  if (!result.ok) return data({ problems: result.problems, sentence: '', undo: undefined }, { status: 400 });
  const { rigId: madeId, otherEsc } = result.value;
  if (madeId) throw redirect(`/rigs/${madeId}/rig${otherEsc ? '?esc=other' : ''}`);
  return { problems: [], sentence: result.value.sentence, undo: undefined };
}

/** What was done, and what undoes it. */
const PLACINGS: Readonly<Record<Placing, { sentence: string; undo: Placing | undefined }>> = {
  archive: { sentence: 'Archived. Find it under “archived”.', undo: 'unarchive' },
  unarchive: { sentence: 'Back on the list.', undo: undefined },
  delete: { sentence: 'Moved to the bin with its sheets and calibrations.', undo: 'bringBack' },
  bringBack: { sentence: 'Restored from the bin.', undo: undefined },
};

async function onRig(garageId: string, rigId: string, intent: string) {
  if (intent === 'copy') {
    const bench = await findBench(garageId, rigId);
    if (bench) throw redirect(`/rigs/${await copyRig(bench, garageId)}/rig`);
  }
  if (intent === 'forget')
    return (await forgetRig(garageId, rigId))
      ? { problems: [], sentence: 'Deleted for good.', undo: undefined }
      : refused('That rig is not in the bin.');
  if (!Object.hasOwn(PLACINGS, intent)) return refused('That is not possible with a rig.');
  const placing = intent as Placing;
  if (!(await placeRig(garageId, rigId, placing))) return refused('That rig no longer exists.');
  const { sentence, undo } = PLACINGS[placing];
  return { problems: [], sentence, undo: undo && { rigId, placing: undo } };
}

const refused = (sentence: string) =>
  data({ problems: [{ path: '', sentence }], sentence: '', undo: undefined }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** Below this many there is nothing to search. */
const SEARCHED_FROM = 4;

export default function GarageRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { answer, busy } = useAnswer(actionData);
  const { isOwner } = useYou();
  const { params, change } = useListParams();
  const { lines, onShelves, shelf, reminders, ...place } = loaderData;
  return (
    <Page wide>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-4xl">{HEADINGS[shelf]}</h1>
        {isOwner && (
          <Button look="main" asChild>
            <Link to="/rigs/new">
              <Plus className="size-5" aria-hidden="true" />
              New rig
            </Link>
          </Button>
        )}
      </div>
      {shelf === 'kept' && <AtHome reminders={reminders} />}
      {onShelves[shelf] >= SEARCHED_FROM && (
        <div className="mt-4 flex flex-wrap items-center gap-x-6 gap-y-2" role="search">
          <Find key={shelf} placeholder="name, class, ESC, kV …" />
          <label className="flex items-center gap-2">
            in order of
            <select
              value={params.get('sort') ?? 'touched'}
              onChange={(event) => change('sort', event.target.value)}
              className="min-h-11 rounded-sm border border-muted bg-sheet px-2"
            >
              {Object.entries(SORTS).map(([key, words]) => (
                <option key={key} value={key}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        </div>
      )}
      <div className="mt-3 flex min-h-6 items-center gap-3" role="status">
        {answer?.sentence && <p className="font-bold text-ok">{answer.sentence}</p>}
        {answer?.undo && (
          <Form method="post">
            <input type="hidden" name="rigId" value={answer.undo.rigId} />
            <Button type="submit" name="intent" value={answer.undo.placing}>
              Undo
            </Button>
          </Form>
        )}
      </div>
      <AwayNotice answer={actionData} />
      {answer && <Problems problems={answer.problems} title="Nothing was changed." />}

      {lines.length === 0 ? (
        <p className="mt-6 text-xl">
          <NoneShown shelf={shelf} typed={params.get('q') ?? ''} onShelves={onShelves} />
        </p>
      ) : (
        <ul className="mt-3 border-t border-rule">
          {lines.map((rig) =>
            shelf === 'deleted' ? (
              <DeletedRow key={rig.id} rig={rig} busy={busy} />
            ) : (
              <RigRow key={rig.id} rig={rig} archived={shelf === 'aside'} busy={busy} />
            ),
          )}
        </ul>
      )}
      <Pager of="rigs" {...place} shown={lines.length} />
      <Shelves shown={shelf} onShelves={onShelves} />

      <OwnersOnly>
        <section className="mt-10" aria-labelledby="files">
          <h2 id="files" className="text-xl">
            Files
          </h2>
          <p className="mt-1 text-muted">Import a rig or an ESC profile exported by Live Tune.</p>
          <div className="mt-3">
            <FilePicker label="Import a file" />
          </div>
        </section>
      </OwnersOnly>
    </Page>
  );
}

type Tally = Route.ComponentProps['loaderData']['onShelves'];

const HEADINGS = { kept: 'All rigs', aside: 'Archive', deleted: 'The bin' } as const;

/** The ways to the other shelves, where something lies there. */
function Shelves({ shown, onShelves }: { shown: Shelf; onShelves: Tally }) {
  const ways = [
    { shelf: 'kept', to: '/', words: 'Back to all rigs', open: shown !== 'kept' },
    { shelf: 'aside', to: '/?show=aside', words: `${onShelves.aside} archived`, open: onShelves.aside > 0 },
    {
      shelf: 'deleted',
      to: '/?show=deleted',
      words: `${onShelves.deleted} in the bin`,
      open: onShelves.deleted > 0,
    },
  ] as const;
  return (
    <p className="mt-4 flex flex-wrap gap-x-6">
      {ways
        .filter(({ shelf, open }) => open && shelf !== shown)
        .map(({ shelf, to, words }) => (
          <Link
            key={shelf}
            to={to}
            className="inline-flex min-h-11 items-center underline underline-offset-4 hover:text-draft"
          >
            {words}
          </Link>
        ))}
    </p>
  );
}

/** Why there is nothing on the list. */
function NoneShown({ shelf, typed, onShelves }: { shelf: Shelf; typed: string; onShelves: Tally }) {
  if (typed !== '' && onShelves[shelf] > 0) return `No rig matches “${typed}”.`;
  if (shelf === 'deleted') return 'The bin is empty.';
  if (shelf === 'aside') return 'No rig is archived.';
  if (onShelves.aside > 0) return 'All rigs are archived.';
  return (
    <>
      No rigs yet. Describe the model on your bench with <em>New rig</em>: a label, a kitchen scale and a few
      minutes are enough.
    </>
  );
}
