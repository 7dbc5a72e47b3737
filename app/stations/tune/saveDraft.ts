import { readIntents } from '#core/sheet/intents';
import { saveDraft } from '#server/repositories/drafts';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/saveDraft';

/** Saves the draft as the user moves it. Intents for anything but this ESC's own stops are refused. */
export async function action({ params, request }: Route.ActionArgs) {
  const { profile } = await benchOf(params.rigId);
  const body = (await request.json()) as { baseRevision?: unknown; stops?: unknown };
  const stops = readIntents(profile, body.stops);
  if (!Number.isInteger(body.baseRevision) || !stops) {
    return Response.json({ sentence: 'The draft names stops that this ESC does not have.' }, { status: 400 });
  }
  return Response.json(await saveDraft(params.rigId, body.baseRevision as number, { stops }));
}
