import { nameFault } from '#core/units/text';
import { hashPassword, passwordFault } from '#server/access/passwords';
import { whoAsks } from '#server/access/who';
import { readForm, textOf } from '#server/readBody';
import { addGarage, allGarages, garageById } from '#server/repositories/garages';
import { data, Form, Link, redirectDocument } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { INPUT } from '../rig/formParts';
import { PasswordFields } from './PasswordFields';
import type { Route } from './+types/garages';

export const meta: Route.MetaFunction = () => [{ title: 'Garages · Live Tune' }];

export async function loader() {
  const { garageId } = whoAsks();
  return { garages: await allGarages(), garageId };
}

export async function action({ request }: Route.ActionArgs) {
  const form = await readForm(request);
  const mine = await garageById(whoAsks().garageId);
  // From the second garage on everybody signs in at the bench: nobody shall lock himself out.
  if (!mine.hasPassword) return refused('Choose a password for your own garage first, under Pit.');
  const name = textOf(form, 'name');
  const password = form.get('password');
  const typed = typeof password === 'string' ? password : '';
  const fault = nameFault(name);
  if (fault !== undefined) return refused(`The garage ${fault}`);
  const weak = passwordFault(typed, [name, 'live tune', 'livetune']);
  if (weak !== undefined) return refused(weak);
  const made = await addGarage(name, await hashPassword(typed));
  if (made.outcome === 'taken') return refused('There is a garage of that name. Take another name.');
  if (made.outcome === 'tooMany') return refused('No more garages fit on this computer.');
  // Nothing that this page knows is open to it any more.
  throw redirectDocument('/sign-in');
}

const refused = (fault: string) => data({ fault }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** The garages of a bench that several share: nothing of one is seen in another. */
export default function GaragesRoute({
  loaderData: { garages, garageId },
  actionData,
}: Route.ComponentProps) {
  const fault = answered(actionData)?.fault;
  return (
    <Page>
      <h1 className="text-4xl">Garages</h1>
      <p className="mt-2 max-w-2xl text-muted">
        Several people share this computer, at a club, say? Each has a garage, with rigs, packs and days that
        nobody else sees. From the second garage on, everybody signs in here, too.
      </p>
      <ul className="mt-4 border-t border-rule">
        {garages.map(({ id, name }) => (
          <li key={id} className="border-b border-rule py-2">
            <strong className="wrap-anywhere">{name}</strong>
            {id === garageId && ' (open here)'}
          </li>
        ))}
      </ul>
      {garages.length > 1 && (
        <Form method="post" action="/sign-out" className="mt-3">
          <Button type="submit">Close this garage here</Button>
        </Form>
      )}
      <h2 className="mt-8 text-2xl">Add a garage</h2>
      <div className="mt-2" role="alert">
        {fault && <Notice grade="caution" title={fault} />}
      </div>
      <AwayNotice answer={actionData} />
      <Form method="post" className="mt-3 grid max-w-md gap-4">
        <label className="grid gap-1">
          Its name
          <input name="name" autoComplete="username" className={`${INPUT} min-h-11`} />
        </label>
        <PasswordFields fields={[{ name: 'password', label: 'Password of its owner', isNew: true }]} />
        <Button type="submit" look="main">
          Add it
        </Button>
      </Form>
      <p className="mt-6">
        <Link to="/pit" className="inline-flex min-h-11 items-center underline underline-offset-4">
          Back to the pit
        </Link>
      </p>
    </Page>
  );
}
