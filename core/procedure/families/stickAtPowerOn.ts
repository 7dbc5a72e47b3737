import type { StickAtPowerOnCalibration } from '../../esc/media';
import type { Edge } from '../language';
import type { MachinePart } from '../part';

/**
 * Two end points: stick full up, then power; a tone says that the high point is taken; stick down within the
 * window; a tone says that the low point is stored. Staying up past the window leads into the tone menu where
 * the ESC has one. The ESC takes whatever pulse it sees: a stick short of its end teaches a wrong range.
 * Source: common practice (family D).
 * @param toneMenu the first state of the tone menu, where the ESC has one
 */
export function stickAtPowerOnPart(
  { windowMs, steadyMs }: StickAtPowerOnCalibration,
  toneMenu: string | undefined,
): MachinePart {
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  return {
    atFirstLook: [
      // Locked, the ESC only sees a stick that is not down.
      { guard: 'calibrationLocked', to: 'lockedLook' },
      {
        guard: 'stickHigh',
        effects: ['learnForward'],
        cues: [{ type: 'tone', tone: 'short' }],
        to: 'highTaken',
      },
    ],
    states: {
      lockedLook: {
        cues: [],
        role: 'waking',
        on: [off],
        after: {
          ms: LOOK_MS,
          edges: [
            { guard: 'stickAtNeutral', cues: [{ type: 'tone', tone: 'rising' }], to: 'driving' },
            { guard: 'stickOffNeutral', to: 'waitingForNeutral' },
          ],
        },
      },
      highTaken: {
        cues: [],
        role: 'calibrating',
        on: [{ on: 'stick', guard: 'stickLow', to: 'lowComing' }, off],
        after: {
          ms: windowMs,
          edges: [{ effects: ['forget'], to: toneMenu ?? 'waitingForNeutral' }],
        },
      },
      lowComing: {
        cues: [],
        role: 'calibrating',
        on: [
          // Every move starts the rest again.
          { on: 'stick', guard: 'stickLow', to: 'lowComing' },
          { on: 'stick', to: 'lowAwaited' },
          off,
        ],
        after: { ms: steadyMs, edges: [{ effects: ['learnRest', 'storeRange'], to: 'calibrated' }] },
      },
      lowAwaited: {
        cues: [],
        role: 'calibrating',
        on: [{ on: 'stick', guard: 'stickLow', to: 'lowComing' }, off],
      },
      calibrated: {
        cues: [{ type: 'tone', tone: 'rising' }],
        role: 'calibrated',
        on: [off],
      },
    },
  };
}

/** How long an ESC looks at the throttle before it arms. From memory. */
const LOOK_MS = 100;
