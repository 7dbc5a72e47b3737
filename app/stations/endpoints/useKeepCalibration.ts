import type { Calibration } from '#core/calibration/calibration';
import type { EscMemory } from '#core/procedure/language';
import { useState } from 'react';
import { useRevalidator } from 'react-router';
import { useBench } from '../bench/BenchContext';
import { sendBenchRecord } from '../bench/benchRecord';

type Done = Omit<Calibration, 'family' | 'profileId' | 'keptAt'>;

/** Keeps a calibration on the server. The first ESC's memory goes with it. */
export function useKeepCalibration(onDone: () => void) {
  const { rigId, profile, memory } = useBench();
  const [keeping, setKeeping] = useState<'no' | 'busy' | 'failed'>('no');
  const revalidator = useRevalidator();
  const keep = async (done: Done, after: EscMemory = { ...memory, range: done.after }): Promise<void> => {
    setKeeping('busy');
    const sent = await sendBenchRecord(rigId, {
      escNumber: done.escNumber,
      memory: after,
      seen: [],
      calibration: {
        ...done,
        family: profile.calibration.family,
        profileId: profile.id,
        keptAt: new Date().toISOString(),
      },
    });
    if (sent !== 'kept') {
      setKeeping('failed');
      return;
    }
    await revalidator.revalidate();
    onDone();
  };
  return { keep, keeping };
}
