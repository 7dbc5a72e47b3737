import type { ReactNode } from 'react';
import { useYou } from './useYou';

interface Props {
  children: ReactNode;
}

/** What changes something that only the owner changes: others are not offered it. The server refuses them in any case. */
export const OwnersOnly = ({ children }: Props) => useYou().isOwner && children;

/** Fields that tell something as well: others read them, and cannot change them. */
export const OwnersFields = ({ children }: Props) => (
  <fieldset disabled={!useYou().isOwner} className="contents">
    {children}
  </fieldset>
);
