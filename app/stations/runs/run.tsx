import { entryOf, readEntry } from '#core/runs/entry';
import { whatDiffers } from '#core/runs/differences';
import { unknownIn, type NumberedRun } from '#core/runs/run';
import { EVIDENCE } from '#core/sheet/evidence';
import type { Problem } from '#core/units/problem';
import { problemsOf } from '#formats/document';
import { runNoteSchema } from '#formats/run';
import { jsonOf, readForm } from '#server/readBody';
import { logMetaOf } from '#server/repositories/runLogs';
import { describeRun, findRun } from '#server/repositories/runs';
import type { RunNote } from '#core/runs/run';
import { useState } from 'react';
import { data, Link, useFetcher } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { DataTable } from '../../ui/DataTable';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Time } from '../../ui/Time';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { BesideModel } from './BesideModel';
import { DifferenceTable } from './DifferenceTable';
import { RunFields } from './RunFields';
import { RunsNav } from './RunsNav';
import type { Route } from './+types/run';

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const number = Number(params.number);
  const found = await findRun(rigId, number);
  if (!found) throw data(null, { status: 404 });
  const [before, meta] = await Promise.all([findRun(rigId, number - 1), logMetaOf(rigId, number)]);
  return { ...found, before, hasLog: meta !== undefined };
}

export async function action({ params, request }: Route.ActionArgs) {
  const { rigId } = await benchOf(params.rigId);
  const note = jsonOf(await readForm(request), 'note');
  const problems = problemsOf(runNoteSchema, note);
  if (problems.length > 0) return data({ problems, isKept: false }, { status: 400 });
  if (!(await describeRun(rigId, Number(params.number), note as RunNote))) throw data(null, { status: 404 });
  return { problems: [] as Problem[], isKept: true };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** One run: what was noted beside what the model says, and what it was driven with. */
export default function RunRoute({ loaderData }: Route.ComponentProps) {
  const { number, run, before, hasLog } = loaderData;
  const { rigId, profile } = useBench();
  const unknown = unknownIn(profile, run);
  return (
    <article className="max-w-5xl px-5 py-6">
      <RunsNav />
      <h1 className="mt-4 text-3xl">Run {number}</h1>
      <p className="text-muted">
        <Time iso={run.drivenAt} /> · {run.profileName}, revision {run.profileRevision}
        {run.setUp && (
          <>
            {' '}
            · set-up{' '}
            <Link className="underline underline-offset-4" to={`/rigs/${rigId}/set-ups/${run.setUp.id}`}>
              {run.setUp.name}
            </Link>
          </>
        )}{' '}
        ·{' '}
        <Link className="underline underline-offset-4" to={`/rigs/${rigId}/runs/${number}/log`}>
          {hasLog ? 'Its log' : 'Add a log'}
        </Link>{' '}
        ·{' '}
        <a className="underline underline-offset-4" href={`/rigs/${rigId}/runs/${number}.json`} download>
          Export
        </a>
      </p>
      {run.words && <p className="mt-2 max-w-2xl whitespace-pre-line">“{run.words}”</p>}
      {run.leftOut && <p className="mt-2 text-caution">Does not count: {run.leftOut}</p>}
      {unknown.length > 0 && (
        <div className="mt-3 max-w-2xl">
          <Notice grade="note" title="The model learns nothing from this run.">
            <p>
              Nobody had looked what the ESC held of: {unknown.join(', ')}.{' '}
              <Link className="underline underline-offset-4" to={`/rigs/${rigId}/esc`}>
                Read it back
              </Link>{' '}
              before the next run.
            </p>
          </Notice>
        </div>
      )}
      <BesideModel run={run} />
      {before && (
        <section className="mt-6" aria-label="Against the run before">
          <h2 className="text-2xl">Against run {before.number}</h2>
          <DifferenceTable differences={whatDiffers(before.run, run)} />
          <p className="mt-1">
            <Link
              className="underline underline-offset-4"
              to={`/rigs/${rigId}/runs/compare?a=${before.number}&b=${number}`}
            >
              Compare their numbers
            </Link>
          </p>
        </section>
      )}
      <OwnersOnly>
        <EditRun number={number} run={run} />
      </OwnersOnly>
      <details className="mt-6 border-t border-rule">
        <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">
          What the ESC held
        </summary>
        <DataTable label="What the ESC held" heads={['item', 'value', 'known']}>
          {run.held.map(({ itemId, itemNumber, itemLabel, stopLabel, basis }) => (
            <tr key={itemId}>
              <th scope="row">
                {itemNumber} {itemLabel}
              </th>
              <td>{stopLabel ?? 'unknown'}</td>
              <td className="text-muted">{EVIDENCE[basis]}</td>
            </tr>
          ))}
        </DataTable>
      </details>
    </article>
  );
}

/** What is said of a run may be written again: the charger is done an hour later. */
function EditRun({ run }: NumberedRun) {
  const { rig } = useBench();
  const fetcher = useFetcher<typeof action>();
  const [entry, setEntry] = useState(() => entryOf(run));
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const save = (): void => {
    const read = readEntry(entry, rig.vehicle.kind);
    setProblems(read.ok ? [] : read.problems);
    if (read.ok) void fetcher.submit({ note: JSON.stringify(read.value) }, { method: 'post' });
  };
  const isKept = fetcher.state === 'idle' && answered(fetcher.data)?.isKept === true;
  return (
    <details className="mt-6 border-t border-rule">
      <summary className="min-h-11 cursor-pointer py-2 font-display text-xl font-bold">
        Add or correct what you noted
      </summary>
      <div className="max-w-lg">
        <RunFields
          entry={entry}
          problems={problems}
          change={(part) => setEntry((before) => ({ ...before, ...part }))}
        />
        <p className="mt-3 flex items-center gap-4">
          <Button look="main" onClick={save}>
            Save
          </Button>
          <span role="status" className="font-bold text-ok">
            {isKept && 'Saved.'}
          </span>
        </p>
        <AwayNotice answer={fetcher.data} />
      </div>
    </details>
  );
}
