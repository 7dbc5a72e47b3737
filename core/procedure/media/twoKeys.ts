import type { TwoKeysMedium } from '../../esc/media';
import type { Cue, Edge, State } from '../language';
import type { MachinePart } from '../part';

/**
 * Entering settings with two keys and rows of lamps. A press of the item key on a running ESC opens the menu; each
 * further one goes one item on. The first press of the value key shows what is stored, each further one goes one
 * stop on, round and round; left alone, the stop is stored. Going on with the item key before that loses it.
 * Source: common practice (two keys and a lamp row).
 */
export function twoKeysPart({
  itemLamps,
  valueLamps,
  storeWaitMs,
  idleTimeoutMs,
}: TwoKeysMedium): MachinePart {
  const itemLit: Cue = { type: 'count', lamp: itemLamps, of: 'item', how: 'lit' };
  const stopLit: Cue = { type: 'count', lamp: valueLamps, of: 'stop', how: 'lit' };
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const offHeld: Edge = { on: 'powerOff', effects: ['forget'], to: 'offHeld' };
  const itemKey: Edge = { on: 'down set', to: 'twoItemDown' };
  const valueDown = (edge: Omit<Edge, 'on'>): State => ({
    cues: [],
    keyDown: 'value',
    on: [{ ...edge, on: 'up value' }, off],
  });
  return {
    into: { driving: [{ on: 'down set', to: 'twoOpening' }] },
    states: {
      twoOpening: {
        cues: [],
        keyDown: 'set',
        on: [{ on: 'up set', effects: ['firstItem'], to: 'twoItems' }, offHeld],
      },
      twoItems: {
        cues: [itemLit],
        on: [itemKey, { on: 'down value', to: 'twoShowDown' }, off],
        after: { ms: idleTimeoutMs, edges: [{ effects: ['forget'], to: 'driving' }] },
      },
      twoItemDown: {
        cues: [],
        keyDown: 'set',
        on: [{ on: 'up set', effects: ['nextItem'], to: 'twoItems' }, offHeld],
      },
      twoShowDown: valueDown({ effects: ['showStored'], to: 'twoShown' }),
      // Nothing was raised yet: the lamps show what is stored, and waiting changes nothing.
      twoShown: {
        cues: [stopLit],
        role: 'showingStored',
        on: [itemKey, { on: 'down value', to: 'twoRaiseDown' }, off],
        after: { ms: storeWaitMs, edges: [{ to: 'twoItems' }] },
      },
      twoRaiseDown: valueDown({ effects: ['nextStop'], to: 'twoRaised' }),
      twoRaised: {
        cues: [stopLit],
        on: [itemKey, { on: 'down value', to: 'twoRaiseDown' }, off],
        after: {
          ms: storeWaitMs,
          edges: [{ effects: ['storeStop'], cues: [{ type: 'tone', tone: 'long' }], to: 'twoItems' }],
        },
      },
    },
  };
}
