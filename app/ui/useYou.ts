import type { Role } from '#server/access/who';
import { useRouteLoaderData } from 'react-router';
import { ROLES } from './roleWords';

export interface You {
  role: Role;
  name: string;
  /** Whether others may be looking, too. */
  isShared: boolean;
  /** Whether this is a paired device, and not the bench computer itself. */
  isPaired: boolean;
  isOwner: boolean;
  /** Whether this device sees what a role sees. The server decides; this only leaves away what it would refuse. */
  sees: (least: Role) => boolean;
}

/** Who looks at this page: on the doorstep nobody, and the least is shown. */
export function useYou(): You {
  const root = useRouteLoaderData<{ you: Sent | undefined }>('root');
  const { role, name, isShared, isPaired } = root?.you ?? NOBODY;
  return {
    role,
    name,
    isShared,
    isPaired,
    isOwner: role === 'owner',
    sees: (least) => ROLES.indexOf(role) <= ROLES.indexOf(least),
  };
}

type Sent = Pick<You, 'role' | 'name' | 'isShared' | 'isPaired'>;
const NOBODY: Sent = { role: 'visitor', name: '', isShared: false, isPaired: false };
