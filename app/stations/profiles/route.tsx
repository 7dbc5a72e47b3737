import { MEDIA } from '#core/esc/media';
import { readForm } from '#server/readBody';
import { deleteProfile, listProfiles, rigsByProfile } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { Plus } from 'lucide-react';
import { useEffect } from 'react';
import { data, Link, useSearchParams } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { Confirm } from '../../ui/Confirm';
import { Find } from '../../ui/Find';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { useYou } from '../../ui/useYou';
import { Page } from '../../ui/Page';
import { useAnswer } from '../../ui/useAnswer';
import type { Route } from './+types/route';
import { forgetSketch } from './useSketch';

export const meta: Route.MetaFunction = () => [{ title: 'ESC profiles · Live Tune' }];

/** A list that fits on a page is not searched. */
const SEARCHED_FROM = 8;
const byName = new Intl.Collator('en', { numeric: true });

export async function loader({ request }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const [profiles, rigs] = await Promise.all([listProfiles(garage.id), rigsByProfile(garage.id)]);
  const all = profiles.map(({ profile }) => ({
    key: profile.id,
    name: profile.name,
    revision: profile.revision,
    items: profile.items.length,
    cells: `${profile.limits.minCells} to ${profile.limits.maxCells} cells`,
    media: profile.media.map(({ family }) => MEDIA[family].words).join(', '),
    rigs: rigs[profile.id] ?? 0,
    assumed: profile.items.flatMap(({ stops }) => stops).filter(({ basis }) => basis === 'assumed').length,
  }));
  const words = (new URL(request.url).searchParams.get('q') ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  const found = all.filter(({ name, media, cells }) =>
    words.every((word) => `${name} ${media} ${cells}`.toLowerCase().includes(word)),
  );
  return { total: all.length, profiles: found.toSorted((a, b) => byName.compare(a.name, b.name)) };
}

export async function action({ request }: Route.ActionArgs) {
  const key = (await readForm(request)).get('delete');
  const garage = await currentGarage();
  const done = typeof key === 'string' && (await deleteProfile(garage.id, key));
  return done
    ? { sentence: 'Deleted.' }
    : data({ sentence: 'A rig uses it, so it cannot be deleted.' }, { status: 400 });
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** The ESCs that are described, and the way into the workshop. */
export default function ProfilesRoute({ loaderData: { total, profiles }, actionData }: Route.ComponentProps) {
  const { answer, busy } = useAnswer(actionData);
  const kept = useSearchParams()[0].get('kept');
  const { isOwner } = useYou();
  useEffect(() => {
    if (kept !== null) forgetSketch(kept);
  }, [kept]);
  return (
    <Page>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-4xl">ESC profiles</h1>
        <OwnersOnly>
          <Button look="main" asChild>
            <Link to="/profiles/new">
              <Plus className="size-5" aria-hidden="true" />
              Describe an ESC
            </Link>
          </Button>
        </OwnersOnly>
      </div>
      <p className="mt-2 max-w-2xl text-muted">
        Each profile describes one kind of speed controller: its items, their stops, how to set it. Describe
        your own or{' '}
        <Link to="/#files" className="underline underline-offset-4">
          import a file
        </Link>
        .
      </p>
      <p className="min-h-6 font-bold" role="status">
        {!busy && (answer?.sentence ?? (kept === null ? '' : 'Kept.'))}
      </p>
      <AwayNotice answer={actionData} />
      {total > SEARCHED_FROM && (
        <div className="mt-2" role="search">
          <Find placeholder="name, keys, cells …" />
        </div>
      )}
      {profiles.length === 0 && total > 0 && <p className="mt-6 text-xl">No profile matches that.</p>}
      {total === 0 ? (
        <p className="mt-6 text-xl">
          No profiles yet. Press <em>Describe an ESC</em> and use its manual. A table of fifteen items takes
          about five minutes.
        </p>
      ) : (
        <ul className="mt-4 border-t border-rule">
          {profiles.map(({ key, name, revision, items, cells, media, rigs, assumed }) => (
            <li
              key={key}
              className="border-b border-rule py-2 sm:grid sm:grid-cols-[1fr_auto] sm:items-center sm:gap-x-6"
            >
              <div className="min-w-0">
                <p className="font-display text-xl font-bold wrap-anywhere">
                  {isOwner ? (
                    <Link to={`/profiles/${key}/edit`} className="hover:text-draft">
                      {name}
                    </Link>
                  ) : (
                    name
                  )}
                </p>
                <p className="text-muted">
                  {items} items · {cells} · {media} · revision {revision}
                  {rigs > 0 && ` · in ${rigs} ${rigs === 1 ? 'rig' : 'rigs'}`}
                </p>
                {assumed > 0 && (
                  <p className="text-sm text-caution">
                    {assumed} {assumed === 1 ? 'stop has' : 'stops have'} a size that is only assumed.
                  </p>
                )}
              </div>
              <p className="mt-1 flex flex-wrap gap-x-5">
                <OwnersOnly>
                  <Link className="underline underline-offset-4" to={`/profiles/${key}/edit`}>
                    edit<span className="sr-only"> {name}</span>
                  </Link>
                </OwnersOnly>
                <OwnersOnly>
                  <Link className="underline underline-offset-4" to={`/profiles/new?from=${key}`}>
                    copy<span className="sr-only"> {name}</span>
                  </Link>
                </OwnersOnly>
                <a className="underline underline-offset-4" href={`/profiles/${key}.json`} download>
                  export<span className="sr-only"> {name}</span>
                </a>
                {rigs === 0 && isOwner && (
                  <Confirm
                    trigger={
                      <button type="button" disabled={busy} className="underline underline-offset-4">
                        delete<span className="sr-only"> {name}</span>
                      </button>
                    }
                    title={`Delete “${name}”?`}
                    text="This deletes all its revisions. Export it first if you may want it again."
                    method="post"
                    fields={{ delete: key }}
                    yes="Delete"
                    no="Keep it"
                  />
                )}
              </p>
            </li>
          ))}
        </ul>
      )}
    </Page>
  );
}
