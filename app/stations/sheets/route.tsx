import { changedSince, NO_HAND_VALUES, handChangesOf } from '#core/rig/handValues';
import { changesOf, type Draft } from '#core/sheet/draft';
import { changedSinceSetUp, type Step } from '#core/setUps/setUp';
import { LARGEST_DOCUMENT_BYTES, readDocument } from '#formats/document';
import { readForm } from '#server/readBody';
import { firstEsc } from '#server/repositories/escOfRig';
import { stopsAtSheet } from '#server/repositories/observations';
import { setUpsOf } from '#server/repositories/setUps';
import { importSheet, newestOwnSheets, pageOfSheets } from '#server/repositories/sheets';
import { data, Link, useNavigate } from 'react-router';
import { Button } from '../../ui/Button';
import { ImportOne } from '../../ui/ImportOne';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { Find } from '../../ui/Find';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Pager } from '../../ui/Pager';
import { Time } from '../../ui/Time';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { Steps } from '../setUps/Steps';
import { ShelfNav } from './ShelfNav';
import { SheetTable } from './SheetTable';
import { TakeAsDraft } from './TakeAsDraft';
import type { Route } from './+types/route';

export async function loader({ params, request }: Route.LoaderArgs) {
  const { rigId, sheetCount } = await benchOf(params.rigId);
  const { searchParams } = new URL(request.url);
  const [sheets, [newest, before]] = await Promise.all([
    pageOfSheets(rigId, searchParams.get('q') ?? '', Number(searchParams.get('page') ?? 1)),
    newestOwnSheets(rigId, 2),
  ]);
  const undo =
    newest?.origin === 'loaded'
      ? {
          number: newest.number,
          byHand: sheets.lines.find(({ number }) => number === newest.number)?.byHandBefore ?? NO_HAND_VALUES,
          stops: await stopsAtSheet(firstEsc(rigId), newest.sheet.changedItemIds, before?.number),
        }
      : undefined;
  const setUps = new Map((await setUpsOf(rigId)).map(({ setUp }) => [setUp.id, setUp]));
  const sinceSetUp = Object.fromEntries(
    sheets.lines.flatMap(({ number, sheet }) => {
      const setUp = sheet.setUp && setUps.get(sheet.setUp.id);
      return setUp ? [[number, changedSinceSetUp(setUp, sheet)] as const] : [];
    }),
  );
  return { sheets, undo, sheetCount, sinceSetUp };
}

export async function action({ params, request }: Route.ActionArgs) {
  const { rigId, profile } = await benchOf(params.rigId);
  const form = await readForm(request);
  const file = form.get('file');
  if (!(file instanceof File) || file.size === 0) return refused('Choose a file first.');
  if (file.size > LARGEST_DOCUMENT_BYTES) return refused(`“${file.name}” is too large for a sheet.`);
  const read = readDocument(await file.text());
  if (!read.ok) return data({ problems: read.problems, sentence: '' }, { status: 400 });
  if (read.value.format !== 'live-tune/sheet')
    return refused('This file is not a sheet. Import rigs and ESC profiles under All rigs.');
  const { format: _format, version: _version, ...sheet } = read.value;
  if (sheet.profileId !== profile.id) {
    return refused(
      `This sheet is for “${sheet.profileName}”; this rig has a “${profile.name}”. Its stop numbers mean something else.`,
    );
  }
  const { outcome, number } = await importSheet(rigId, sheet);
  const sentences = {
    added: `Imported as sheet ${number}.`,
    equal: `You already have it: sheet ${number} equals the file.`,
    differs: `Sheet ${number} is this sheet, but the file differs. Sheets are never overwritten.`,
  };
  return { problems: [], sentence: sentences[outcome] };
}

