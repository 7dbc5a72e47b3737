import { readDraft } from '#core/sheet/intents';
import { readJson } from '#server/readBody';
import { saveDraft } from '#server/repositories/drafts';
import { isCount } from '#server/repositories/ids';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/saveDraft';

/** Saves the draft as the user moves it. Intents for anything but this ESC's own stops, and numbers that no model has, are refused. */
export async function action({ params, request }: Route.ActionArgs) {
  const { profile } = await benchOf(params.rigId);
  const body = await readJson(request);
  const draft = readDraft(profile, body);
  if (!isCount(body.baseRevision) || !draft) {
    const sentence = 'The draft uses something that this ESC or model does not have.';
    return Response.json({ sentence }, { status: 400 });
  }
  return Response.json(await saveDraft(params.rigId, body.baseRevision, draft));
}
