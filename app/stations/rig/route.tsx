import { listRules } from '#server/repositories/eventRules';
import { placeRig, updateRig } from '#server/repositories/rigs';
import { currentGarage } from '#server/repositories/garages';
import { data, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Confirm } from '../../ui/Confirm';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import { useAnswer } from '../../ui/useAnswer';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/route';
import { PictureAndRules } from './PictureAndRules';
import { RigFormView } from './RigFormView';
import { profileChoices, rigFromRequest } from './saveRig.server';

export async function loader(_args: Route.LoaderArgs) {
  const garage = await currentGarage();
  const rules = await listRules(garage.id);
  return {
    profiles: await profileChoices(),
    rules: rules.map(({ id, rules: { name } }) => ({ id, name })),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  if (request.method === 'DELETE') {
    const garage = await currentGarage();
    await placeRig(garage.id, params.rigId, 'delete');
    throw redirect('/');
  }
  const bench = await benchOf(params.rigId);
  const read = await rigFromRequest(request, bench.rig);
  if (!read.ok) return data({ problems: read.problems, saved: false }, { status: 400 });
  await updateRig(read.garageId, params.rigId, read.rig, read.stored);
  return { problems: [], saved: true };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

export default function RigRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { answer } = useAnswer(actionData);
  const { rig, profile, rigId, newerRevision } = useBench();
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-3 px-5 pt-6">
        <h1 className="text-3xl">What this model is</h1>
        <p className="flex gap-4">
          <a className="underline underline-offset-4" href={`/rigs/${rigId}/rig.json`} download>
            Export this rig
          </a>
          <DeleteRig name={rig.name} />
        </p>
      </div>
      <p className="px-5 pt-2" role="status">
        {answer?.saved && <span className="font-bold text-ok">Saved.</span>}
      </p>
      <AwayNotice answer={actionData} />
      {newerRevision !== undefined && (
        <div className="mx-5 max-w-3xl">
          <Notice
            grade="note"
            title={`Revision ${newerRevision} of ${profile.name} is in your garage; this rig uses ${profile.revision}.`}
          >
            <p>
              <Link to={`/rigs/${rigId}/revision`} className="underline underline-offset-4">
                See what it changes
              </Link>
            </p>
          </Notice>
        </div>
      )}
      <div className="grid grid-cols-1 gap-x-10 px-5 xl:grid-cols-[minmax(0,48rem)_minmax(0,1fr)]">
        <RigFormView
          rig={rig}
          profiles={loaderData.profiles}
          profileKey={profile.id}
          profile={profile}
          problems={answered(actionData)?.problems ?? []}
          submitLabel="Save"
        />
        <PictureAndRules rules={loaderData.rules} />
      </div>
    </>
  );
}

function DeleteRig({ name }: { name: string }) {
  return (
    <Confirm
      trigger={
        <button type="button" className="underline underline-offset-4">
          Delete
        </button>
      }
      title={`Delete “${name}”?`}
      text="Its sheets, calibrations and draft go with it. For 30 days it can be brought back from the list of all rigs."
      method="delete"
      yes="Delete"
      no="Keep it"
    />
  );
}
