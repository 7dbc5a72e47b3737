import { currentGarage } from '#server/repositories/garages';
import { practiceOf } from '#server/repositories/practice';
import { Link } from 'react-router';
import { Page } from '../../ui/Page';
import { groundOf } from './ground.server';
import { SignsDrill } from './SignsDrill';
import { practiceIsSent } from './sendPractice';
import type { Route } from './+types/signs';

export async function loader({ params }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const [{ from }, { signs }] = await Promise.all([
    groundOf(params.profileKey, null),
    practiceOf(garage.id, params.profileKey),
  ]);
  return { profile: from.profile, signs };
}

export async function clientLoader({ serverLoader }: Route.ClientLoaderArgs) {
  await practiceIsSent();
  return serverLoader();
}

export const meta: Route.MetaFunction = () => [{ title: 'Tones and blinks · Rehearse · Live Tune' }];

/** Tones and blinks of one ESC, to recognise against the clock. */
export default function SignsRoute({ loaderData: { profile, signs } }: Route.ComponentProps) {
  return (
    <Page>
      <p className="text-muted wrap-anywhere">
        <Link to={`/rehearse/${profile.id}`} className="underline underline-offset-4">
          Lessons
        </Link>{' '}
        · {profile.name}
      </p>
      <h1 className="mt-1 text-4xl">Tones and blinks</h1>
      <SignsDrill profile={profile} begun={signs} />
    </Page>
  );
}
