import { listRules } from '#server/repositories/eventRules';
import { placeRig, updateRig } from '#server/repositories/rigs';
import { whoAsks } from '#server/access/who';
import { currentGarage } from '#server/repositories/garages';
import { useState } from 'react';
import { data, Link, redirect, useSearchParams } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Confirm } from '../../ui/Confirm';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import { useAnswer } from '../../ui/useAnswer';
import { useYou } from '../../ui/useYou';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/route';
import { PictureAndRules } from './PictureAndRules';
import { RigFormView } from './RigFormView';
import { profileChoices, rigFromRequest } from './saveRig.server';

export async function loader({ params }: Route.LoaderArgs) {
  const { garageId, role } = whoAsks();
  const profiles = await profileChoices();
  // What else there is in the garage is nothing for somebody who visits one rig.
  if (role === 'visitor') {
    const { profile } = await benchOf(params.rigId);
    return { profiles: profiles.filter(({ key }) => key === profile.id), rules: [] };
  }
  const rules = await listRules(garageId);
  return {
    profiles,
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
  const refused = {
    problems: read.ok ? [] : read.problems,
    saved: false,
    changedElsewhere: read.ok,
    revision: undefined,
  };
  if (!read.ok) return data(refused, { status: 400 });
  const { garageId, rig, stored, baseRevision } = read;
  const updated = await updateRig(garageId, params.rigId, rig, stored, baseRevision);
  if (updated.outcome === 'gone') throw data(null, { status: 404 });
  if (updated.outcome === 'changed') return data(refused, { status: 409 });
  return { problems: [], saved: true, changedElsewhere: false, revision: updated.revision };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

export default function RigRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { answer } = useAnswer(actionData);
  const { rig, profile, rigId, newerRevision } = useBench();
  const [params] = useSearchParams();
  const { sees, isOwner } = useYou();
  const baseRevision = useBaseRevision(actionData);
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-3 px-5 pt-6">
        <h1 className="text-3xl">What this model is</h1>
        <p className="flex gap-4">
          {sees('helper') && (
            <a className="underline underline-offset-4" href={`/rigs/${rigId}/rig.json`} download>
              Export this rig
            </a>
          )}
          {isOwner && <DeleteRig name={rig.name} />}
        </p>
      </div>
      <p className="px-5 pt-2" role="status">
        {answer?.saved && <span className="font-bold text-ok">Saved.</span>}
      </p>
      <AwayNotice answer={actionData} />
      {params.get('esc') === 'other' && (
        <div className="mx-5 mb-3 max-w-3xl">
          <Notice grade="caution" title={`This rig uses “${profile.name}”, an ESC of its own.`}>
            <p>
              The file’s ESC profile differs from the one in your garage, with the same name and revision.
              Both are kept. Compare them under ESC profiles before you load.
            </p>
          </Notice>
        </div>
      )}
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
      <fieldset
        disabled={!isOwner}
        className="grid grid-cols-1 gap-x-10 px-5 xl:grid-cols-[minmax(0,48rem)_minmax(0,1fr)]"
      >
        <RigFormView
          rig={rig}
          profiles={loaderData.profiles}
          profileKey={profile.id}
          profile={profile}
          problems={answered(actionData)?.problems ?? []}
          submitLabel="Save"
          changedElsewhere={answered(actionData)?.changedElsewhere ?? false}
          baseRevision={baseRevision}
        />
        <PictureAndRules rules={loaderData.rules} />
      </fieldset>
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
      text="This also deletes its sheets, calibrations and draft. You can restore it from the bin under All rigs."
      method="delete"
      yes="Delete"
      no="Keep it"
    />
  );
}

/**
 * The revision of the rig that the form shows: that of when it was opened, or of the last time that it was saved. What the
 * page loads again meanwhile changes nothing of what stands in the form.
 */
function useBaseRevision(actionData: Route.ComponentProps['actionData']): number {
  const { rigRevision } = useBench();
  const [base, setBase] = useState(rigRevision);
  const [seen, setSeen] = useState(actionData);
  if (actionData !== seen) {
    setSeen(actionData);
    const kept = answered(actionData)?.revision;
    if (kept !== undefined) setBase(kept);
  }
  return base;
}
