import { pair } from '#server/access/enter';
import { doorContext } from '#server/doorContext';
import { readForm, textOf } from '#server/readBody';
import { useEffect, useRef } from 'react';
import { data, Form, Link, redirectDocument, useNavigation } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { INPUT } from '../rig/formParts';
import { Doorstep } from './Doorstep';
import { homeOf } from './homeOf';
import type { Route } from './+types/pair';

export const meta: Route.MetaFunction = () => [{ title: 'Pair this device · Live Tune' }];

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request);
  const entered = await pair(textOf(form, 'code'), context.get(doorContext));
  if (!entered.ok) return data({ sentence: entered.sentence }, { status: 403 });
  throw redirectDocument(homeOf(entered.device));
}

/** What a device sees that is not known here: one field, and the way in. */
export default function PairRoute({ actionData }: Route.ComponentProps) {
  const code = useRef<HTMLInputElement>(null);
  const busy = useNavigation().state !== 'idle';
  // The code of the picture stands behind the sign that no browser sends along.
  useEffect(() => {
    const shown = window.location.hash.slice(1);
    if (code.current && shown) code.current.value = shown;
  }, []);
  return (
    <Doorstep title="Pair this device">
      <Form method="post" className="mt-5 grid gap-4">
        <label className="grid gap-1">
          Pairing code
          <input
            ref={code}
            name="code"
            required
            autoComplete="off"
            autoCapitalize="characters"
            spellCheck={false}
            className={`${INPUT} min-h-14 font-mono text-2xl uppercase`}
          />
        </label>
        {actionData && (
          <div role="alert">
            <Notice grade="caution" title={actionData.sentence} />
          </div>
        )}
        <Button type="submit" look="main" disabled={busy} className="min-h-14">
          Pair
        </Button>
      </Form>
      <p className="mt-6 text-muted">
        The owner makes the code on the bench computer, under “Pit”. It works once, for ten minutes.
      </p>
      <p className="mt-4 flex flex-wrap gap-x-6">
        <Link reloadDocument discover="none" to="/trust" className={WAY}>
          The browser warned me
        </Link>
        <Link reloadDocument discover="none" to="/sign-in" className={WAY}>
          Sign in as the owner
        </Link>
      </p>
    </Doorstep>
  );
}

const WAY = 'inline-flex min-h-11 items-center underline underline-offset-4';
