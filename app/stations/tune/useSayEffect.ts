import { changedNumbers } from '#core/advice/preview';
import { DRILLS, type DrillId } from '#core/physics/drills/runDrill';
import type { DraftedStops } from '#core/esc/profile';
import { useEffect, useRef } from 'react';
import type { DrillAnswer, DrillRequest } from '../../workers/drills.worker';
import { useLastMove } from './lastMove';
import { numberMoved } from './MovePreviews';

const SHOWN = 2;

/** Says at the rail that moved what the move did to the numbers that are shown. */
export function useSayEffect(
  computed: { request: DrillRequest & { drafted: DraftedStops }; answer: DrillAnswer } | undefined,
): void {
  const lastMove = useLastMove();
  const before = useRef(computed);
  useEffect(() => {
    if (!computed) return;
    const { request, answer } = computed;
    const last = before.current;
    before.current = computed;
    if (!last?.answer.ok || !answer.ok || last.request.drill !== request.drill) return;
    const { drafted } = request;
    const moved = Object.keys(drafted).filter((id) => drafted[id] !== last.request.drafted[id]);
    if (moved.length !== 1) return;
    const changed = changedNumbers(last.answer.pair.draft.numbers, answer.pair.draft.numbers);
    const words = changed.slice(0, SHOWN).map(numberMoved).join('; ');
    const names: Partial<Record<DrillId, string>> = DRILLS[request.rig.kind];
    lastMove.say(moved[0]!, `${names[request.drill]!}: ${words === '' ? 'changes no number' : words}`);
  }, [computed, lastMove]);
}
