import type { Role } from '#server/access/who';

/** From most to least. */
export const ROLES: readonly Role[] = ['owner', 'helper', 'visitor'];

/** What each role is called, what it may, and the same said to whoever has it. */
export const ROLE_WORDS: Readonly<Record<Role, { name: string; may: string; you: string }>> = {
  owner: { name: 'my own', may: 'it may do everything.', you: 'You may do everything.' },
  helper: {
    name: 'a helper',
    may: 'it reads everything, ticks steps and notes runs.',
    you: 'You read everything, tick steps and note runs.',
  },
  visitor: {
    name: 'a visitor',
    may: 'it reads one rig, or one set-up.',
    you: 'You read what the owner shows you.',
  },
};
