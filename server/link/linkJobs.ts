/** Jobs on the link, one at a time, each watched by whoever asks. They live as long as the server does. */
import type { WantedStops } from '#core/esc/profile';
import { holdingsOf, unknownItems } from '#core/sheet/evidence';
import { keepSheet } from '../repositories/bench';
import { addObservations } from '../repositories/observations';
import type { Bench } from '../repositories/rigs';
import { LinkError } from './escLink';
import { LINK_BUSY, takeLink } from './linkUse';
import { loadByLink, type LinkProgress, type LoadedByLink } from './loadByLink';
import { fetchSimulated, openStandIn, plugInSimulated, serialOf } from './standIn';

export type LinkJobView = { startedAt: string; progress: LinkProgress } & (
  | { state: 'running' }
  | ({ state: 'finished' } & LoadedByLink)
  /** What came to nothing, and whose values nobody knows now. */
  | { state: 'failed'; sentence: string; cancelled: boolean; locked: boolean; unknownLabels: string[] }
);

interface LinkJob {
  view: LinkJobView;
  cancelled: boolean;
}

const jobs = new Map<string, LinkJob>();

/** The last job of a rig; undefined where there was none since the server started. */
export const linkJobOf = (rigId: string): LinkJobView | undefined => jobs.get(rigId)?.view;

/** Asks a running job to stop before its next value. */
export function cancelLinkJob(rigId: string): void {
  const job = jobs.get(rigId);
  if (job) job.cancelled = true;
}

/**
 * Begins a job on the link, for the ESC of a bench.
 * @param intents the stop that each drafted item has to have in the end; empty for reading only
 * @returns why it cannot begin, or undefined
 */
export function beginLinkJob(bench: Bench, intents: WantedStops): string | undefined {
  const giveBack = takeLink();
  if (!giveBack) return LINK_BUSY;
  const startedAt = new Date().toISOString();
  const job: LinkJob = {
    view: { state: 'running', startedAt, progress: { phase: 'connecting', done: 0, total: 1 } },
    cancelled: false,
  };
  jobs.set(bench.rigId, job);
  void run(job, bench, intents).finally(giveBack);
  return undefined;
}

async function run(job: LinkJob, bench: Bench, intents: WantedStops): Promise<void> {
  const { rig, profile } = bench;
  const { startedAt } = job.view;
  const history = [...bench.observations];
  try {
    await plugInSimulated(bench, profile);
    const loaded = await loadByLink({
      rig,
      profile,
      range: bench.memory.range,
      rules: bench.rules,
      goals: bench.goals,
      serial: serialOf(bench),
      passCode: bench.linkPassCode,
      observations: bench.observations,
      intents,
      open: openStandIn,
      report: (progress) => {
        job.view = { state: 'running', startedAt, progress };
      },
      isCancelled: () => job.cancelled,
      note: async (observations) => {
        await addObservations(bench, observations);
        history.push(...observations);
      },
      keepSheet: (origin, observations, changedItemIds) =>
        keepSheet(
          { ...bench, observations },
          {
            origin,
            medium: 'link',
            // The stand-in at the end of the line.
            simulated: true,
            changedItemIds,
            note: origin === 'backup' ? 'Read before a load by link.' : '',
          },
        ),
      now: () => new Date().toISOString(),
    });
    await fetchSimulated(bench, profile);
    job.view = { state: 'finished', startedAt, progress: job.view.progress, ...loaded };
  } catch (error) {
    // The job ends even where taking over the memory fails, too.
    await fetchSimulated(bench, profile).catch((late: unknown) => console.error(late));
    if (!(error instanceof LinkError)) console.error(error);
    job.view = {
      state: 'failed',
      startedAt,
      progress: job.view.progress,
      sentence:
        error instanceof LinkError ? error.message : 'Something went wrong in Live Tune. See its log.',
      cancelled: error instanceof LinkError && error.code === 'cancelled',
      locked: error instanceof LinkError && error.code === 'locked',
      unknownLabels: unknownItems(profile, holdingsOf(profile, history)).map(({ label }) => label),
    };
  }
}