const refused = (sentence: string) =>
  data({ problems: [{ path: '', sentence }], sentence: '' }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** Sheets: what was loaded, when, and on what evidence. */
export default function SheetsRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { rigId } = useBench();
  const { sheets, undo, sheetCount, sinceSetUp } = loaderData;
  const { lines, ...place } = sheets;
  return (
    <div className="max-w-4xl px-5 py-6">
      <ShelfNav />
      <h1 className="mt-4 text-3xl">Sheets</h1>
      {sheetCount === 0 && (
        <p className="mt-3 text-lg">
          No sheets yet. Each finished load saves one.{' '}
          <Link to={`/rigs/${rigId}/tune`} className="underline">
            Go to Tune
          </Link>{' '}
          and change something.
        </p>
      )}
      {sheetCount > lines.length && (
        <div className="mt-4" role="search">
          <Find placeholder="number, note …" />
        </div>
      )}
      {sheetCount > 0 && lines.length === 0 && (
        <p className="mt-3 text-lg">No sheet has these words in its number, note or rig name.</p>
      )}
      {lines.map(({ number, origin, sheet, byHandBefore }, index) => (
        <article key={sheet.id} className="mt-5 border-t border-ink pt-3" aria-labelledby={`sheet-${number}`}>
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
            <h2 id={`sheet-${number}`} className="text-2xl">
              Sheet {number}
            </h2>
            <p className="text-muted">
              {ORIGIN_WORDS[origin]} <Time iso={sheet.keptAt} /> · {sheet.rigName} · {sheet.profileName},
              revision {sheet.profileRevision}
            </p>
            <p className="ml-auto flex gap-4">
              <OwnersOnly>
                {undo?.number === number && <UndoLoad {...undo} />}
                <TakeAsDraft sheet={sheet} byHand={origin === 'imported' ? {} : sheet.byHand} />
              </OwnersOnly>
              <Link className="underline underline-offset-4" to={`/rigs/${rigId}/sheets/${number}`}>
                Print<span className="sr-only"> sheet {number}</span>
              </Link>
              <a
                className="underline underline-offset-4"
                href={`/rigs/${rigId}/sheets/${number}.json`}
                download
              >
                Export<span className="sr-only"> sheet {number}</span>
              </a>
            </p>
          </div>
          {sheet.setUp && <OfSetUp setUp={sheet.setUp} since={sinceSetUp[number]} />}
          <details open={index === 0}>
            <summary className="min-h-9 cursor-pointer py-1 text-muted">
              {sheet.values.length} values
              {sheet.otherEscs.length > 0 && ` of each of ${sheet.otherEscs.length + 1} ESCs`},{' '}
              {sheet.changedItemIds.length + changedSince(byHandBefore, sheet.byHand).length} changed by this
              load
            </summary>
            <SheetTable sheet={sheet} byHandBefore={byHandBefore} />
          </details>
        </article>
      ))}
      <Pager of="sheets" {...place} shown={lines.length} />
      <ImportOne label="Import a sheet" actionData={actionData} />
    </div>
  );
}

const ORIGIN_WORDS = {
  loaded: 'loaded',
  imported: 'imported; kept',
  backup: 'saved before a change; read',
} as const;

/** The set-up that a sheet is of, and what it has otherwise. */
function OfSetUp({ setUp, since }: { setUp: { id: string; name: string }; since: Step[] | undefined }) {
  const { rigId } = useBench();
  return (
    <div>
      <p>
        Set-up{' '}
        <Link className="underline underline-offset-4" to={`/rigs/${rigId}/set-ups/${setUp.id}`}>
          {setUp.name}
        </Link>
        {since?.length === 0 && ', just as it is'}
        {since !== undefined && since.length > 0 && `, ${since.length} changed since:`}
      </p>
      {since !== undefined && since.length > 0 && <Steps steps={since} from={setUp.name} />}
    </div>
  );
}

/** Undoing a load is a load of its own: what was changed is drafted as it was, and the plan made. */
function UndoLoad({ stops, byHand }: Pick<Draft, 'stops' | 'byHand'>) {
  const { rigId, rig, profile, holdings, moveAll } = useBench();
  const navigate = useNavigate();
  if (changesOf(profile, holdings, { stops }).length + handChangesOf(rig, byHand).length === 0) return null;
  const plan = (): void => {
    moveAll(stops, byHand);
    void navigate(`/rigs/${rigId}/load`);
  };
  return (
    <Button look="quiet" className="min-h-0 py-0" onClick={plan}>
      Undo this load
    </Button>
  );
}
