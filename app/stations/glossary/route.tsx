import { entryAnchor, entryOf, friendAnchor, searchGlossary } from '#core/settings/glossary';
import { MOMENTS, type MomentId } from '#core/settings/moments';
import { VOCABULARY } from '#core/settings/vocabulary';
import { Form, useSubmit } from 'react-router';
import { Page } from '../../ui/Page';
import { TermText } from '../../ui/TermText';
import type { Route } from './+types/route';

export const meta: Route.MetaFunction = () => [{ title: 'Glossary · Live Tune' }];

export const loader = ({ request }: Route.LoaderArgs) => ({
  typed: new URL(request.url).searchParams.get('q') ?? '',
});

/** Every setting and every false friend, by any of its names. */
export default function GlossaryRoute({ loaderData: { typed } }: Route.ComponentProps) {
  const submit = useSubmit();
  const { settings, falseFriends } = searchGlossary(typed);
  const moments = (Object.keys(MOMENTS) as MomentId[]).filter((moment) =>
    settings.some((setting) => setting.moment === moment),
  );
  return (
    <Page>
      <h1 className="text-4xl">Glossary</h1>
      <p className="mt-2 max-w-2xl text-muted">
        All settings of speed controllers, in one language. A false friend is a word that manuals use in
        opposite senses.
      </p>
      <Form
        className="mt-4"
        role="search"
        onChange={(event) => void submit(event.currentTarget, { replace: true, preventScrollReset: true })}
      >
        <label className="flex flex-wrap items-center gap-3">
          Find
          <input
            type="search"
            name="q"
            defaultValue={typed}
            placeholder="punch, timing, lvc …"
            className="min-h-11 w-72 max-w-full rounded-sm border border-muted bg-sheet px-3 text-lg"
          />
        </label>
      </Form>
      <p className="mt-2 text-sm text-muted" role="status">
        {counted(settings.length, 'setting')}, {counted(falseFriends.length, 'false friend')}
      </p>
      {falseFriends.length > 0 && (
        <section aria-labelledby="friends" className="mt-6">
          <h2 id="friends" className="border-b border-ink pb-1 text-2xl">
            False friends
          </h2>
          <dl className="mt-2 grid gap-x-8 sm:grid-cols-2">
            {falseFriends.map(({ id, title, sentence, settings: mixed }) => (
              <div key={id} id={friendAnchor(id)} className="border-b border-rule py-3">
                <dt className="font-display text-lg font-bold">{title}</dt>
                <dd>{sentence}</dd>
                <dd className="mt-1 flex flex-wrap gap-x-3 text-sm">
                  {mixed.map((setting) => (
                    <a
                      key={setting}
                      href={`#${entryAnchor(setting)}`}
                      className="inline-block min-h-6 py-0.5 underline underline-offset-4"
                    >
                      {VOCABULARY[setting].name}
                    </a>
                  ))}
                </dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      {moments.map((moment) => (
        <section key={moment} aria-labelledby={`moment-${moment}`} className="mt-8">
          <h2 id={`moment-${moment}`} className="border-b border-ink pb-1 text-2xl">
            {MOMENTS[moment]}
          </h2>
          {settings
            .filter((setting) => setting.moment === moment)
            .map((setting) => (
              <article key={setting.id} id={entryAnchor(setting.id)} className="border-b border-rule py-4">
                <h3 className="text-xl">{setting.name}</h3>
                <TermText entry={entryOf(setting.id)} />
              </article>
            ))}
        </section>
      ))}
      {settings.length === 0 && falseFriends.length === 0 && (
        <p className="mt-8 text-xl">Nothing matches “{typed}”. Try a single word.</p>
      )}
    </Page>
  );
}

const counted = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;
