import { actAll, placeOnBench, type SimulatedEsc } from '#core/device/simulatedEsc';
import type { EscProfile, StopByItem } from '#core/esc/profile';
import type { Config, EscMemory, Input, Observed } from '#core/procedure/language';
import { useState } from 'react';

/**
 * Where the user's own ESC must be, by what the user said was done. Nothing happens in it by itself: the page cannot know
 * how long a step took.
 * @param onObserved told of what the ESC must have shown and let hear, and where it was before
 */
export function useFollowedEsc(
  profile: EscProfile,
  memory: EscMemory,
  stickMicros: number,
  onObserved: (observed: Observed[], esc: SimulatedEsc, before: Config) => void,
) {
  const [esc, setEsc] = useState(() => placeOnBench(profile, memory, stickMicros));
  /** @param stops what it is believed to hold, from which the step was planned */
  const follow = (inputs: readonly Input[], stops: StopByItem): void => {
    const from = holding(esc, stops);
    const { esc: next, observed } = actAll(from, inputs);
    setEsc(next);
    onObserved(observed, next, from.config);
  };
  /** Switched off, stick at rest, with all that was stored. */
  const beginAgain = (): SimulatedEsc => {
    const next = placeOnBench(profile, esc.config.memory, stickMicros);
    setEsc(next);
    return next;
  };
  /** It shows a stop other than was believed. @param stops what it holds by that */
  const shows = (stopNumber: number, stops: StopByItem): SimulatedEsc => {
    const told = holding(esc, stops);
    const next = { ...told, config: { ...told.config, stopCursor: stopNumber - 1 } };
    setEsc(next);
    return next;
  };
  return { esc, follow, beginAgain, shows };
}

const holding = (esc: SimulatedEsc, stops: StopByItem): SimulatedEsc => ({
  ...esc,
  config: { ...esc.config, memory: { ...esc.config.memory, stops } },
});
