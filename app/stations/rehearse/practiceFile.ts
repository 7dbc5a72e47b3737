import { VERSION } from '#formats/document';
import { currentGarage } from '#server/repositories/garages';
import { practiceFile, practiceOf } from '#server/repositories/practice';
import { download } from '../../ui/download.server';
import { groundOf } from './ground.server';
import type { Route } from './+types/practiceFile';

/** What was practised on an ESC as an open document. */
export async function loader({ params }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const { from } = await groundOf(params.profileKey, null);
  const file = practiceFile(params.profileKey, await practiceOf(garage.id, params.profileKey));
  return download(
    { format: 'live-tune/practice', version: VERSION, ...file },
    `practice ${from.profile.name}`,
  );
}
