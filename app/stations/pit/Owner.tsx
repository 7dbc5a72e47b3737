import { useState } from 'react';
import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { TickBox } from '../../ui/TickBox';
import { INPUT } from '../rig/formParts';

interface Props {
  /** Undefined where only the password is asked for. */
  name?: string;
  hasPassword: boolean;
  asksPassword?: boolean;
  /** Whether the password of before is asked for, too: everywhere but at the bench. */
  asksBefore?: boolean;
}

/** The owner's name for the garage, and his password. */
export function Owner({ name, hasPassword, asksPassword = true, asksBefore = false }: Props) {
  const [isShown, show] = useState(false);
  return (
    <div className="grid max-w-2xl gap-5">
      {name !== undefined && (
        <Form method="post" className="mt-3 flex flex-wrap items-end gap-3">
          <label className="grid grow gap-1">
            Name of the garage
            <input name="name" defaultValue={name} className={`${INPUT} min-h-11`} />
          </label>
          <Button type="submit" name="intent" value="name">
            Keep the name
          </Button>
        </Form>
      )}
      {asksPassword && (
        <Form method="post" className="mt-3 grid gap-3">
          {asksBefore && hasPassword && (
            <label className="grid gap-1">
              Password of before
              <input
                name="before"
                type={isShown ? 'text' : 'password'}
                autoComplete="current-password"
                className={`${INPUT} min-h-11`}
              />
            </label>
          )}
          <label className="grid gap-1">
            {hasPassword ? 'A new password of the owner' : 'Password of the owner'}
            <input
              name="password"
              type={isShown ? 'text' : 'password'}
              autoComplete="new-password"
              className={`${INPUT} min-h-11`}
            />
          </label>
          <div className="flex flex-wrap items-center gap-x-6">
            <TickBox on={isShown} onChange={show}>
              show it
            </TickBox>
            <Button type="submit" name="intent" value="password">
              {hasPassword ? 'Change the password' : 'Keep the password'}
            </Button>
          </div>
          <p className="text-sm text-muted">
            12 characters or more: four words will do. It signs you in from a phone without a code. At this
            computer you need it only where several garages share it.
          </p>
        </Form>
      )}
    </div>
  );
}
