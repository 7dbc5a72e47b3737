import type { Cue, Effect, Guard, State } from '../language';

const tone = (name: 'short' | 'rising' | 'warning' | 'steady'): Cue => ({ type: 'tone', tone: name });

/**
 * End points at three positions, each confirmed with the set key: neutral, full forward, full brake.
 * Entered from `powerOnHeld`, by holding the key while switching on. An end too near to neutral is refused
 * and asked for again. Nothing is kept until the third.
 * Source: common practice (family A).
 */
export function keyConfirmedStates(lamp: string): Record<string, State> {
  return {
    calibrateHeld: {
      cues: [{ type: 'lamp', lamp, pattern: 'blinking' }, tone('steady')],
      keyDown: true,
      role: 'calibrating',
      on: [
        { on: 'up', to: 'takeNeutral' },
        { on: 'powerOff', to: 'offHeld' },
      ],
    },
    ...point('takeNeutral', undefined, ['learnNeutral'], [tone('short')], 'takeForward'),
    ...point('takeForward', 'farFromNeutral', ['learnForward'], [tone('short')], 'takeBrake'),
    ...point('takeBrake', 'farOnOtherSide', ['learnBrake', 'storeRange'], [], 'calibrated'),
    calibrated: {
      cues: [{ type: 'lamp', lamp, pattern: 'on' }, tone('rising')],
      role: 'calibrated',
      on: [{ on: 'powerOff', effects: ['forget'], to: 'off' }],
    },
  };
}

/** One position: waiting for the press, and the key down. */
function point(
  name: string,
  guard: Guard | undefined,
  effects: Effect[],
  cues: Cue[],
  next: string,
): Record<string, State> {
  const refused = guard ? [{ on: 'up' as const, cues: [tone('warning')], to: name }] : [];
  return {
    [name]: {
      cues: [],
      role: 'calibrating',
      on: [
        { on: 'down', to: `${name}Down` },
        { on: 'powerOff', effects: ['forget'], to: 'off' },
      ],
    },
    [`${name}Down`]: {
      cues: [],
      keyDown: true,
      role: 'calibrating',
      on: [
        { on: 'up', guard, effects, cues, to: next },
        ...refused,
        { on: 'powerOff', effects: ['forget'], to: 'offHeld' },
      ],
    },
  };
}
