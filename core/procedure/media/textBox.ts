import type { TextBoxMedium } from '../../esc/media';
import type { MachinePart } from '../part';
import { textMenuStates } from './textMenu';

/**
 * Entering settings on a box with text that plugs into the ESC: battery off, box in, battery on. Keys for the item
 * and for the stop, both ways; only save writes.
 * Source: common practice (text box).
 */
export function textBoxPart(medium: TextBoxMedium): MachinePart {
  return {
    into: {
      off: [{ on: 'cardIn', to: 'offBox' }],
      // Plugged in too late: the ESC looks for a box only when it is switched on.
      driving: [{ on: 'cardIn', to: 'drivingBox' }],
    },
    states: {
      offBox: {
        cues: [],
        role: 'off',
        on: [
          { on: 'cardOut', to: 'off' },
          { on: 'powerOn', to: 'boxWaking', gate: 'mayTurn' },
        ],
      },
      drivingBox: {
        cues: [],
        role: 'driving',
        on: [
          { on: 'cardOut', to: 'driving' },
          { on: 'powerOff', to: 'offBox' },
        ],
      },
      boxWaking: {
        cues: [],
        on: [{ on: 'powerOff', to: 'offBox' }],
        after: { ms: medium.wakeMs, edges: [{ effects: ['firstItem', 'showStored'], to: 'boxItem' }] },
      },
      ...textMenuStates({
        prefix: 'box',
        display: 'the box',
        number: medium,
        exits: [
          { on: 'cardOut', to: 'boxGone' },
          { on: 'powerOff', effects: ['forget'], to: 'offBox' },
        ],
      }),
      boxGone: {
        cues: [],
        on: [
          { on: 'cardIn', effects: ['firstItem', 'showStored'], to: 'boxItem' },
          { on: 'powerOff', effects: ['forget'], to: 'off' },
        ],
      },
    },
  };
}
