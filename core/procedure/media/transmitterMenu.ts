import type { TransmitterMenuMedium } from '../../esc/media';
import type { MachinePart } from '../part';
import { textMenuStates } from './textMenu';

/**
 * Entering settings in a menu on the transmitter, while the ESC is on. The menu key opens and closes it; saving
 * writes at once, but for items that are asked about once more. Switching the ESC off closes it, too.
 * Source: common practice (transmitter menu).
 */
export function transmitterMenuPart(medium: TransmitterMenuMedium): MachinePart {
  return {
    into: { driving: [{ on: 'down menu', to: 'radioOpening' }] },
    states: {
      radioOpening: {
        cues: [],
        keyDown: 'menu',
        on: [{ on: 'up menu', effects: ['firstItem', 'showStored'], to: 'radioItem' }],
      },
      ...textMenuStates({
        prefix: 'radio',
        display: 'the transmitter',
        number: medium,
        exits: [
          { on: 'down menu', to: 'radioClosing' },
          { on: 'powerOff', effects: ['forget'], to: 'off' },
        ],
      }),
      radioClosing: {
        cues: [],
        keyDown: 'menu',
        on: [{ on: 'up menu', effects: ['forget'], to: 'driving', gate: 'mayTurn' }],
      },
    },
  };
}
