import { download } from '../../ui/download.server';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/rigFile';

export async function loader({ params }: Route.LoaderArgs) {
  const { rig, profile } = await benchOf(params.rigId);
  return download({ format: 'live-tune/rig', version: 1, rig, escProfileId: profile.id }, rig.name);
}
