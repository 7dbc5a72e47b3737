/** Reads one file, and ends: what reading leaves behind, strings above all, goes with its worker. */
import type { Layout } from '#core/runs/log/layout';
import { MOST_PROBLEMS } from '#core/runs/log/meta';
import { LogReader, type ReadLog } from '#core/runs/log/readLog';
import { LETTERS_LOOKED_AT } from '#formats/logCsv';
import { expose, transfer } from 'comlink';
import Papa from 'papaparse';

/** Small enough that what is left of a piece is cleared away before the next. */
const PIECE_BYTES = 1_000_000;
const BYTES_LOOKED_AT = 2 * LETTERS_LOOKED_AT;

/** More than there are, by the lines of its beginning: rows may grow shorter. */
async function expectedRows(file: File): Promise<number> {
  const beginning = new Uint8Array(await file.slice(0, BYTES_LOOKED_AT).arrayBuffer());
  const lines = beginning.reduce((count, byte) => count + Number(byte === 10 || byte === 13), 1);
  return 1.5 * file.size * (lines / Math.max(1, beginning.length));
}

const worker = {
  /** Reads a whole file, a piece at a time. @param told how much of it was read, 0 to 1 */
  async read(
    file: File,
    { separator, encoding }: { separator: string; encoding: string },
    layout: Layout,
    told: (share: number) => void,
  ): Promise<Pick<ReadLog, 'log' | 'problems'>> {
    const reader = new LogReader(layout, await expectedRows(file));
    await new Promise<void>((resolve, reject) => {
      Papa.parse<string[]>(file, {
        delimiter: separator,
        encoding,
        chunkSize: PIECE_BYTES,
        chunk: ({ data, meta }) => {
          for (const row of data) reader.push(row);
          told(file.size === 0 ? 1 : meta.cursor / file.size);
        },
        complete: () => resolve(),
        error: (error) => reject(error),
      });
    });
    const { log, problems } = reader.finish();
    const buffers = [log.seconds, ...log.channels.map(({ values }) => values)].map(({ buffer }) => buffer);
    return transfer({ log, problems: problems.slice(0, MOST_PROBLEMS) }, buffers);
  },
};

export type ReadLogWorker = typeof worker;

expose(worker);
