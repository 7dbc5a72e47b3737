/** A run that an ESC logged, read over the link: kept as a run with its log, and only then cleared on the ESC. */
import { handValuesOf } from '#core/rig/handValues';
import { metaFromLink } from '#core/runs/log/meta';
import { unpackLog } from '#core/runs/log/packed';
import { endsOf, readingsOfLog } from '#core/runs/log/readingsOfLog';
import { EMPTY_NOTE } from '#core/runs/run';
import type { Bench } from '../repositories/rigs';
import { keepLog, logMetaOf } from '../repositories/runLogs';
import { hasRun, keepRun } from '../repositories/runs';
import { runFrom } from '../runFrom';
import { LinkError } from './escLink';
import { LINK_BUSY, takeLink } from './linkUse';
import { readLogByLink, type ReadLog } from './readLogByLink';
import { openStandIn, plugInSimulated, serialOf } from './standIn';

/** What came of reading. */
export interface RunByLink {
  number: number;
  /** Whether the ESC forgot its log; where it did not, it is read and cleared the next time. */
  cleared: boolean;
}

/**
 * Reads what the ESC of a bench logged and keeps it. The same log is the same run, however often it is read.
 * @throws {LinkError} where nothing was kept
 */
export async function runByLink(bench: Bench): Promise<RunByLink> {
  const giveBack = takeLink();
  if (!giveBack) throw new LinkError('busy', LINK_BUSY);
  try {
    await plugInSimulated(bench, bench.profile);
    const link = await openStandIn();
    try {
      const { serial } = await link.identify();
      if (serial !== serialOf(bench))
        throw new LinkError('wrongEsc', 'Another ESC is on the link. Nothing was read.');
      await link.pair(bench.linkPassCode);
      const read = await readLogByLink(link, () => undefined);
      const number = await keep(bench, serial, read);
      const cleared = await link.clearLog(read.summary.log).then(
        () => true,
        () => false,
      );
      return { number, cleared };
    } finally {
      link.close();
    }
  } finally {
    giveBack();
  }
}

/** Why a run does not count whose ESC was loaded between the drive and the reading. */
const STALE = 'its ESC was loaded before its log was read';

/** @returns the number of the run */
async function keep(bench: Bench, serial: string, { summary, bytes }: ReadLog): Promise<number> {
  const log = unpackLog(bytes);
  if (!log.ok)
    throw new LinkError('strange', `The log of the ESC cannot be read: ${log.problems[0]!.sentence}`);
  const { rigId, rig } = bench;
  const id = `${serial}-log-${summary.log}`;
  const known = await hasRun(rigId, id);
  const number =
    known ??
    (
      await keepRun(
        rigId,
        await runFrom(bench, {
          id,
          drivenAt: new Date().toISOString(),
          note: {
            ...EMPTY_NOTE,
            minutes: Math.max(0.1, Math.round(summary.seconds / 6) / 10),
            readings: readingsOfLog(endsOf(log.value)),
            leftOut: summary.isStale ? STALE : '',
          },
          byHand: handValuesOf(rig),
          question: null,
        }),
      )
    ).number;
  if (!(await logMetaOf(rigId, number)))
    await keepLog(rigId, number, metaFromLink(log.value), Buffer.from(bytes));
  return number;
}
