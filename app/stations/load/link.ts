import { readIntents } from '#core/sheet/intents';
import { beginLinkJob, cancelLinkJob, linkJobOf } from '#server/link/linkJobs';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/link';

/** Where the last job on the link of this rig stands; null where there was none since the server started. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  return Response.json({ job: linkJobOf(rigId) ?? null });
}

/** Begins or stops a job on the link. */
export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const body = (await request.json()) as { do?: unknown; intents?: unknown };
  if (body.do === 'cancel') {
    cancelLinkJob(bench.rigId);
    return Response.json({ ok: true });
  }
  const intents = readIntents(bench.profile, body.intents);
  if (body.do !== 'begin' || !intents) {
    return Response.json({ sentence: 'The load names stops that this ESC does not have.' }, { status: 400 });
  }
  const sentence = beginLinkJob(bench, intents);
  return Response.json(sentence === undefined ? { ok: true } : { sentence }, {
    status: sentence === undefined ? 200 : 409,
  });
}
