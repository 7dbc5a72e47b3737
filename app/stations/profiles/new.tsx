import { ARCHETYPES } from '#core/archetypes/archetypes';
import { MEDIA } from '#core/esc/media';
import { VEHICLE_CLASSES } from '#core/rig/vehicleClass';
import { MEDIUM_FIELDS, usualPart } from '#core/workshop/partFields';
import type { Sketch } from '#core/workshop/sketch';
import { sketchOf } from '#core/workshop/sketchOf';
import { findProfileByKey, listProfiles } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { data, Link } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Page } from '../../ui/Page';
import type { Route } from './+types/new';
import { saveProfile } from './saveProfile.server';
import { Workshop } from './Workshop';

export const meta: Route.MetaFunction = () => [{ title: 'New ESC profile · Live Tune' }];

/** `from` is an archetype or a profile to copy; `empty` leaves its items out. */
export async function loader({ request }: Route.LoaderArgs) {
  const { searchParams } = new URL(request.url);
  const from = searchParams.get('from');
  const garage = await currentGarage();
  const takenIds = (await listProfiles(garage.id)).map(({ profile }) => profile.id);
  if (from === null) return { takenIds, start: undefined, from: '' };
  const archetype = ARCHETYPES.find(({ profile }) => profile.id === from)?.profile;
  const source = archetype ?? (await findProfileByKey(garage.id, from))?.profile;
  if (!source) throw data(null, { status: 404 });
  const copy = sketchOf(source, 'copy');
  const isEmpty = searchParams.has('empty');
  const byForm = searchParams.has('form');
  return {
    takenIds,
    from: `${from}${isEmpty ? '-empty' : ''}${byForm ? '-form' : ''}`,
    start: byForm ? setByForm(withoutItems(copy)) : isEmpty ? withoutItems(copy) : copy,
  };
}

/** How it is set stays; what spoke of its items goes with them. */
const withoutItems = (sketch: Sketch): Sketch => ({
  ...sketch,
  items: [],
  media: sketch.media.map(({ family, values }) => ({
    family,
    values: { ...values, itemNotes: '', stopNotes: '', confirmedItemIds: '' },
  })),
});

const setByForm = (sketch: Sketch): Sketch => ({
  ...sketch,
  media: [usualPart('programForm', MEDIUM_FIELDS.programForm)],
});

export const action = ({ request }: Route.ActionArgs) => saveProfile(request);
export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

export default function NewProfileRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { start, takenIds, from } = loaderData;
  return (
    <Page wide>
      <h1 className="text-4xl">{start ? 'Describe an ESC' : 'How is this ESC set?'}</h1>
      {start ? (
        <>
          <p className="mt-2 mb-6 max-w-2xl text-lg text-muted">
            Use its manual and its label. What you type is checked at once and kept in this browser until you
            save.
          </p>
          <AwayNotice answer={actionData} />
          <Workshop
            key={from}
            start={start}
            name={`new-${from}`}
            takenIds={takenIds}
            problems={answered(actionData)?.problems ?? []}
          />
        </>
      ) : (
        <Starts />
      )}
    </Page>
  );
}

/** Whose ratings and end points an ESC begins with that only a form can set. */
const FORM_PATTERN = ARCHETYPES[0]!.profile.id;

function Starts() {
  return (
    <>
      <p className="mt-2 max-w-2xl text-lg text-muted">
        Choose how its settings are entered. You can change all keys, lamps, tones and times later.
      </p>
      <ul className="mt-6 border-t border-rule">
        <li className="flex flex-wrap items-baseline gap-x-6 gap-y-1 border-b border-rule py-3">
          <span className="min-w-0 flex-1 basis-72">
            <span className="block font-display text-xl font-bold">a form in the maker’s program</span>
            <span className="text-muted">
              on a computer or phone, with an adapter. Live Tune lists what to set and notes what the form
              shows.
            </span>
          </span>
          <Link
            to={`?from=${FORM_PATTERN}&form`}
            className="min-h-11 py-2 font-bold underline underline-offset-4"
          >
            with my own items
          </Link>
        </li>
        {ARCHETYPES.map(({ profile, serves }) => (
          <li
            key={profile.id}
            className="flex flex-wrap items-baseline gap-x-6 gap-y-1 border-b border-rule py-3"
          >
            <span className="min-w-0 flex-1 basis-72">
              <span className="block font-display text-xl font-bold">
                {profile.media.map(({ family }) => MEDIA[family].words).join(', ')}
              </span>
              <span className="text-muted">
                as on many for: {serves.map((id) => VEHICLE_CLASSES[id].toLowerCase()).join(', ')}
              </span>
            </span>
            <Link
              to={`?from=${profile.id}&empty`}
              className="min-h-11 py-2 font-bold underline underline-offset-4"
            >
              with my own items
            </Link>
            <Link to={`?from=${profile.id}`} className="min-h-11 py-2 underline underline-offset-4">
              with {profile.items.length} items to change
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}
