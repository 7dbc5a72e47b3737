import type { OneKeyMedium } from '../../esc/profile';
import type { Edge, State } from '../language';

/**
 * Entering settings with one key. Hold on a running ESC to enter; a press counts one item on, and the lamp
 * counts back; a hold opens the item and shows its present stop; a press steps to the next stop, round and
 * round; a hold stores it. Switching off, or waiting too long, stores nothing.
 * Source: common practice (one key, blinks and beeps).
 */
export function oneKeyStates(medium: OneKeyMedium): Record<string, State> {
  const { menuLamp, valueLamp } = medium;
  const off: Edge = { on: 'powerOff', effects: ['forget'], to: 'off' };
  const offHeld: Edge = { on: 'powerOff', effects: ['forget'], to: 'offHeld' };
  const closes = {
    ms: medium.idleTimeoutMs,
    edges: [{ effects: ['forget' as const], to: 'driving' }],
  };
  const afterStore = medium.afterStore === 'restart' ? 'stored' : 'menu';
  return {
    drivingDown: {
      cues: [],
      keyDown: true,
      on: [{ on: 'up', to: 'driving' }, offHeld],
      after: { ms: medium.enterHoldMs, edges: [{ to: 'menuHeld' }] },
    },
    menuHeld: {
      cues: [{ type: 'lamp', lamp: menuLamp, pattern: 'blinking' }],
      keyDown: true,
      on: [{ on: 'up', to: 'menu' }, offHeld],
    },
    // Inside the menu, with no item counted yet.
    menu: {
      cues: [{ type: 'lamp', lamp: menuLamp, pattern: 'blinking' }],
      on: [{ on: 'down', to: 'menuDown' }, off],
      after: closes,
    },
    menuDown: {
      cues: [],
      keyDown: true,
      on: [{ on: 'up', effects: ['firstItem'], to: 'items' }, offHeld],
      after: { ms: medium.openHoldMs, edges: [{ to: 'menuRefused' }] },
    },
    menuRefused: {
      cues: [{ type: 'tone', tone: 'warning' }],
      keyDown: true,
      on: [{ on: 'up', to: 'menu' }, offHeld],
    },
    items: {
      cues: [{ type: 'count', lamp: menuLamp, of: 'item' }],
      on: [{ on: 'down', to: 'itemsDown' }, off],
      after: closes,
    },
    itemsDown: {
      cues: [],
      keyDown: true,
      on: [{ on: 'up', effects: ['nextItem'], to: 'items' }, offHeld],
      after: { ms: medium.openHoldMs, edges: [{ effects: ['showStored'], to: 'stopsHeld' }] },
    },
    // Opened just now: the flashes show what is stored. After the first press they show what would be.
    stopsHeld: {
      cues: [{ type: 'count', lamp: valueLamp, of: 'stop' }],
      keyDown: true,
      on: [{ on: 'up', to: 'opened' }, offHeld],
    },
    opened: {
      cues: [{ type: 'count', lamp: valueLamp, of: 'stop' }],
      role: 'showingStored',
      on: [{ on: 'down', to: 'stopsDown' }, off],
      after: closes,
    },
    stops: {
      cues: [{ type: 'count', lamp: valueLamp, of: 'stop' }],
      on: [{ on: 'down', to: 'stopsDown' }, off],
      after: closes,
    },
    stopsDown: {
      cues: [],
      keyDown: true,
      on: [{ on: 'up', effects: ['nextStop'], to: 'stops' }, offHeld],
      after: { ms: medium.storeHoldMs, edges: [{ effects: ['storeStop'], to: 'storedHeld' }] },
    },
    storedHeld: {
      cues: [
        { type: 'tone', tone: 'long' },
        { type: 'lamp', lamp: valueLamp, pattern: 'off' },
      ],
      keyDown: true,
      on: [{ on: 'up', to: afterStore }, offHeld],
    },
    // The ESC has the value and does nothing more until it is switched off.
    stored: { cues: [], on: [off] },
  };
}
