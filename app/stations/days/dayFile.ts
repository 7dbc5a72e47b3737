import { VERSION } from '#formats/document';
import { download } from '../../ui/download.server';
import { dayOf } from './dayData.server';
import type { Route } from './+types/dayFile';

/** A day as an open document. */
export async function loader({ params }: Route.LoaderArgs) {
  const { day } = await dayOf(params.dayId);
  return download({ format: 'live-tune/day', version: VERSION, day }, `${day.date} ${day.name}`);
}
