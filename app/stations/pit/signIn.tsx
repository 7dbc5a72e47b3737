import { signIn } from '#server/access/enter';
import { doorContext } from '#server/doorContext';
import { readForm, textOf } from '#server/readBody';
import { allGarages } from '#server/repositories/garages';
import { data, Form, Link, redirectDocument, useNavigation } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { INPUT } from '../rig/formParts';
import { Doorstep } from './Doorstep';
import { PasswordFields } from './PasswordFields';
import type { Route } from './+types/signIn';

export const meta: Route.MetaFunction = () => [{ title: 'Sign in · Live Tune' }];

/** Whoever sits at the machine may know which garages are on it; the network learns nothing. */
export async function loader({ context }: Route.LoaderArgs) {
  const { door } = context.get(doorContext);
  return { door, names: door === 'bench' ? (await allGarages()).map(({ name }) => name) : [] };
}

const LONGEST_NAME = 40;

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request);
  const door = context.get(doorContext);
  // As it was typed: spaces belong to a password.
  const password = form.get('password');
  const name = textOf(form, 'name').slice(0, LONGEST_NAME) || USUAL_NAME[door.door];
  const entered = await signIn(
    textOf(form, 'garage'),
    typeof password === 'string' ? password : '',
    name,
    door,
  );
  if (!entered.ok) return data({ sentence: entered.sentence }, { status: 403 });
  throw redirectDocument('/');
}

const USUAL_NAME = { bench: 'the bench, signed in', share: 'the owner’s phone' } as const;

/** For the owner: at a phone without a code, and at a bench that several share. */
export default function SignInRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { door, names } = loaderData;
  const busy = useNavigation().state !== 'idle';
  return (
    <Doorstep title="Sign in as the owner">
      <Form method="post" className="mt-5 grid gap-4">
        <label className="grid gap-1">
          Garage
          {names.length > 0 ? (
            <select name="garage" className={`${INPUT} min-h-11`}>
              {names.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          ) : (
            <input name="garage" required autoComplete="username" className={`${INPUT} min-h-11`} />
          )}
        </label>
        <PasswordFields fields={[{ name: 'password', label: 'Password', isNew: false }]} />
        {door === 'share' && (
          <label className="grid gap-1">
            Name of this device, for your list
            <input
              name="name"
              maxLength={LONGEST_NAME}
              placeholder={USUAL_NAME.share}
              className={`${INPUT} min-h-11`}
            />
          </label>
        )}
        {actionData && (
          <div role="alert">
            <Notice grade="caution" title={actionData.sentence} />
          </div>
        )}
        <Button type="submit" look="main" disabled={busy}>
          Sign in
        </Button>
      </Form>
      <p className="mt-6 text-muted">
        {door === 'share' ? (
          <Link reloadDocument discover="none" to="/pair" className="underline underline-offset-4">
            Pair with a code instead
          </Link>
        ) : (
          'Password forgotten? Start Live Tune with --open-garage and the name of the garage, then choose another one.'
        )}
      </p>
    </Doorstep>
  );
}
