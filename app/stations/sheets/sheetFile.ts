import { VERSION } from '#formats/document';
import { findSheet } from '#server/repositories/sheets';
import { data } from 'react-router';
import { download } from '../../ui/download.server';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/sheetFile';

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId, rig } = await benchOf(params.rigId);
  const stored = await findSheet(rigId, Number(params.number));
  if (!stored) throw data(null, { status: 404 });
  return download(
    { format: 'live-tune/sheet', version: VERSION, ...stored.sheet },
    `${rig.name} sheet ${stored.number}`,
  );
}
