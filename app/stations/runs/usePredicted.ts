import type { ReadingId } from '#core/runs/readings';
import type { Driven, OnRig } from '#core/runs/predicted';
import type { StopByItem } from '#core/esc/profile';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { useRunsWorker } from './useRunsWorker';

/** A run that the model is driven as, under a key of its own. */
export interface AskedRun {
  key: number;
  run: Driven;
  /** Other stops than it had. */
  stops?: StopByItem;
  /** On a pack whose cells have so many times the resistance of the rig's. */
  packOhmTimes?: number;
}

export type Predicted = Readonly<Record<number, Partial<Record<ReadingId, number>>>>;

function onPack<On extends OnRig>(on: On, times: number): On {
  const { pack } = on.rig;
  const { value } = pack.cellResistanceOhm;
  const cellResistanceOhm = { value: value * times, basis: 'given' as const };
  return { ...on, rig: { ...on.rig, pack: { ...pack, cellResistanceOhm } } };
}

/** The model's numbers beside those of runs, worked out beside the page one after the other; missing until they are. */
export function usePredicted(runs: readonly AskedRun[], kinds: readonly ReadingId[]): Predicted {
  const { rig, profile, memory, goals } = useBench();
  const worker = useRunsWorker();
  const [found, setFound] = useState<{ of: string; values: Predicted }>({ of: '', values: {} });
  const key = useMemo(
    () => JSON.stringify({ on: { rig, profile, range: memory.range, goals }, runs, kinds }),
    [rig, profile, memory.range, goals, runs, kinds],
  );
  useEffect(() => {
    if (!worker) return undefined;
    let isLeft = false;
    const isHere = (): boolean => !isLeft;
    const asked = JSON.parse(key) as {
      on: Parameters<typeof worker.predicted>[0];
      runs: AskedRun[];
      kinds: ReadingId[];
    };
    const work = async (): Promise<void> => {
      for (const { key: number, run, stops, packOhmTimes } of asked.runs) {
        if (!isHere()) return;
        const on = packOhmTimes === undefined ? asked.on : onPack(asked.on, packOhmTimes);
        const values = await worker.predicted(on, run, asked.kinds, stops);
        if (isHere())
          startTransition(() =>
            setFound((before) => ({
              of: key,
              values: { ...(before.of === key ? before.values : {}), [number]: values },
            })),
          );
      }
    };
    void work();
    return () => {
      isLeft = true;
    };
  }, [worker, key]);
  return found.of === key ? found.values : {};
}
