import type { MediumFamily } from '#core/esc/media';
import { canLoadTogether, intentsForOther } from '#core/sheet/severalEscs';
import { useState } from 'react';
import { useBench } from '../bench/BenchContext';

/** Whether all ESCs of the model can be loaded at once, and whether they shall be. */
export function useTogether(family: MediumFamily) {
  const { profile, escNumber, escs, draft } = useBench();
  const [isChosen, choose] = useState(false);
  const [first, ...others] = escs;
  const isOffered =
    escNumber === 1 &&
    canLoadTogether(family, [
      { holdings: first!.holdings, intents: draft.stops },
      ...others.map(({ holdings }) => ({
        holdings,
        intents: intentsForOther(profile, first!.holdings, draft, holdings),
      })),
    ]);
  return { isOffered, isChosen, choose, others: others.map((esc) => esc.escNumber) };
}
