import type { LogMeta } from '#core/runs/log/meta';
import { problemsOf } from '#formats/document';
import { checkedLog, logMetaSchema, splitLog } from '#formats/keptLog';
import { findRun } from '#server/repositories/runs';
import { keepLog, logSamples } from '#server/repositories/runLogs';
import { data } from 'react-router';
import { benchOf } from '../../bench/benchData.server';
import type { Route } from './+types/keepLog';

/** The samples of a run's log, as they are kept. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const samples = await logSamples(rigId, Number(params.number));
  if (!samples) throw data(null, { status: 404 });
  return new Response(new Uint8Array(samples), {
    // Floats hardly shrink: packing them for the way would take longer than the way.
    headers: { 'Content-Type': 'application/octet-stream', 'Cache-Control': 'no-transform' },
  });
}

/** Keeps a log that a page has read, in place of the one that the run had. */
export async function action({ params, request }: Route.ActionArgs) {
  const { rigId } = await benchOf(params.rigId);
  const found = await findRun(rigId, Number(params.number));
  if (!found) throw data(null, { status: 404 });
  if (request.headers.get('content-type') !== 'application/octet-stream')
    return refused(415, 'A log is sent as bytes.');
  const split = splitLog(new Uint8Array(await request.arrayBuffer()));
  if (!split) return refused(400, 'The log is cut short.');
  const problems = problemsOf(logMetaSchema, split.meta);
  if (problems.length > 0) return Response.json({ problems }, { status: 400 });
  const log = checkedLog({ meta: split.meta as LogMeta, packed: split.packed });
  if (!log.ok) return Response.json({ problems: log.problems }, { status: 400 });
  await keepLog(rigId, found.number, log.value.meta, Buffer.from(log.value.packed));
  return Response.json({ ok: true });
}

const refused = (status: number, sentence: string): Response =>
  Response.json({ problems: [{ path: '', sentence }] }, { status });
