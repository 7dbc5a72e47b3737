import type { KeyConfirmedCalibration } from '../../esc/media';
import type { Cue, Effect, Guard, State, ToneName } from '../language';
import type { Part } from '../part';

const tone = (name: ToneName): Cue => ({ type: 'tone', tone: name });

/**
 * End points at three positions, each confirmed with a key: neutral, full forward, full brake.
 * Entered by holding the key while switching on. An end too near to neutral is refused and asked for again.
 * Nothing is kept until the third.
 * Source: common practice (family A).
 */
export function keyConfirmedPart({ lamp, holdAtPowerOnMs }: KeyConfirmedCalibration): Part {
  return {
    into: { offHeld: [{ on: 'powerOn', to: 'powerOnHeld', gate: 'mayTurn' }] },
    states: {
      powerOnHeld: {
        cues: [],
        keyDown: 'set',
        on: [
          { on: 'up set', to: 'boot' },
          { on: 'powerOff', to: 'offHeld' },
        ],
        after: { ms: holdAtPowerOnMs, edges: [{ to: 'calibrateHeld' }] },
      },
      calibrateHeld: {
        cues: [{ type: 'lamp', lamp, pattern: 'blinking' }, tone('steady')],
        keyDown: 'set',
        role: 'calibrating',
        on: [
          { on: 'up set', to: 'takeNeutral' },
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
  const refused = guard ? [{ on: 'up set' as const, cues: [tone('warning')], to: name }] : [];
  return {
    [name]: {
      cues: [],
      role: 'calibrating',
      on: [
        { on: 'down set', to: `${name}Down` },
        { on: 'powerOff', effects: ['forget'], to: 'off' },
      ],
    },
    [`${name}Down`]: {
      cues: [],
      keyDown: 'set',
      role: 'calibrating',
      on: [
        { on: 'up set', guard, effects, cues, to: next },
        ...refused,
        { on: 'powerOff', effects: ['forget'], to: 'offHeld' },
      ],
    },
  };
}
