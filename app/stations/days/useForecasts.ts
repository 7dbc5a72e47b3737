import type { RaceDay } from '#core/days/day';
import type { HeatForecast } from '#core/days/heatForecast';
import type { Remote } from 'comlink';
import { startTransition, useEffect, useMemo, useState } from 'react';
import type { DaysWorker } from '../../workers/days.worker';
import type { DayViewData } from './dayData.server';

export type Forecasts = Readonly<Record<string, HeatForecast | 'unknown'>>;

/** What the model says of each heat, worked out beside the page one after the other; missing until it is. */
export function useForecasts(
  worker: Remote<DaysWorker> | undefined,
  day: RaceDay,
  { rigs, packs }: Pick<DayViewData, 'rigs' | 'packs'>,
): Forecasts {
  const [found, setFound] = useState<{ of: string; values: Forecasts }>({ of: '', values: {} });
  const key = useMemo(() => {
    const asked = day.heats.flatMap(({ id, rigId, setUpId, packId, minutes }) => {
      const rig = rigs.find((one) => one.rigId === rigId);
      if (!rig) return [];
      const life = packs.find(({ pack }) => pack.id === packId);
      return [
        {
          id,
          asked: {
            on: { rig: rig.rig, profile: rig.profile, range: rig.range, goals: rig.goals },
            believed: rig.believed,
            setUp: rig.setUps.find((one) => one.id === setUpId),
            pack: life && { pack: life.pack, entries: life.entries },
            minutes,
            airCelsius: day.airCelsius,
          },
        },
      ];
    });
    return JSON.stringify(asked);
  }, [day, rigs, packs]);
  useEffect(() => {
    if (!worker) return undefined;
    let isLeft = false;
    const isHere = (): boolean => !isLeft;
    const work = async (): Promise<void> => {
      const all = JSON.parse(key) as { id: string; asked: Parameters<typeof worker.forecast>[0] }[];
      for (const { id, asked } of all) {
        if (!isHere()) return;
        const forecast = (await worker.forecast(asked)) ?? 'unknown';
        if (isHere())
          startTransition(() =>
            setFound((before) => ({
              of: key,
              values: { ...(before.of === key ? before.values : {}), [id]: forecast },
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
