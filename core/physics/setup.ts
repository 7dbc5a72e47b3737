/** The bridge and its guards as a run needs them, from what the settings make of the ESC and from the rig. */
import type { ResolvedRig } from '../rig/resolve';
import { totalAdvance, type EscBehaviour } from './escChain';
import type { Setup } from './powerTrain';

const RADIANS = Math.PI / 180;

/** The most motor current: the ESC's own limit, or the share of a blocked motor's current that a launch limit leaves. */
export function currentLimitOf({ motor, openVolts, packOhm }: ResolvedRig, esc: EscBehaviour): number {
  const blockedAmps = openVolts / (motor.resistance + packOhm);
  return Math.min(esc.currentLimit, esc.currentShare < 1 ? esc.currentShare * blockedAmps : Infinity);
}

export const setupOf = (rig: ResolvedRig, esc: EscBehaviour): Setup => ({
  frequencyHz: esc.driveFrequencyHz,
  damped: esc.damped,
  brakeFrequencyHz: esc.brakeFrequencyHz,
  currentLimit: currentLimitOf(rig, esc),
  advance: (rpm, signal, sinceS) => totalAdvance(esc.advance, rpm, signal, sinceS) * RADIANS,
});

/** For runs of a few seconds, whose peaks and crossings have to be exact, and which cost nothing. */
export const finely = <R extends ResolvedRig>(rig: R): R => ({ ...rig, accuracy: rig.accuracy / 50 });

/** For runs of minutes, in which small errors of single pulls even out. */
export const coarsely = <R extends ResolvedRig>(rig: R): R => ({ ...rig, accuracy: rig.accuracy * 3 });
