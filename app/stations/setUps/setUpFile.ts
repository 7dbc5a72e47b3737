import { VERSION } from '#formats/document';
import { findProfileRevision } from '#server/repositories/escProfiles';
import { findSetUp } from '#server/repositories/setUps';
import { currentGarage } from '#server/repositories/garages';
import { data } from 'react-router';
import { download } from '../../ui/download.server';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/setUpFile';

/** A set-up as a file, with the ESC profile that it is for. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const stored = await findSetUp(rigId, params.setUpId);
  if (!stored) throw data(null, { status: 404 });
  const { setUp } = stored;
  const garage = await currentGarage();
  const escProfile = await findProfileRevision(garage.id, setUp.profileId, setUp.profileRevision);
  return download(
    { format: 'live-tune/set-up', version: VERSION, setUp, ...(escProfile ? { escProfile } : {}) },
    setUp.name,
  );
}
