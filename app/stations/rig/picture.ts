import { cleanPicture, LARGEST_PICTURE_BYTES } from '#server/cleanPicture';
import { readForm } from '#server/readBody';
import { deletePicture, keepPicture, pictureOf } from '#server/repositories/rigPictures';
import { data, redirect } from 'react-router';
import { benchOf } from '../bench/benchData.server';
import { keepTyped } from '../../ui/keepTyped';
import type { Route } from './+types/picture';

/** The picture of a rig. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const image = await pictureOf(rigId);
  if (!image) throw data(null, { status: 404 });
  return new Response(new Uint8Array(image), { headers: { 'Content-Type': 'image/webp' } });
}

/** Takes a picture, or takes it away. */
export async function action({ request, params }: Route.ActionArgs) {
  const { rigId } = await benchOf(params.rigId);
  // Looked at before anything of it is read into memory.
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_PICTURE_BYTES + 10_000)
    return data({ sentence: 'The picture is larger than 15 MB.' }, { status: 413 });
  const form = await readForm(request);
  if (form.get('intent') === 'remove') await deletePicture(rigId);
  else {
    const file = form.get('picture');
    if (!(file instanceof File) || file.size === 0)
      return data({ sentence: 'Choose a picture first.' }, { status: 400 });
    const cleaned = await cleanPicture(new Uint8Array(await file.arrayBuffer()));
    if (!cleaned.ok) return data({ sentence: cleaned.problems[0]!.sentence }, { status: 400 });
    await keepPicture(rigId, cleaned.value);
  }
  throw redirect(`/rigs/${rigId}/rig`);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
