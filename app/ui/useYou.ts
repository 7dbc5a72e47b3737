import type { Role } from '#server/access/who';
import { useRouteLoaderData } from 'react-router';
import { ROLES } from './roleWords';

export interface You {
  role: Role;
  name: string;
  /** Whether others may be looking, too. */
  isShared: boolean;
  isOwner: boolean;
  /** Whether this device sees what a role sees. The server decides; this only leaves away what it would refuse. */
  sees: (least: Role) => boolean;
}

/** Who looks at this page: on the doorstep nobody, and the least is shown. */
export function useYou(): You {
  const root = useRouteLoaderData<{ you: Pick<You, 'role' | 'name' | 'isShared'> | undefined }>('root');
  const { role, name, isShared } = root?.you ?? NOBODY;
  return {
    role,
    name,
    isShared,
    isOwner: role === 'owner',
    sees: (least) => ROLES.indexOf(role) <= ROLES.indexOf(least),
  };
}

const NOBODY = { role: 'visitor', name: '', isShared: false } as const;
