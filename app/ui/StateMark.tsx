import type { StationState } from '#core/advice/stationStates';
import { Check, CircleDashed, OctagonAlert } from 'lucide-react';

export const STATE_WORDS: Record<StationState, string> = {
  done: 'done',
  due: 'due',
  stale: 'stale',
  blocked: 'blocked',
  idle: 'up to date',
};

/** Filled and ticked when done, numbered or dotted when due, dashed when stale, eight-sided when blocked. */
export function StateMark({ state, count }: { state: StationState; count: number | undefined }) {
  const ring =
    'relative z-1 flex size-7 items-center justify-center rounded-full border-2 bg-film text-sm font-bold';
  if (state === 'blocked') {
    return <OctagonAlert className="relative z-1 size-7 bg-film text-hazard" aria-hidden="true" />;
  }
  if (state === 'stale') {
    return <CircleDashed className="relative z-1 size-7 bg-film text-caution" aria-hidden="true" />;
  }
  if (state === 'done') {
    return (
      <span className={`${ring} border-ink bg-ink text-film`} aria-hidden="true">
        <Check className="size-4" strokeWidth={3} />
      </span>
    );
  }
  return (
    <span className={`${ring} ${state === 'due' ? 'border-ink' : 'border-rule'}`} aria-hidden="true">
      {count ?? (state === 'due' ? <span className="size-2.5 rounded-full bg-ink" /> : null)}
    </span>
  );
}
