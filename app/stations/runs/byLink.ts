import { LinkError } from '#server/link/escLink';
import { runByLink, type RunByLink } from '#server/link/runByLink';
import { beginDrive, DRIVE_MINUTES, driveAtOnce, driveOf, type DriveView } from '#server/link/simulatedDrive';
import { readForm, textOf } from '#server/readBody';
import { benchOf } from '../bench/benchData.server';
import { keepTyped } from '../../ui/keepTyped';
import type { Route } from './+types/byLink';

export type ByLinkAnswer =
  | ({ done: 'read' } & RunByLink)
  | { done: 'driven'; minutes: number }
  | { done: 'watching' }
  | { done: 'nothing'; sentence: string };

/** The drive that is looked at; null where there was none since the server started. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  return Response.json({ drive: driveOf(rigId) ?? null } satisfies { drive: DriveView | null });
}

/** What the ESC logged is read over the link, or the simulated one is driven so that it logs something. */
export async function action({ params, request }: Route.ActionArgs): Promise<ByLinkAnswer> {
  const bench = await benchOf(params.rigId);
  const form = await readForm(request);
  try {
    switch (textOf(form, 'intent')) {
      case 'drive':
        await driveAtOnce(bench);
        return { done: 'driven', minutes: DRIVE_MINUTES };
      case 'watch':
        await beginDrive(bench);
        return { done: 'watching' };
      default:
        return { done: 'read', ...(await runByLink(bench)) };
    }
  } catch (error) {
    if (error instanceof LinkError) return { done: 'nothing', sentence: error.message };
    throw error;
  }
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
