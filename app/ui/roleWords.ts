import type { Role } from '#server/access/who';

/** From most to least. */
export const ROLES: readonly Role[] = ['owner', 'helper', 'visitor'];

/** What each role is called, and what it may. */
export const ROLE_WORDS: Readonly<Record<Role, { name: string; may: string }>> = {
  owner: { name: 'my own', may: 'it may do everything.' },
  helper: { name: 'a helper', may: 'it reads everything, ticks steps and notes runs.' },
  visitor: { name: 'a visitor', may: 'it reads one rig, or one set-up.' },
};
