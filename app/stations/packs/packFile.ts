import { VERSION } from '#formats/document';
import { currentGarage } from '#server/repositories/garages';
import { findPack } from '#server/repositories/packs';
import { data } from 'react-router';
import { download } from '../../ui/download.server';
import type { Route } from './+types/packFile';

/** A pack as an open document. */
export async function loader({ params }: Route.LoaderArgs) {
  const garage = await currentGarage();
  const life = await findPack(garage.id, params.packId);
  if (!life) throw data(null, { status: 404 });
  const { pack, entries } = life;
  return download(
    { format: 'live-tune/pack', version: VERSION, pack, entries: [...entries] },
    `pack ${pack.label}`,
  );
}
