/** The change that is being tried on a rig, with the runs that can judge it. */
import type { Trial } from '#core/runs/trial';
import type { NumberedRun } from '#core/runs/run';
import type { StoredAsked } from './repositories/asked';
import { findRun, newestRuns } from './repositories/runs';

/** More runs than are driven before a change is judged. */
const RUNS_SINCE = 30;

/** @param asked of the rig, the newest first @returns no trial where nothing is being tried */
export async function openTrial(
  rigId: string,
  asked: readonly StoredAsked[],
): Promise<{ trial: Trial | undefined; since: NumberedRun[]; last: NumberedRun | undefined }> {
  const open = asked.find((one) => !one.isClosed && one.asked.kind === 'change')?.asked;
  const trial: Trial | undefined = open?.kind === 'change' ? open : undefined;
  const [newest, before] = await Promise.all([
    newestRuns(rigId, RUNS_SINCE),
    trial && findRun(rigId, trial.afterRun),
  ]);
  const later = newest.filter(({ number }) => trial !== undefined && number > trial.afterRun);
  return { trial, since: [...(before ? [before] : []), ...later], last: newest.at(-1) };
}
