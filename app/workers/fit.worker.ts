/** Fits a rig's numbers to its runs beside the page. Ended from outside by ending the thread. */
import { fitToRuns, type Fitted, type RefusedFit } from '#core/runs/fit/fit';
import { runToFit, type RunToFit } from '#core/runs/fit/runToFit';
import { unpackLog } from '#core/runs/log/packed';
import type { Log } from '#core/runs/log/channels';
import type { OnRig } from '#core/runs/predicted';
import type { NumberedRun } from '#core/runs/run';
import { expose } from 'comlink';

/** A run to learn from, and where its log is; null where it has none. */
export interface RunToLearn extends NumberedRun {
  logAddress: string | null;
}

const worker = {
  async fit(
    on: OnRig,
    runs: readonly RunToLearn[],
    tell: (done: number) => void,
  ): Promise<Fitted | RefusedFit> {
    try {
      const fetched: RunToFit[] = [];
      // One at a time: of a long log only a part stays in memory.
      for (const { number, run, logAddress } of runs)
        fetched.push(runToFit(number, run, await logAt(logAddress)));
      return fitToRuns(on, fetched, tell);
    } catch (error) {
      return { kind: 'refused', why: `This cannot be fitted: ${(error as Error).message}.` };
    }
  },
};

/** @throws {Error} where the log cannot be had whole */
async function logAt(address: string | null): Promise<Log | undefined> {
  if (address === null) return undefined;
  const response = await fetch(address);
  if (!response.ok) throw new Error('a log could not be fetched');
  const read = unpackLog(new Uint8Array(await response.arrayBuffer()));
  if (!read.ok) throw new Error(read.problems[0]!.sentence);
  return read.value;
}

export type FitWorker = typeof worker;

expose(worker);
