import { LARGEST_DOCUMENT_BYTES, problemsOf, readDocument } from '#formats/document';
import { askedSchema } from '#formats/question';
import type { Asked } from '#core/runs/asked';
import { jsonOf, readForm, textOf } from '#server/readBody';
import { askedOf, closeAsked, keepAsked, MOST_ASKED } from '#server/repositories/asked';
import { openTrial } from '#server/openTrial';
import { keepRunFile } from '#server/keepRunFile';
import { currentGarage } from '#server/repositories/garages';
import { packLabels } from '#server/repositories/packs';
import { pageOfRuns } from '#server/repositories/runs';
import type { Bench } from '#server/repositories/rigs';
import { data } from 'react-router';
import { Find } from '../../ui/Find';
import { ImportOne } from '../../ui/ImportOne';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Pager } from '../../ui/Pager';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { FromEsc } from './FromEsc';
import { AfterRun } from './AfterRun';
import { NoteRun } from './NoteRun';
import { RunLine } from './RunLine';
import { RunsNav } from './RunsNav';
import { useWaitingRuns } from './WaitingRuns';
import type { Route } from './+types/route';

export async function loader({ params, request }: Route.LoaderArgs) {
  const { rigId, rig } = await benchOf(params.rigId);
  const { searchParams } = new URL(request.url);
  const [runs, asked, packs] = await Promise.all([
    pageOfRuns(rigId, searchParams.get('q') ?? '', Number(searchParams.get('page') ?? 1)),
    askedOf(rigId),
    packLabels((await currentGarage()).id, rig.pack.cells),
  ]);
  const questions = asked.filter(({ isClosed }) => !isClosed).map(({ asked: one }) => one);
  return {
    runs,
    packs,
    ...(await openTrial(rigId, asked)),
    questions: questions.filter((one) => one.kind === 'compare'),
  };
}

export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const form = await readForm(request);
  switch (textOf(form, 'intent')) {
    case 'try':
      return ask(bench, jsonOf(form, 'asked'));
    case 'close': {
      const found = await closeAsked(bench.rigId, textOf(form, 'id'));
      return found ? { problems: [], sentence: '' } : refused('That is no longer asked.');
    }
    case 'import':
      return takeFile(bench, form.get('file'));
    default:
      return refused('That is not possible with runs.');
  }
}

async function ask({ rigId, profile }: Bench, asked: unknown) {
  const problems = problemsOf(askedSchema as Parameters<typeof problemsOf>[0], asked);
  if (problems.length > 0) return data({ problems, sentence: '' }, { status: 400 });
  const { itemId } = asked as Asked;
  if (!profile.items.some(({ id }) => id === itemId)) return refused('This ESC has no such item.');
  return (await keepAsked(rigId, asked as Asked))
    ? { problems: [], sentence: '' }
    : refused(`${MOST_ASKED} questions fit on a rig. Save this rig, and go on with a copy.`);
}

async function takeFile({ rigId, profile }: Bench, file: FormDataEntryValue | null) {
  if (!(file instanceof File) || file.size === 0) return refused('Choose a file first.');
  if (file.size > LARGEST_DOCUMENT_BYTES) return refused(`“${file.name}” is too large for a run.`);
  const read = readDocument(await file.text());
  if (!read.ok) return data({ problems: read.problems, sentence: '' }, { status: 400 });
  if (read.value.format !== 'live-tune/run')
    return refused('This file is not a run. Import rigs and ESC profiles under All rigs.');
  const { run } = read.value;
  if (run.profileId !== profile.id)
    return refused(`This run was driven with a “${run.profileName}”; this rig has a “${profile.name}”.`);
  const kept = await keepRunFile(rigId, read.value);
  if (!kept.ok) return data({ problems: kept.problems, sentence: '' }, { status: 400 });
  const { outcome, number } = kept.value;
  const sentences = {
    added: `Imported as run ${number}.`,
    equal: `You already have it: run ${number} equals the file.`,
    differs: `Run ${number} is this run, said in other words. Yours stays as it is.`,
  };
  return { problems: [], sentence: sentences[outcome] };
}

const refused = (sentence: string) =>
  data({ problems: [{ path: '', sentence }], sentence: '' }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** Runs: what the drive says comes back. */
export default function RunsRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { runs, packs, last, trial, since, questions } = loaderData;
  const { runs: facts } = useBench();
  const waiting = useWaitingRuns();
  const { lines, ...place } = runs;
  return (
    <div className="max-w-6xl px-5 py-5">
      <RunsNav />
      <h1 className="mt-3 text-3xl">Note a run</h1>
      <div className="mt-2 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,27rem)_minmax(0,1fr)]">
        <NoteRun last={last?.run} questions={questions} packs={packs} runs={waiting} />
        <div className="min-w-0">
          {last ? (
            <AfterRun last={last} trial={trial} since={since} />
          ) : (
            <p className="max-w-prose text-muted">
              Drive, then tap what you want at each moment: less, right or more. One number is enough, the can
              after a short first run. Live Tune remembers by itself what the ESC held. Let hot parts cool
              before you touch them. Club rules, event rules and local law come first.
            </p>
          )}
          {facts.count > 0 && (
            <section aria-label="Runs" className="mt-8">
              <h2 className="text-2xl">All runs</h2>
              {facts.count > lines.length && (
                <div className="mt-2" role="search">
                  <Find placeholder="number, pack, place …" />
                </div>
              )}
              {lines.length === 0 && <p className="mt-2">No run has these words.</p>}
              <ul className="mt-2">
                {lines.map((one) => (
                  <RunLine key={one.number} {...one} />
                ))}
              </ul>
              <Pager of="runs" {...place} shown={lines.length} />
            </section>
          )}
          <OwnersOnly>
            <FromEsc />
          </OwnersOnly>
          <ImportOne label="Import a run" actionData={actionData} />
        </div>
      </div>
    </div>
  );
}
