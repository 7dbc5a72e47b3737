import { onBenchClock } from '#core/runs/benchClock';
import { problemsOf } from '#formats/document';
import { runToKeepSchema } from '#formats/run';
import { readJson } from '#server/readBody';
import { hasRun, keepRun } from '#server/repositories/runs';
import { runFrom, type NotedRun } from '#server/runFrom';
import { benchOf } from '../bench/benchData.server';
import { SENT_AT } from './waitingRuns';
import type { Route } from './+types/keepRun';

/** Keeps a run that a page noted, with what the ESC held by then. One that was sent before is not kept again. */
export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const body: unknown = await readJson(request);
  const problems = problemsOf(runToKeepSchema, body);
  if (problems.length > 0) return Response.json({ problems }, { status: 400 });
  const sent = body as NotedRun;
  const drivenAt = onBenchClock(sent.drivenAt, request.headers.get(SENT_AT), Date.now());
  const noted = { ...sent, drivenAt };
  const known = await hasRun(params.rigId, noted.id);
  const number = known ?? (await keepRun(params.rigId, await runFrom(bench, noted))).number;
  return Response.json({ number });
}
