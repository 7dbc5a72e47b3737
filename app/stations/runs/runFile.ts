import { VERSION } from '#formats/document';
import { logInFile } from '#formats/keptLog';
import { logMetaOf, logSamples } from '#server/repositories/runLogs';
import { findRun } from '#server/repositories/runs';
import { data } from 'react-router';
import { download } from '../../ui/download.server';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/runFile';

/** A run as an open document. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  const found = await findRun(rigId, Number(params.number));
  if (!found) throw data(null, { status: 404 });
  const { number, run } = found;
  const [meta, samples] = await Promise.all([logMetaOf(rigId, number), logSamples(rigId, number)]);
  const log = meta && samples && logInFile(meta, samples);
  return download(
    { format: 'live-tune/run', version: VERSION, run, ...(log && { log }) },
    `${run.rigName} ${number}`,
  );
}
