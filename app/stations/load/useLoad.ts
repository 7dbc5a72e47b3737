import type { SimulatedEsc } from '#core/device/simulatedEsc';
import { MEDIA, type HandMedium } from '#core/esc/media';
import type { WantedStops } from '#core/esc/profile';
import { afterAnswer, afterCount, beginProgress, type Learned } from '#core/plan/loadProgress';
import { beginLoad } from '#core/plan/loadSession';
import type { Config, Observed } from '#core/procedure/language';
import { heldStops } from '#core/sheet/evidence';
import { useState } from 'react';
import { useBench } from '../bench/BenchContext';
import { uncountedItems } from './uncountedItems';
import { useTellServer } from './useTellServer';

/** How far a load of the simulated ESC is, by what the page saw of it, and what the server was told of it. */
export function useLoad(medium: HandMedium, intents: WantedStops) {
  const { profile, holdings } = useBench();
  const [progress, setProgress] = useState(() =>
    beginProgress(
      beginLoad(
        heldStops(profile, holdings),
        intents,
        uncountedItems(profile, holdings),
        MEDIA[medium.family].showsStored,
      ),
    ),
  );
  const server = useTellServer();

  const learn = (esc: SimulatedEsc, { progress: next, findings }: Learned): void => {
    setProgress(next);
    if (findings.length > 0) server.tell(findings, esc.config.memory);
  };
  const onObserved = (observed: Observed[], esc: SimulatedEsc, before: Config): void =>
    learn(esc, afterAnswer(profile, progress, { observed, esc, before, seesDisplay: true }));
  const onCounted = (esc: SimulatedEsc, itemId: string, flashes: number): void =>
    learn(esc, afterCount(profile, progress, itemId, flashes));

  const { session, surprise } = progress;
  const { trouble, isTelling } = server;
  return { session, surprise, trouble, isTelling, onObserved, onCounted };
}
