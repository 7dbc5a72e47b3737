import type { Principal } from '#server/access/who';

/** Where somebody begins: with all that he sees. */
export function homeOf({ sees }: Pick<Principal, 'sees'>): string {
  if (!sees) return '/';
  return sees.setUpId === undefined ? `/rigs/${sees.rigId}/rig` : '/set-up';
}
