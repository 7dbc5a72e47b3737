import { withMeasuredStop } from '#core/esc/measureStop';
import { readForm } from '#server/readBody';
import { findProfileByKey, keepProfile } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { moveToRevision } from '#server/repositories/revisions';
import { data } from 'react-router';
import { benchOf } from '../bench/benchData.server';
import { FormReader } from '../rig/formReader';
import type { Route } from './+types/measured';

const refused = (sentence: string) =>
  data({ problems: [{ path: 'reading', sentence }], sentence: '' }, { status: 400 });

/** Takes the reading of a stop: the next revision of the profile knows it, and this rig moves there. */
export async function action({ request, params }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const reader = new FormReader(await readForm(request));
  const itemId = reader.text('itemId');
  const stopId = reader.text('stopId');
  const item = bench.profile.items.find(({ id }) => id === itemId);
  const stop = item?.stops.find(({ id }) => id === stopId);
  if (!item || !stop) return refused('This stop no longer exists. Reload the page.');
  if (bench.newerRevision !== undefined)
    return refused(
      'Your garage has a newer revision of this profile. Move this rig to it first, on the Rig page.',
    );
  const reading = reader.number({ name: 'reading', label: 'The reading', unit: '', least: 0, most: 100000 });
  if (reading === undefined) return data({ problems: reader.problems, sentence: '' }, { status: 400 });
  const next = withMeasuredStop(bench.profile, itemId, stopId, reading, bench.rig.pack.cells);
  if (!next.ok) return data({ problems: next.problems, sentence: '' }, { status: 400 });
  const garage = await currentGarage();
  if ((await keepProfile(garage.id, next.value)) !== 'kept')
    return refused(
      'Somebody just made a newer revision of this profile. Move this rig to it first, on the Rig page.',
    );
  const stored = await findProfileByKey(garage.id, bench.profile.id);
  await moveToRevision(bench, stored!, 'correction');
  return { problems: [], sentence: `“${stop.label}” of “${item.label}” is measured now.` };
}
