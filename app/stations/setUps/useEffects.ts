import type { Preview } from '#core/advice/preview';
import type { ComparedRow, Side } from '#core/setUps/compare';
import { useEffect, useMemo, useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { useSetUpsWorker } from './useSetUpsWorker';

/** By the key of a row; missing until it is worked out, null where it cannot be. */
export type Effects = Readonly<Record<string, Preview | null>>;

/** What each difference would do on this rig, worked out beside the page, one after the other. */
export function useEffects(left: Side, rows: readonly ComparedRow[]): Effects {
  const { draftedRig, profile, drafted, memory, rules, goals } = useBench();
  const worker = useSetUpsWorker();
  const [effects, setEffects] = useState<Effects>({});
  const situation = useMemo(
    () => ({
      rig: draftedRig,
      profile,
      stops: left.profile.id === profile.id ? { ...drafted, ...left.stops } : drafted,
      range: memory.range,
      rules,
      goals,
      withoutStint: true,
    }),
    [draftedRig, profile, drafted, left, memory, rules, goals],
  );
  useEffect(() => {
    if (!worker) return undefined;
    let isLeft = false;
    const isHere = (): boolean => !isLeft;
    const work = async (): Promise<void> => {
      for (const { key, verdict, adopts } of rows) {
        if (!isHere()) return;
        if (verdict === 'same' || !adopts) continue;
        const effect = await worker.effect(situation, adopts);
        if (isHere()) setEffects((before) => ({ ...before, [key]: effect ?? null }));
      }
    };
    void work();
    return () => {
      isLeft = true;
    };
  }, [worker, situation, rows]);
  return effects;
}
