import { whoAsks } from '#server/access/who';
import { doorContext } from '#server/doorContext';
import { closeLines } from '#server/live/liveRoutes';
import { signOut } from '#server/repositories/devices';
import { redirectDocument } from 'react-router';
import type { Route } from './+types/signOut';

/** Ends the session of this device; it has to be paired again. */
export async function action({ context }: Route.ActionArgs) {
  const { deviceId } = whoAsks();
  if (deviceId !== undefined) await signOut(deviceId);
  context.get(doorContext).takeTokenAway();
  await closeLines();
  // The guard knows which doorstep that leads to.
  throw redirectDocument('/');
}
