/** The log of an ESC, read over the link: all of it, or nothing. */
import { blocksOf, sumOf, type LogSummary } from '#core/link/escLog';
import { LOGS_SINCE } from '#core/link/protocol';
import { LinkError, type EscLink } from './escLink';

export interface ReadLog {
  summary: LogSummary;
  bytes: Uint8Array<ArrayBuffer>;
}

/**
 * Reads a log block by block and holds it against what the ESC said of it before.
 * @param link on which the pass code was said
 * @param tell told how far it is, 0 to 1
 * @throws {LinkError} where anything of it is missing or wrong: nothing half is handed on
 */
export async function readLogByLink(link: EscLink, tell: (done: number) => void): Promise<ReadLog> {
  const { version } = await link.identify();
  if (version < LOGS_SINCE)
    throw new LinkError('refused', 'This ESC speaks an older protocol, and tells nothing of a log.');
  const summary = await summaryOf(link);
  const bytes = new Uint8Array(summary.bytes);
  const blocks = blocksOf(summary.bytes);
  let at = 0;
  for (let block = 1; block <= blocks; block += 1) {
    const read = await link.logBlock(block);
    if (at + read.length > bytes.length) throw changed();
    bytes.set(read, at);
    at += read.length;
    tell(block / blocks);
  }
  if (at !== bytes.length || sumOf(bytes) !== summary.sum) throw changed();
  return { summary, bytes };
}

/** What the ESC says of its log. @throws {LinkError} where it logged nothing */
async function summaryOf(link: EscLink): Promise<LogSummary> {
  try {
    return await link.logSummary();
  } catch (error) {
    if (error instanceof LinkError && error.code === 'refused')
      throw new LinkError('refused', 'The ESC has logged nothing since its log was cleared.');
    throw error;
  }
}

const changed = (): LinkError =>
  new LinkError('mismatch', 'The log is not the one that the ESC announced. Read it again.');
