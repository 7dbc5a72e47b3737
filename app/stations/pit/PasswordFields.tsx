import { useState } from 'react';
import { TickBox } from '../../ui/TickBox';
import { INPUT } from '../rig/formParts';

interface Field {
  name: string;
  label: string;
  /** Whether it is chosen here, or was before. */
  isNew: boolean;
}

/** Passwords to type, which can be shown: on a phone nobody types twelve characters blindly. */
export function PasswordFields({ fields }: { fields: readonly Field[] }) {
  const [isShown, show] = useState(false);
  return (
    <>
      {fields.map(({ name, label, isNew }) => (
        <label key={name} className="grid gap-1">
          {label}
          <input
            name={name}
            type={isShown ? 'text' : 'password'}
            required
            autoComplete={isNew ? 'new-password' : 'current-password'}
            className={`${INPUT} min-h-11`}
          />
        </label>
      ))}
      <TickBox on={isShown} onChange={show}>
        show it
      </TickBox>
    </>
  );
}
