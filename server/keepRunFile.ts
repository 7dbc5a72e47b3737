/** A run from a file, with its log where it brings one. */
import type { Result } from '#core/units/problem';
import { samplesInFile } from '#formats/keptLog';
import type { RunFile } from '#formats/run';
import { keepLog } from './repositories/runLogs';
import { keepRun, type RunKept } from './repositories/runs';

/** Keeps both, or neither where the log is none. The log of a run that is there already stays as it is. */
export async function keepRunFile(rigId: string, { run, log }: RunFile): Promise<Result<RunKept>> {
  const samples = log && samplesInFile(log.samples);
  if (samples && !samples.ok) return samples;
  const kept = await keepRun(rigId, run);
  if (log && samples && kept.outcome === 'added')
    await keepLog(rigId, kept.number, log.meta, Buffer.from(samples.value));
  return { ok: true, value: kept };
}
