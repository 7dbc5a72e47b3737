import type { ActiveTemporary } from '#core/advice/temporary';
import { useBench } from '../bench/BenchContext';

/** The values for a while that the draft still has, and the move that takes all of them back. */
export function usePutBack(): { back: ActiveTemporary[]; putBack: () => void } {
  const { temporaries, drafted, moveAll } = useBench();
  const back = temporaries.filter(({ item, returnsTo }) => drafted[item.id] !== returnsTo.id);
  const putBack = () =>
    moveAll(Object.fromEntries(back.map(({ item, returnsTo }) => [item.id, returnsTo.id])));
  return { back, putBack };
}
