import type { OneKeyMedium } from '../../esc/media';
import type { Edge } from '../language';
import type { MachinePart } from '../part';

/**
 * Entering settings with one key. Hold on a running ESC to enter; a press counts one item on, and the lamp
 * counts back; a hold opens the item and shows its present stop; a press steps to the next stop, round and
 * round; a hold stores it. Switching off, or waiting too long, stores nothing.
 * Source: common practice (one key, blinks and beeps).
 */
export function oneKeyPart(medium: OneKeyMedium): MachinePart {
  const { menuLamp, valueLamp } = medium;
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const offHeld: Edge = { on: 'powerOff', effects: ['forget'], to: 'offHeld' };
  const closes = {
    ms: medium.idleTimeoutMs,
    edges: [{ effects: ['forget' as const], to: 'driving' }],
  };
  const afterStore = medium.afterStore === 'restart' ? 'stored' : 'menu';
  return {
    into: { driving: [{ on: 'down set', to: 'drivingDown' }] },
    states: {
      drivingDown: {
        cues: [],
        keyDown: 'set',
        on: [{ on: 'up set', to: 'driving' }, offHeld],
        after: { ms: medium.enterHoldMs, edges: [{ to: 'menuHeld' }] },
      },
      menuHeld: {
        cues: [{ type: 'lamp', lamp: menuLamp, pattern: 'blinking' }],
        keyDown: 'set',
        on: [{ on: 'up set', to: 'menu' }, offHeld],
      },
      // Inside the menu, with no item counted yet.
      menu: {
        cues: [{ type: 'lamp', lamp: menuLamp, pattern: 'blinking' }],
        on: [{ on: 'down set', to: 'menuDown' }, off],
        after: closes,
      },
      menuDown: {
        cues: [],
        keyDown: 'set',
        on: [{ on: 'up set', effects: ['firstItem'], to: 'items' }, offHeld],
        after: { ms: medium.openHoldMs, edges: [{ to: 'menuRefused' }] },
      },
      menuRefused: {
        cues: [{ type: 'tone', tone: 'warning' }],
        keyDown: 'set',
        on: [{ on: 'up set', to: 'menu' }, offHeld],
      },
      items: {
        cues: [{ type: 'count', lamp: menuLamp, of: 'item', how: 'flashes' }],
        on: [{ on: 'down set', to: 'itemsDown' }, off],
        after: closes,
      },
      itemsDown: {
        cues: [],
        keyDown: 'set',
        on: [{ on: 'up set', effects: ['nextItem'], to: 'items' }, offHeld],
        after: { ms: medium.openHoldMs, edges: [{ effects: ['showStored'], to: 'stopsHeld' }] },
      },
      // Opened just now: the flashes show what is stored. After the first press they show what would be.
      stopsHeld: {
        cues: [{ type: 'count', lamp: valueLamp, of: 'stop', how: 'flashes' }],
        keyDown: 'set',
        on: [{ on: 'up set', to: 'opened' }, offHeld],
      },
      opened: {
        cues: [{ type: 'count', lamp: valueLamp, of: 'stop', how: 'flashes' }],
        role: 'showingStored',
        on: [{ on: 'down set', to: 'stopsDown' }, off],
        after: closes,
      },
      stops: {
        cues: [{ type: 'count', lamp: valueLamp, of: 'stop', how: 'flashes' }],
        on: [{ on: 'down set', to: 'stopsDown' }, off],
        after: closes,
      },
      stopsDown: {
        cues: [],
        keyDown: 'set',
        on: [{ on: 'up set', effects: ['nextStop'], to: 'stops' }, offHeld],
        after: { ms: medium.storeHoldMs, edges: [{ effects: ['storeStop'], to: 'storedHeld' }] },
      },
      storedHeld: {
        cues: [
          { type: 'tone', tone: 'long' },
          { type: 'lamp', lamp: valueLamp, pattern: 'off' },
        ],
        keyDown: 'set',
        on: [{ on: 'up set', to: afterStore }, offHeld],
      },
      // The ESC has the value and does nothing more until it is switched off.
      stored: { cues: [], on: [off] },
    },
  };
}
