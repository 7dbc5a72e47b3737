/** The logs of runs: one of each at most. */
import type { KnownColumns, LogMeta } from '#core/runs/log/meta';
import { QueryTypes } from 'sequelize';
import { database } from '../database';
import { RunLogModel } from '../models';
import { isCount } from './ids';

/** What is known of the log of a run; undefined where it has none. */
export async function logMetaOf(rigId: string, number: number): Promise<LogMeta | undefined> {
  if (!isCount(number)) return undefined;
  const row = await RunLogModel.findOne({ where: { rigId, number }, attributes: ['document'] });
  return row?.document;
}

/** The samples of the log of a run, packed. */
export async function logSamples(rigId: string, number: number): Promise<Buffer | undefined> {
  if (!isCount(number)) return undefined;
  return (await RunLogModel.findOne({ where: { rigId, number }, attributes: ['samples'] }))?.samples;
}

/** Keeps the log of a run, in place of the one that it had. Bound, not written into the query: forty megabytes would double there. */
export async function keepLog(rigId: string, number: number, meta: LogMeta, samples: Buffer): Promise<void> {
  await database().query(
    `INSERT INTO run_logs (rig_id, number, document, samples) VALUES ($1, $2, $3, $4)
     ON CONFLICT (rig_id, number) DO UPDATE SET document = $3, samples = $4, kept_at = now()`,
    { bind: [rigId, number, JSON.stringify(meta), samples] },
  );
}

/** @returns false where the run has no log */
export async function forgetLog(rigId: string, number: number): Promise<boolean> {
  return isCount(number) && (await RunLogModel.destroy({ where: { rigId, number } })) > 0;
}

/** Which of some runs have a log. */
export async function numbersWithLog(rigId: string, numbers: readonly number[]): Promise<number[]> {
  const rows = await RunLogModel.findAll({ where: { rigId, number: [...numbers] }, attributes: ['number'] });
  return rows.map(({ number }) => number);
}

/** How files with the same heads were read last, anywhere in the garage: what its reader said once need not be said again. */
export async function knownColumns(garageId: string): Promise<KnownColumns[]> {
  return database().query<KnownColumns>(
    `SELECT DISTINCT ON (l.document->>'headKey') l.document->>'headKey' AS "headKey", l.document->'uses' AS uses,
       l.document->'units' AS units
     FROM run_logs l JOIN rigs r ON r.id = l.rig_id
     WHERE r.garage_id = :garageId AND l.document->>'source' = 'file'
     ORDER BY l.document->>'headKey', l.kept_at DESC LIMIT 100`,
    { type: QueryTypes.SELECT, replacements: { garageId } },
  );
}
