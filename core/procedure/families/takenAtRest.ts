import type { CountedPointsCalibration, HeldStillCalibration } from '../../esc/media';
import type { Cue, Edge, State } from '../language';
import type { MachinePart } from '../part';
import { calibratedState, pointsOf, statesOf, WARNING } from './threePoints';

const CHIME: Cue = { type: 'tone', tone: 'tune' };
const BEEP: Cue = { type: 'tone', tone: 'short' };

/**
 * End points at three positions, begun with a key on a running ESC, each taken when the throttle has rested there.
 * One family chimes at each, the other counts: one beep, two, three. Without a point for too long the ESC gives up
 * and keeps what it had. Nothing is kept until the third.
 * Source: common practice (families B and C).
 */
export function takenAtRestPart(calibration: HeldStillCalibration | CountedPointsCalibration): MachinePart {
  const { family, lamp, holdMs, steadyMs, windowMs } = calibration;
  const taken = (place: number): Cue[] =>
    family === 'heldStill' ? [CHIME] : Array.from({ length: place + 1 }, () => BEEP);
  const points = pointsOf(calibration, taken);
  // The first point is on its way at once: a throttle that already rests there need not be moved.
  const first = `${points[0]!.state}Resting`;
  return {
    into: {
      driving: [
        { on: 'down mode', guard: 'calibrationLocked', to: 'driving' },
        { on: 'down mode', effects: ['forget'], to: 'modeDown' },
      ],
    },
    states: {
      modeDown: {
        cues: [],
        keyDown: 'mode',
        on: [
          { on: 'up mode', to: 'driving' },
          { on: 'powerOff', to: 'off' },
        ],
        after: { ms: holdMs, edges: [{ to: 'modeHeld' }] },
      },
      modeHeld: {
        cues: [{ type: 'lamp', lamp, pattern: 'blinking' }, ...(family === 'heldStill' ? [CHIME] : [])],
        keyDown: 'mode',
        role: 'calibrating',
        on: [
          {
            on: 'up mode',
            effects: ['settle'],
            to: points[0]!.state === 'takeNeutral' ? first : points[0]!.state,
          },
          { on: 'powerOff', effects: ['forget'], to: 'off' },
        ],
      },
      ...statesOf(points.map((point) => rested(point, steadyMs, windowMs))),
      calibrated: calibratedState(calibration, []),
    },
  };
}

/** One position: waiting until the throttle moves there, and until it has rested. */
function rested(
  { end, state, guard, effects, cues, next }: ReturnType<typeof pointsOf>[number],
  steadyMs: number,
  windowMs: number,
): Record<string, State> {
  const resting = `${state}Resting`;
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const moved: Edge = { on: 'stick', guard: 'stickMoved', effects: ['settle'], to: resting };
  return {
    [state]: {
      cues: [],
      role: 'calibrating',
      asksFor: end,
      on: [moved, off],
      after: { ms: windowMs, edges: [{ effects: ['forget'], cues: [WARNING], to: 'waitingForNeutral' }] },
    },
    [resting]: {
      cues: [],
      role: 'calibrating',
      takes: end,
      on: [moved, off],
      after: {
        ms: steadyMs,
        edges: [
          { guard, effects: [...effects, 'settle'], cues, to: next },
          { cues: [WARNING], to: state },
        ],
      },
    },
  };
}
