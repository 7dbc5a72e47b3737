import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { INPUT } from '../rig/formParts';
import { PasswordFields } from './PasswordFields';

/** What the garage is called. */
export function GarageName({ name }: { name: string }) {
  return (
    <Form method="post" className="mt-3 flex max-w-2xl flex-wrap items-end gap-3">
      <label className="grid grow gap-1">
        Name of the garage
        <input name="name" defaultValue={name} className={`${INPUT} min-h-11`} />
      </label>
      <Button type="submit" name="intent" value="name">
        Keep the name
      </Button>
    </Form>
  );
}

interface Props {
  hasPassword: boolean;
  /** Whether the password of before is asked for, too: everywhere but at the bench. */
  asksBefore: boolean;
}

/** The password of the owner: the first, or another. */
export function OwnerPassword({ hasPassword, asksBefore }: Props) {
  const before = { name: 'before', label: 'Current password', isNew: false };
  const chosen = {
    name: 'password',
    label: hasPassword ? 'A new password of the owner' : 'Password of the owner',
    isNew: true,
  };
  return (
    <Form method="post" className="mt-3 grid max-w-2xl gap-3">
      <PasswordFields fields={asksBefore && hasPassword ? [before, chosen] : [chosen]} />
      <Button type="submit" name="intent" value="password" className="justify-self-start">
        {hasPassword ? 'Change the password' : 'Keep the password'}
      </Button>
      <p className="text-sm text-muted">
        12 characters or more: four words will do. It signs you in from a phone without a code. At this
        computer you need it only where several garages share it.
      </p>
    </Form>
  );
}
