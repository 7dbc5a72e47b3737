/** A run from a file, with its log where it brings one. */
import type { Result } from '#core/units/problem';
import { logOfFile } from '#formats/keptLog';
import type { RunFile } from '#formats/run';
import { keepLog } from './repositories/runLogs';
import { keepRun, type RunKept } from './repositories/runs';

/** Keeps both, or neither where the log is none. The log of a run that is there already stays as it is. */
export async function keepRunFile(rigId: string, { run, log }: RunFile): Promise<Result<RunKept>> {
  const read = log && logOfFile(log);
  if (read && !read.ok) return read;
  const kept = await keepRun(rigId, run);
  if (read && kept.outcome === 'added')
    await keepLog(rigId, kept.number, read.value.meta, Buffer.from(read.value.packed));
  return { ok: true, value: kept };
}
