import { migrateDraft, revisionChanges } from '#core/sheet/revisionMap';
import { readForm } from '#server/readBody';
import { findProfileByKey } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { moveToRevision } from '#server/repositories/revisions';
import { data, Form, redirect, useNavigation } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/revision';

async function newestFor(rigId: string) {
  const bench = await benchOf(rigId);
  const garage = await currentGarage();
  const newest = await findProfileByKey(garage.id, bench.profile.id);
  if (!newest || newest.profile.revision === bench.profile.revision) throw redirect(`/rigs/${rigId}/rig`);
  return { bench, newest };
}

export async function loader({ params }: Route.LoaderArgs) {
  const { bench, newest } = await newestFor(params.rigId);
  return {
    from: bench.profile.revision,
    to: newest.profile.revision,
    name: newest.profile.name,
    changes: revisionChanges(bench.profile, newest.profile).map(({ sentence }) => sentence),
    dropped: migrateDraft(bench.profile, newest.profile, bench.draft).dropped,
  };
}

export async function action({ params, request }: Route.ActionArgs) {
  const { bench, newest } = await newestFor(params.rigId);
  const cause = (await readForm(request)).get('cause');
  if (cause !== 'correction' && cause !== 'firmwareUpdate')
    return data({ sentence: 'Choose why there is a new revision.' }, { status: 400 });
  await moveToRevision(bench, newest, cause);
  throw redirect(`/rigs/${params.rigId}/esc`);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** From one revision of the ESC profile to the next: the map, shown before anything moves. */
export default function RevisionRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { from, to, name, changes, dropped } = loaderData;
  const busy = useNavigation().state !== 'idle';
  return (
    <div className="max-w-3xl px-5 py-6">
      <h1 className="text-3xl">
        {name}: from revision {from} to {to}
      </h1>
      <h2 className="mt-5 text-xl">What changes</h2>
      {changes.length === 0 ? (
        <p className="mt-1">Nothing that affects this rig.</p>
      ) : (
        <ul className="mt-1 list-disc pl-6 text-lg">
          {changes.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
      )}
      <h2 className="mt-5 text-xl">Your draft</h2>
      {dropped.length === 0 ? (
        <p className="mt-1">Every change has its place in the new revision, even where numbers moved.</p>
      ) : (
        <>
          <p className="mt-1">These no longer exist and are removed:</p>
          <ul className="list-disc pl-6 text-lg">
            {dropped.map(({ sentence }) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-3 text-muted">Sheets keep the revision they were made with.</p>
      <AwayNotice answer={actionData} />
      <Form method="post" className="mt-5 flex flex-wrap gap-3">
        {changes.length === 0 ? (
          <Button type="submit" look="main" name="cause" value="correction" disabled={busy}>
            Use revision {to} over
          </Button>
        ) : (
          <>
            <Button type="submit" name="cause" value="correction" disabled={busy}>
              The list was wrong: correct it
            </Button>
            <Button type="submit" name="cause" value="firmwareUpdate" disabled={busy}>
              The ESC got new firmware: its values are unknown
            </Button>
          </>
        )}
      </Form>
    </div>
  );
}
