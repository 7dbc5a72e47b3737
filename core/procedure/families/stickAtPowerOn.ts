import type { StickAtPowerOnCalibration } from '../../esc/media';
import type { Edge } from '../language';
import type { Part } from '../part';

/**
 * Two end points: stick full up, then power; a tone says that the high point is taken; stick down within the
 * window; a tone says that the low point is stored. Staying up past the window leads into the tone menu where
 * the ESC has one. The ESC takes whatever pulse it sees: a stick short of its end teaches a wrong range.
 * Source: common practice (family D).
 * @param hasToneMenu whether the state `toneItem` of the tone menu is there
 */
export function stickAtPowerOnPart(
  { windowMs, steadyMs }: StickAtPowerOnCalibration,
  hasToneMenu: boolean,
): Part {
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  return {
    atFirstLook: [
      {
        guard: 'stickHigh',
        effects: ['learnForward'],
        cues: [{ type: 'tone', tone: 'short' }],
        to: 'highTaken',
      },
    ],
    states: {
      highTaken: {
        cues: [],
        role: 'calibrating',
        on: [{ on: 'stick', guard: 'stickLow', to: 'lowComing' }, off],
        after: {
          ms: windowMs,
          edges: [{ effects: ['forget'], to: hasToneMenu ? 'toneItem' : 'waitingForNeutral' }],
        },
      },
      lowComing: {
        cues: [],
        role: 'calibrating',
        on: [
          // Every move starts the rest anew.
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
