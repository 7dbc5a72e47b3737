import type { StickTonesMedium } from '../../esc/media';
import type { Edge, TimedEdge, ToneTable } from '../language';
import type { MachinePart } from '../part';
import { toggleEdge, toneExitState } from './toneMenu';

/** How long the tune that says "taken" sounds before the menu goes on. */
const TUNE_MS = 800;

/**
 * Entering settings with the stick and tones. Behind the calibration window of a stick that stays up, groups of
 * notes sound for one item after the other, round and round. Stick down during a group opens its item: groups
 * sound for its stops. Stick up during one stores it; the menu goes on with the next item. A missed group comes
 * again; an item whose stops were all let pass is left as it was. Some items of two stops do not open: stick down moves
 * them to the other one at once, as beeps count. The last group of a round is the way out.
 * Source: common practice (stick and tones).
 */
export function stickTonesPart(medium: StickTonesMedium): MachinePart {
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const onWithTheNext: TimedEdge[] = [
    { guard: 'lastItem', to: 'toneExit' },
    { effects: ['nextItem'], to: 'toneItem' },
  ];
  return {
    states: {
      toneItem: {
        cues: [{ type: 'group', of: 'item' }],
        role: 'inToneMenu',
        on: [
          toggleEdge('stickLowOnToggle', 'toneToggled'),
          { on: 'stick', guard: 'stickLow', effects: ['firstStop'], to: 'toneStop' },
          off,
        ],
        after: { ms: medium.itemWindowMs, edges: onWithTheNext },
      },
      toneExit: toneExitState(medium.itemWindowMs, 'toneItem'),
      toneStop: {
        cues: [{ type: 'group', of: 'stop' }],
        role: 'inToneMenu',
        on: [
          {
            on: 'stick',
            guard: 'stickHigh',
            effects: ['storeStop'],
            cues: [{ type: 'tone', tone: 'tune' }],
            to: 'toneTaken',
          },
          off,
        ],
        after: {
          ms: medium.valueWindowMs,
          edges: [
            { guard: 'lastStopOfRounds', to: 'toneGivenUp' },
            { effects: ['nextStop'], to: 'toneStop' },
          ],
        },
      },
      toneTaken: { cues: [], role: 'inToneMenu', on: [off], after: { ms: TUNE_MS, edges: onWithTheNext } },
      toneToggled: {
        cues: [],
        role: 'inToneMenu',
        on: [{ on: 'stick', guard: 'stickHigh', to: 'toneTaken' }, off],
      },
      toneGivenUp: {
        cues: [{ type: 'tone', tone: 'warning' }],
        role: 'inToneMenu',
        on: [{ on: 'stick', guard: 'stickHigh', to: 'toneTaken' }, off],
      },
    },
  };
}

/** What each group of this medium sounds like. */
export const toneTable = ({ itemNotes, stopNotes, exitNotes, valueRounds }: StickTonesMedium): ToneTable => ({
  items: itemNotes,
  stops: stopNotes,
  exit: exitNotes,
  rounds: valueRounds,
});
