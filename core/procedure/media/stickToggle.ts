import type { StickToggleMedium } from '../../esc/media';
import type { Edge, TimedEdge, ToneTable } from '../language';
import type { MachinePart } from '../part';
import { toggleEdge, toneExitState } from './toneMenu';

/** The pause between a stick that is up again and the next group. */
const PAUSE_MS = 500;

/**
 * Entering settings with the stick, toggling. Behind the calibration window of a stick that stays up, groups of
 * notes sound for one item after the other. Coming down during a group moves that item to its other stop at
 * once: beeps say which, a long one that it is kept. Stick up goes on with the next item.
 * Source: common practice (stick and tones, toggle).
 */
export function stickTogglePart({ itemWindowMs }: StickToggleMedium): MachinePart {
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const onWithTheNext: TimedEdge[] = [
    { guard: 'lastItem', to: 'toggleExit' },
    { effects: ['nextItem'], to: 'toggleItem' },
  ];
  return {
    states: {
      toggleItem: {
        cues: [{ type: 'group', of: 'item' }],
        role: 'inToneMenu',
        on: [toggleEdge('stickLow', 'toggleTaken'), off],
        after: { ms: itemWindowMs, edges: onWithTheNext },
      },
      toggleTaken: {
        cues: [],
        role: 'inToneMenu',
        on: [{ on: 'stick', guard: 'stickHigh', to: 'toggleUp' }, off],
      },
      toggleUp: { cues: [], role: 'inToneMenu', on: [off], after: { ms: PAUSE_MS, edges: onWithTheNext } },
      toggleExit: toneExitState(itemWindowMs, 'toggleItem'),
    },
  };
}

/** What each group of this medium sounds like: its stops are beeped, not noted. */
export const toggleTable = ({ itemNotes, exitNotes }: StickToggleMedium): ToneTable => ({
  items: itemNotes,
  stops: [],
  exit: exitNotes,
  rounds: 1,
});
