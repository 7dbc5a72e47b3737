import { STATIONS, type StationId } from '#core/advice/stationStates';
import { VEHICLE_CLASSES } from '#core/rig/vehicleClass';
import { formatNumber } from '#core/units/format';
import { LARGEST_DOCUMENT_BYTES } from '#formats/document';
import { importDocument } from '#server/importDocument';
import { readForm } from '#server/readBody';
import { listDeleted, listGarage } from '#server/repositories/garageList';
import { currentGarage } from '#server/repositories/garages';
import { copyRig, findBench, placeRig, type Placing } from '#server/repositories/rigs';
import { Plus } from 'lucide-react';
import { data, Form, Link, redirect, useSearchParams } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { FilePicker } from '../../ui/FilePicker';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { Page } from '../../ui/Page';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import type { Route } from './+types/route';
import { inOrder, matching, SORTS, type RigLine, type Sort } from './arrange';
import { RigRow } from './RigRow';

export async function loader(_args: Route.LoaderArgs) {
  const garage = await currentGarage();
  const [rigs, deleted] = await Promise.all([listGarage(garage.id), listDeleted(garage.id)]);
  return {
    deleted,
    rigs: rigs.map(
      ({ id, rig, profileName, updatedAt, archived, hasPicture, changes, stations }): RigLine => ({
        id,
        name: rig.name,
        what: VEHICLE_CLASSES[rig.vehicleClass],
        pack: `${rig.pack.cells} cells, ${formatNumber(rig.pack.capacityAh.value * 1000, 0)} mAh`,
        motor: `${rig.motorCount > 1 ? `${rig.motorCount} × ` : ''}${formatNumber(rig.motor.kvRpmPerVolt.value, 0)} kV`,
        profileName,
        updatedAt,
        archived,
        hasPicture,
        changes,
        stations: (Object.keys(STATIONS) as StationId[]).map((station) => ({
          id: station,
          ...stations[station],
        })),
      }),
    ),
  };
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
    return refused(`“${file.name}” is larger than any Live Tune document.`);
  const result = await importDocument(garage.id, await file.text());
  if (!result.ok) return data({ problems: result.problems, sentence: '', undo: undefined }, { status: 400 });
  const { rigId: madeId, otherEsc } = result.value;
  if (madeId) throw redirect(`/rigs/${madeId}/rig${otherEsc ? '?esc=other' : ''}`);
  return { problems: [], sentence: result.value.sentence, undo: undefined };
}

/** What was done, and what undoes it. */
const PLACINGS: Readonly<Record<Placing, { sentence: string; undo: Placing | undefined }>> = {
  archive: { sentence: 'Put aside. It waits under “put aside”.', undo: 'unarchive' },
  unarchive: { sentence: 'It is back on the list.', undo: undefined },
  delete: { sentence: 'Deleted, with its sheets and calibrations.', undo: 'bringBack' },
  bringBack: { sentence: 'It is back, as it was.', undo: undefined },
};

async function onRig(garageId: string, rigId: string, intent: string) {
  if (intent === 'copy') {
    const bench = await findBench(garageId, rigId);
    if (bench) throw redirect(`/rigs/${await copyRig(bench, garageId)}/rig`);
  }
  if (!Object.hasOwn(PLACINGS, intent)) return refused('That cannot be done with a rig.');
  const placing = intent as Placing;
  if (!(await placeRig(garageId, rigId, placing))) return refused('That rig is gone.');
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
  const [params, setParams] = useSearchParams();
  const sort = (params.get('sort') ?? 'touched') as Sort;
  const typed = params.get('q') ?? '';
  const change = (key: string, value: string): void =>
    setParams(
      (before) => {
        before.set(key, value);
        return before;
      },
      { replace: true, preventScrollReset: true },
    );
  const { deleted } = loaderData;
  const all = inOrder(loaderData.rigs, sort);
  const found = matching(all, typed);
  const kept = found.filter(({ archived }) => !archived);
  const aside = found.filter(({ archived }) => archived);
  return (
    <Page>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-4xl">All rigs</h1>
        <Button look="main" asChild>
          <Link to="/rigs/new">
            <Plus className="size-5" aria-hidden="true" />
            New rig
          </Link>
        </Button>
      </div>
      {all.length >= SEARCHED_FROM && (
        <div className="mt-4 flex flex-wrap items-center gap-x-6 gap-y-2" role="search">
          <label className="flex items-center gap-2">
            Find
            <input
              type="search"
              value={typed}
              onChange={(event) => change('q', event.target.value)}
              placeholder="name, class, ESC, kV …"
              className="min-h-11 w-64 max-w-full rounded-sm border border-muted bg-sheet px-3"
            />
          </label>
          <label className="flex items-center gap-2">
            in order of
            <select
              value={sort}
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

      {all.length === 0 ? (
        <p className="mt-6 text-xl">
          No rig yet. Describe the model on your bench with <em>New rig</em>: a few minutes, a label and a
          kitchen scale are enough.
        </p>
      ) : kept.length === 0 ? (
        <p className="mt-6 text-xl">
          {typed === '' ? 'All rigs are put aside.' : `No rig goes by “${typed}”.`}
        </p>
      ) : (
        <ul className="mt-3 border-t border-rule">
          {kept.map((rig) => (
            <RigRow key={rig.id} rig={rig} busy={busy} />
          ))}
        </ul>
      )}
      {aside.length > 0 && (
        <details className="mt-6">
          <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
            {aside.length} put aside
          </summary>
          <ul className="border-t border-rule">
            {aside.map((rig) => (
              <RigRow key={rig.id} rig={rig} busy={busy} />
            ))}
          </ul>
        </details>
      )}
      {deleted.length > 0 && (
        <details className="mt-2">
          <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
            {deleted.length} deleted in the last 30 days
          </summary>
          <ul>
            {deleted.map(({ id, name }) => (
              <li key={id}>
                <Form method="post" className="flex items-center gap-3">
                  <input type="hidden" name="rigId" value={id} />
                  <span className="wrap-anywhere">{name}</span>
                  <Button look="quiet" type="submit" name="intent" value="bringBack" disabled={busy}>
                    bring back<span className="sr-only"> {name}</span>
                  </Button>
                </Form>
              </li>
            ))}
          </ul>
        </details>
      )}

      <section className="mt-10" aria-labelledby="files">
        <h2 id="files" className="text-xl">
          Files
        </h2>
        <p className="mt-1 text-muted">Take in a rig or an ESC profile that Live Tune exported.</p>
        <div className="mt-3">
          <FilePicker label="Import a file" />
        </div>
      </section>
    </Page>
  );
}
