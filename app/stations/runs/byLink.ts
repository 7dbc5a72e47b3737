import { LinkError } from '#server/link/escLink';
import { driveSimulated, runByLink, type RunByLink } from '#server/link/runByLink';
import { readForm, textOf } from '#server/readBody';
import { benchOf } from '../bench/benchData.server';
import { keepTyped } from '../../ui/keepTyped';
import type { Route } from './+types/byLink';

/** How long the stand-in drives, minutes. */
const DRIVE_MINUTES = 3;

export type ByLinkAnswer =
  | ({ done: 'read' } & RunByLink)
  | { done: 'driven'; minutes: number }
  | { done: 'nothing'; sentence: string };

/** What the ESC logged is read over the link, or the simulated one is driven so that it logs something. */
export async function action({ params, request }: Route.ActionArgs): Promise<ByLinkAnswer> {
  const bench = await benchOf(params.rigId);
  const form = await readForm(request);
  try {
    if (textOf(form, 'intent') === 'drive') {
      await driveSimulated(bench, DRIVE_MINUTES);
      return { done: 'driven', minutes: DRIVE_MINUTES };
    }
    return { done: 'read', ...(await runByLink(bench)) };
  } catch (error) {
    if (error instanceof LinkError) return { done: 'nothing', sentence: error.message };
    throw error;
  }
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
