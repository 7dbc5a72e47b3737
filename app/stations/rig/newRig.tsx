import { defaultRig } from '#core/rig/defaults';
import { CLASSES, VEHICLE_CLASSES, type VehicleClass } from '#core/rig/vehicleClass';
import { archetypeFor } from '#core/archetypes/archetypes';
import { createRig } from '#server/repositories/rigs';
import { data, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Page } from '../../ui/Page';
import type { Route } from './+types/newRig';
import { RigFormView } from './RigFormView';
import { profileChoices, rigFromRequest } from './saveRig.server';

export const meta: Route.MetaFunction = () => [{ title: 'New rig · Live Tune' }];

function classOf(request: Request): VehicleClass | undefined {
  const wanted = new URL(request.url).searchParams.get('class');
  return wanted !== null && Object.hasOwn(VEHICLE_CLASSES, wanted) ? (wanted as VehicleClass) : undefined;
}

export async function loader({ request }: Route.LoaderArgs) {
  return { vehicleClass: classOf(request), profiles: await profileChoices() };
}

export async function action({ request }: Route.ActionArgs) {
  const read = await rigFromRequest(request, defaultRig(classOf(request) ?? 'tenthBuggy'));
  if (!read.ok) return data({ problems: read.problems }, { status: 400 });
  const rigId = await createRig(read.garageId, read.rig, read.stored);
  throw redirect(`/rigs/${rigId}/endpoints`);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

export default function NewRigRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { vehicleClass, profiles } = loaderData;
  return (
    <Page>
      <h1 className="text-4xl">
        {vehicleClass ? `New rig: ${VEHICLE_CLASSES[vehicleClass].toLowerCase()}` : 'What is on the bench?'}
      </h1>
      {vehicleClass ? (
        <>
          <p className="mt-2 text-lg text-muted">
            Every number starts with the usual value for the class, marked <em>assumed</em>. Replace what you
            know; the rest can wait.
          </p>
          <AwayNotice answer={actionData} />
          <RigFormView
            key={vehicleClass}
            rig={defaultRig(vehicleClass)}
            profiles={profiles}
            profileKey={archetypeFor(vehicleClass).profile.id}
            profile={archetypeFor(vehicleClass).profile}
            problems={answered(actionData)?.problems ?? []}
            submitLabel="Keep this rig"
          />
        </>
      ) : (
        <ul className="mt-6 grid border-t border-rule sm:grid-cols-2 sm:gap-x-6">
          {(Object.keys(VEHICLE_CLASSES) as VehicleClass[]).map((id) => (
            <li key={id} className="border-b border-rule">
              <Link to={`?class=${id}`} className="group block px-5 py-3 hover:bg-sheet">
                <span className="block font-display text-xl font-bold group-hover:text-draft">
                  {VEHICLE_CLASSES[id]}
                </span>
                <span className="text-muted">{CLASSES[id].note}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </Page>
  );
}
