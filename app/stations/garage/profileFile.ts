import { VERSION } from '#formats/document';
import { findProfileByKey } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { data } from 'react-router';
import { download } from '../../ui/download.server';
import type { Route } from './+types/profileFile';

export async function loader({ params }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const stored = await findProfileByKey(garage.id, params.profileKey);
  if (!stored) throw data(null, { status: 404 });
  return download(
    { format: 'live-tune/esc-profile', version: VERSION, ...stored.profile },
    stored.profile.name,
  );
}
