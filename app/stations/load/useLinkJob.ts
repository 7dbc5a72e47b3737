import type { WantedStops } from '#core/esc/profile';
import type { LinkJobView } from '#server/link/linkJobs';
import { useCallback, useEffect, useState } from 'react';
import { useRevalidator } from 'react-router';

export type WatchedJob =
  | { state: 'beginning' }
  /** It never began. */
  | { state: 'refused'; sentence: string }
  /** The web server does not answer; asked again. */
  | { state: 'away' }
  /** The server was started again in the middle and knows nothing of the job. */
  | { state: 'forgotten' }
  | LinkJobView;

const LOOK_EVERY_MS = 250;

/** Begins a job on the link and watches it to its end. */
export function useLinkJob(
  { rigId, escNumber }: { rigId: string; escNumber: number },
  intents: WantedStops,
): { job: WatchedJob; cancel: () => void } {
  const [job, setJob] = useState<WatchedJob>({ state: 'beginning' });
  const address = `/rigs/${rigId}/link`;
  const { revalidate } = useRevalidator();

  useEffect(() => {
    let over = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const finish = (end: WatchedJob): void => {
      setJob(end);
      void revalidate();
    };
    const look = async (): Promise<void> => {
      const answer = await askLink(address);
      if (over) return;
      const job = answer?.body.job;
      if (job === null) finish({ state: 'forgotten' });
      else if (job && job.state !== 'running') finish(job);
      else {
        setJob(job ?? { state: 'away' });
        timer = setTimeout(() => void look(), LOOK_EVERY_MS);
      }
    };
    const begin = async (): Promise<void> => {
      const answer = await askLink(address, { do: 'begin', escNumber, intents });
      if (over) return;
      if (!answer) finish({ state: 'refused', sentence: 'The server does not answer.' });
      else if (answer.body.sentence !== undefined)
        finish({ state: 'refused', sentence: answer.body.sentence });
      else await look();
    };
    // Not at once: in development React mounts twice, and a job must begin once.
    timer = setTimeout(() => void begin(), 0);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [address, escNumber, intents, revalidate]);

  const cancel = useCallback(() => void askLink(address, { do: 'cancel' }), [address]);
  return { job, cancel };
}

interface LinkAnswer {
  job?: LinkJobView | null;
  sentence?: string;
}

/** Asks the link of a rig, or tells it something. @returns undefined where the server does not answer */
export async function askLink(address: string, body?: object): Promise<{ body: LinkAnswer } | undefined> {
  try {
    const response = await fetch(address, {
      ...(body && {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      }),
    });
    return response.status < 500 ? { body: (await response.json()) as LinkAnswer } : undefined;
  } catch {
    return undefined;
  }
}
