import type { Draft } from '#core/sheet/draft';
import { saveDraft } from '#server/repositories/drafts';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/saveDraft';

/** Saves the draft as the user moves it. Intents for anything but this ESC's own stops are refused. */
export async function action({ params, request }: Route.ActionArgs) {
  const { profile } = await benchOf(params.rigId);
  const body = (await request.json()) as { baseRevision?: unknown; stops?: unknown };
  const draft = draftFrom(body.stops, (itemId) => profile.items.find((item) => item.id === itemId)?.stops);
  if (!Number.isInteger(body.baseRevision) || !draft) {
    return Response.json({ sentence: 'The draft names stops that this ESC does not have.' }, { status: 400 });
  }
  return Response.json(await saveDraft(params.rigId, body.baseRevision as number, draft));
}

function draftFrom(
  stops: unknown,
  stopsOf: (itemId: string) => { id: string }[] | undefined,
): Draft | undefined {
  if (typeof stops !== 'object' || stops === null) return undefined;
  const real = Object.entries(stops).every(([itemId, stopId]) =>
    stopsOf(itemId)?.some((stop) => stop.id === stopId),
  );
  return real ? { stops: stops as Draft['stops'] } : undefined;
}
