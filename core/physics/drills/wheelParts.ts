/** What the drills of a car have in common. */
import { metresPerSecond } from '../../units/convert';
import type { EscBehaviour } from '../escChain';
import { dutyOf } from '../triggerChain';
import type { RunPart } from '../powerTrain';

export const STOP_LONGEST_S = 40;
export const WALKING_PACE = metresPerSecond(5);
export const BRAKE_FROM = metresPerSecond(30);
/** Share of the no-load speed that a car reaches on the flat, for cars slower than `BRAKE_FROM`. */
export const REACHABLE_SHARE = 0.85;

/** Distance from the front axle over height of the weight: braking harder than g times this lifts the rear. Assumed. */
export const LEVER_OVER_HEIGHT = 1.9;

/** Full trigger, all at once: what duty does. */
export const pull = (esc: EscBehaviour, lengthS: number): RunPart => ({
  lengthS,
  kind: 'drive',
  from: Math.min(esc.startDuty, 1) * esc.forwardPower,
  to: dutyOf(esc, esc.forwardSignal),
  perSecond: Number.isFinite(esc.rampPerSecond) ? esc.rampPerSecond : 0,
  signal: esc.forwardSignal,
});
