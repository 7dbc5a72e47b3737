import { whoAsks } from '#server/access/who';
import { data, Form, Link } from 'react-router';
import { Button } from '../../ui/Button';
import { Doorstep } from './Doorstep';
import { homeOf } from './homeOf';
import { ROLE_WORDS } from '../../ui/roleWords';
import type { Route } from './+types/notAllowed';

export const meta: Route.MetaFunction = () => [{ title: 'Not yours · Live Tune' }];

export function loader() {
  const principal = whoAsks();
  return data({ role: principal.role, name: principal.name, home: homeOf(principal) }, { status: 403 });
}

export default function NotAllowedRoute({ loaderData: { role, name, home } }: Route.ComponentProps) {
  return (
    <Doorstep title="That is the owner’s">
      <p className="mt-3 text-lg">
        This device is paired as “{name}”. {ROLE_WORDS[role].you}
      </p>
      <p className="mt-6">
        <Button look="main" asChild>
          <Link to={home}>Go to what you can see</Link>
        </Button>
      </p>
      <Form method="post" action="/sign-out" className="mt-6">
        <Button type="submit" look="quiet">
          Unpair this device
        </Button>
      </Form>
    </Doorstep>
  );
}
