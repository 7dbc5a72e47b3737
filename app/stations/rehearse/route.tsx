import { ARCHETYPES } from '#core/archetypes/archetypes';
import { MEDIA, type Medium } from '#core/esc/media';
import { listProfiles } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { practisedProfiles } from '#server/repositories/practice';
import { Link } from 'react-router';
import { Page } from '../../ui/Page';
import type { Route } from './+types/route';

interface Listed {
  key: string;
  name: string;
  media: string;
  times: number;
}

export async function loader() {
  const garage = await currentGarage();
  const [own, times] = await Promise.all([listProfiles(garage.id), practisedProfiles(garage.id)]);
  const listed = ({ id, name, media }: { id: string; name: string; media: Medium[] }): Listed => ({
    key: id,
    name,
    media: media.map(({ family }) => MEDIA[family].words).join(', '),
    times: times[id] ?? 0,
  });
  const keys = new Set(own.map(({ profile }) => profile.id));
  return {
    own: own.map(({ profile }) => listed(profile)),
    patterns: ARCHETYPES.map(({ profile }) => profile)
      .filter(({ id }) => !keys.has(id))
      .map(listed),
  };
}

export const meta: Route.MetaFunction = () => [{ title: 'Rehearse · Live Tune' }];

/** Which ESC to practise on: one of the garage, or a pattern. */
export default function RehearseRoute({ loaderData: { own, patterns } }: Route.ComponentProps) {
  return (
    <Page>
      <h1 className="text-4xl">Rehearse</h1>
      <p className="mt-2 max-w-2xl text-lg">
        Practise on a simulated ESC before the real one. Here a missed beep costs nothing, and every slip is
        explained.
      </p>
      <EscList title="ESCs in your garage" of={own} />
      <EscList title="Patterns: one for each way of setting an ESC" of={patterns} />
    </Page>
  );
}

function EscList({ title, of }: { title: string; of: Listed[] }) {
  if (of.length === 0) return null;
  return (
    <section className="mt-7">
      <h2 className="text-2xl">{title}</h2>
      <ul className="mt-2 border-t border-ink">
        {of.map(({ key, name, media, times }) => (
          <li key={key} className="border-b border-rule">
            <Link to={`/rehearse/${key}`} className="grid min-h-14 content-center py-2 hover:text-draft">
              <strong className="font-display text-xl wrap-anywhere">{name}</strong>
              <span className="text-sm text-muted">
                {media}
                {times > 0 && ` · rehearsed ${times === 1 ? 'once' : `${times} times`}`}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
