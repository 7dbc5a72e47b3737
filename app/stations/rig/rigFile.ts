import { VERSION } from '#formats/document';
import { download } from '../../ui/download.server';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/rigFile';

export async function loader({ params }: Route.LoaderArgs) {
  const { rig, profile } = await benchOf(params.rigId);
  return download(
    { format: 'live-tune/rig', version: VERSION, rig, escProfileId: profile.id, escProfile: profile },
    rig.name,
  );
}
