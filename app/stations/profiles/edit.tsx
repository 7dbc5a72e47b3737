import { sketchOf } from '#core/workshop/sketchOf';
import { findProfileByKey } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { data } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Page } from '../../ui/Page';
import type { Route } from './+types/edit';
import { saveProfile } from './saveProfile.server';
import { Workshop } from './Workshop';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData.start.name} · Live Tune` },
];

export async function loader({ params }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const stored = await findProfileByKey(garage.id, params.profileKey);
  if (!stored) throw data(null, { status: 404 });
  return { start: sketchOf(stored.profile, 'revision') };
}

export const action = ({ request }: Route.ActionArgs) => saveProfile(request);
export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

const NO_IDS: readonly string[] = [];

/** The next revision of a profile. Sheets keep the one they were made with; rigs move when their owner says so. */
export default function EditProfileRoute({ loaderData: { start }, actionData }: Route.ComponentProps) {
  return (
    <Page wide>
      <h1 className="text-4xl wrap-anywhere">{start.name}</h1>
      <p className="mt-2 mb-6 max-w-2xl text-lg text-muted">
        Revision {start.revision} stays as it is. Your changes become revision {start.revision + 1}. Sheets
        keep their revision, and each rig asks before it moves to the new one.
      </p>
      <AwayNotice answer={actionData} />
      <Workshop
        key={`${start.id} ${start.revision}`}
        start={start}
        name={`${start.id}-${start.revision}`}
        takenIds={NO_IDS}
        problems={answered(actionData)?.problems ?? []}
      />
    </Page>
  );
}
