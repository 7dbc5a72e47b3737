import type { KeyConfirmedCalibration } from '../../esc/media';
import type { Cue, State } from '../language';
import type { MachinePart } from '../part';
import { calibratedState, pointsOf, statesOf, WARNING } from './threePoints';

const tone = (name: 'short' | 'steady' | 'rising'): Cue => ({ type: 'tone', tone: name });

/**
 * End points at three positions, each confirmed with a key, in the order that the profile states.
 * Entered by holding the key while switching on. A point that cannot be is refused and asked for again.
 * Nothing is kept until the third.
 * Source: common practice (family A).
 */
export function keyConfirmedPart(calibration: KeyConfirmedCalibration): MachinePart {
  const { lamp, holdAtPowerOnMs } = calibration;
  const points = pointsOf(calibration, (place) => (place < 2 ? [tone('short')] : []));
  return {
    into: {
      offHeld: [
        { on: 'powerOn', guard: 'calibrationLocked', to: 'boot', gate: 'mayTurn' },
        { on: 'powerOn', to: 'powerOnHeld', gate: 'mayTurn' },
      ],
    },
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
          { on: 'up set', to: points[0]!.state },
          { on: 'powerOff', to: 'offHeld' },
        ],
      },
      ...statesOf(points.map(confirmed)),
      calibrated: calibratedState(calibration, [tone('rising')]),
    },
  };
}

/** One position: waiting for the press, and the key down. */
function confirmed({
  end,
  state,
  guard,
  effects,
  cues,
  next,
}: ReturnType<typeof pointsOf>[number]): Record<string, State> {
  return {
    [state]: {
      cues: [],
      role: 'calibrating',
      asksFor: end,
      on: [
        { on: 'down set', to: `${state}Down` },
        { on: 'powerOff', effects: ['forget'], to: 'off' },
      ],
    },
    [`${state}Down`]: {
      cues: [],
      keyDown: 'set',
      role: 'calibrating',
      takes: end,
      on: [
        { on: 'up set', guard, effects, cues, to: next },
        { on: 'up set', cues: [WARNING], to: state },
        { on: 'powerOff', effects: ['forget'], to: 'offHeld' },
      ],
    },
  };
}
