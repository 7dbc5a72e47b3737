import { wrap } from 'comlink';
import { useState } from 'react';
import type { PulsesWorker, SeriesAnswer } from '../../workers/pulses.worker';

/** Analyses a series of pulses beside the page, so that the page goes on while it is long. */
export function useSeries(frameMs: number, stepMicros: number) {
  const [answer, setAnswer] = useState<SeriesAnswer>();
  const [busy, setBusy] = useState(false);
  const analyse = async (text: string): Promise<void> => {
    setBusy(true);
    const thread = new Worker(new URL('../../workers/pulses.worker.ts', import.meta.url), { type: 'module' });
    try {
      setAnswer(await wrap<PulsesWorker>(thread).analyse(text, frameMs, stepMicros));
    } finally {
      thread.terminate();
      setBusy(false);
    }
  };
  return { answer, busy, analyse };
}
