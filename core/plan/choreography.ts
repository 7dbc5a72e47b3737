/** A plan as it is danced: when each gesture begins and how long it takes, so that it can be played to busy hands. */
import type { Gesture } from './gestures';

export interface Beat {
  gesture: Gesture;
  /** From the first beat on. */
  atMs: number;
  lengthMs: number;
}

/** What a hand needs for each thing beside what the ESC asks, ms. Assumed, unhurried. */
const READ_MS = 1200;
const PRESS_MS = 700;
const POWER_MS = 2000;
const CARD_MS = 6000;

/** The gestures on a time line. */
export function choreographyOf(gestures: readonly Gesture[]): Beat[] {
  let atMs = 0;
  return gestures.map((gesture) => {
    const beat = { gesture, atMs, lengthMs: lengthOf(gesture) };
    atMs += beat.lengthMs;
    return beat;
  });
}

/** How long the whole takes, ms. */
export const choreographyMs = (beats: readonly Beat[]): number => {
  const last = beats.at(-1);
  return last ? last.atMs + last.lengthMs : 0;
};

function lengthOf(gesture: Gesture): number {
  switch (gesture.kind) {
    case 'press':
      return READ_MS + PRESS_MS * gesture.count;
    case 'hold':
      return READ_MS + gesture.ms;
    case 'holdAndSwitchOn':
      return READ_MS + PRESS_MS + gesture.ms;
    case 'power':
      return READ_MS + POWER_MS;
    case 'card':
      return CARD_MS;
    case 'stick':
      return Math.min(READ_MS, gesture.withinMs ?? READ_MS) + gesture.afterMs + gesture.keepMs;
    case 'wait':
      return gesture.ms;
    case 'letGo':
    case 'code':
      return READ_MS;
  }
}
