import { LARGEST_DOCUMENT_BYTES } from '#formats/document';
import { VEHICLE_CLASSES } from '#core/rig/rig';
import { formatNumber } from '#core/units/format';
import { importDocument } from '#server/importDocument';
import { listProfiles } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { listRigs } from '#server/repositories/rigs';
import { Plus } from 'lucide-react';
import { data, Link, redirect } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { FilePicker } from '../../ui/FilePicker';
import { PreferencesDialog } from '../../preferences/PreferencesDialog';
import { Logo } from '../../ui/Logo';
import { Problems } from '../../ui/Problems';
import type { Route } from './+types/route';

export async function loader(_args: Route.LoaderArgs) {
  const garage = await currentGarage();
  const [rigs, profiles] = await Promise.all([listRigs(garage.id), listProfiles(garage.id)]);
  return {
    rigs: rigs.map(({ id, rig, profileName }) => ({
      id,
      name: rig.name,
      what: VEHICLE_CLASSES[rig.vehicleClass],
      pack: `${rig.pack.cells} cells, ${formatNumber(rig.pack.capacityAh.value * 1000, 0)} mAh`,
      motor: `${formatNumber(rig.motor.kvRpmPerVolt.value, 0)} kV`,
      profileName,
    })),
    profiles: profiles.map(({ profile }) => ({
      key: profile.id,
      name: profile.name,
      items: profile.items.length,
    })),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const form = await request.formData();
  const file = form.get('file');
  if (!(file instanceof File) || file.size === 0) return refused('Choose a file first.');
  if (file.size > LARGEST_DOCUMENT_BYTES)
    return refused(`“${file.name}” is larger than any Live Tune document.`);
  const garage = await currentGarage();
  const result = await importDocument(garage.id, await file.text());
  if (!result.ok) return data({ problems: result.problems, sentence: '' }, { status: 400 });
  if (result.value.rigId) throw redirect(`/rigs/${result.value.rigId}/rig`);
  return { problems: [], sentence: result.value.sentence };
}

const refused = (sentence: string) =>
  data({ problems: [{ path: '', sentence }], sentence: '' }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

export default function GarageRoute({ loaderData, actionData: answer }: Route.ComponentProps) {
  const actionData = answered(answer);
  const { rigs, profiles } = loaderData;
  return (
    <>
      <header className="flex min-h-14 items-center justify-between border-b border-ink px-5">
        <Logo />
        <PreferencesDialog />
      </header>
      <main className="mx-auto max-w-4xl px-5 py-8">
        <div className="flex flex-wrap items-end justify-between gap-4">
          <h1 className="text-4xl">All rigs</h1>
          <Button look="main" asChild>
            <Link to="/rigs/new">
              <Plus className="size-5" aria-hidden="true" />
              New rig
            </Link>
          </Button>
        </div>
        {rigs.length === 0 ? (
          <p className="mt-8 text-xl">
            No rig yet. Describe the model on your bench with <em>New rig</em>: a few minutes, a label and a
            kitchen scale are enough.
          </p>
        ) : (
          <ul className="mt-6 border-t border-rule">
            {rigs.map((rig) => (
              <li key={rig.id} className="border-b border-rule">
                <Link
                  to={`/rigs/${rig.id}`}
                  className="group flex flex-wrap items-baseline gap-x-6 gap-y-1 px-1 py-4 hover:bg-sheet"
                >
                  <span className="min-w-0 flex-1 basis-64 font-display text-2xl font-bold wrap-anywhere group-hover:text-draft">
                    {rig.name}
                  </span>
                  <span className="text-muted">
                    {rig.what} · {rig.pack} · {rig.motor} · {rig.profileName}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        )}

        <section className="mt-10" aria-labelledby="files">
          <h2 id="files" className="text-xl">
            Files
          </h2>
          <p className="mt-1 text-muted">Take in a rig or an ESC profile that Live Tune exported.</p>
          <div className="mt-3">
            <FilePicker label="Import a file" />
          </div>
          <div className="mt-3" aria-live="polite">
            <AwayNotice answer={answer} />
            {actionData?.sentence && <p className="text-ok">{actionData.sentence}</p>}
            {actionData && <Problems problems={actionData.problems} title="Nothing was imported." />}
          </div>
          <h3 className="mt-6 text-lg">ESC profiles</h3>
          <ul className="mt-1">
            {profiles.map(({ key, name, items }) => (
              <li key={key} className="py-1">
                {name}, {items} items ·{' '}
                <a className="underline" href={`/profiles/${key}.json`} download>
                  export
                  <span className="sr-only"> {name}</span>
                </a>
              </li>
            ))}
          </ul>
        </section>
      </main>
    </>
  );
}
