import type { TakingTurns } from '#core/packs/takingTurns';
import type { Question } from '#core/runs/question';
import { stopsOfRun, type NumberedRun } from '#core/runs/run';
import { useMemo } from 'react';
import { usePredicted, type AskedRun } from './usePredicted';

/** A 95 % range is this many standard deviations on either side. */
const DEVIATIONS = 1.96;

/**
 * How far the number of a question differs from pack to pack by itself: the model, driven on a pack as good and on one as bad as
 * they may be. One standard deviation; undefined until it is worked out, and where the model cannot tell.
 */
export function usePackSpread(
  question: Question,
  runs: readonly NumberedRun[],
  packs: TakingTurns | undefined,
): number | undefined {
  const asked = useMemo((): AskedRun[] => {
    const run = runs[0]?.run;
    if (!packs || !run) return [];
    return [packs.ohmWithin, 1 / packs.ohmWithin].map((packOhmTimes, key) => ({
      key,
      run,
      stops: stopsOfRun(run),
      packOhmTimes,
    }));
  }, [packs, runs]);
  const kinds = useMemo(() => [question.reading], [question]);
  const predicted = usePredicted(asked, kinds);
  const [worse, better] = [0, 1].map((key) => predicted[key]?.[question.reading]);
  return worse === undefined || better === undefined
    ? undefined
    : Math.abs(worse - better) / (2 * DEVIATIONS);
}
