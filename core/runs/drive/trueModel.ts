/**
 * A model as it really is: the rig that its owner describes, with every hidden number off by as much as a guess may be. It is what
 * the stand-in drives, and what a fit is tried on: seeded, so that the same seed is the same model everywhere.
 */
import { rigField, quantityAt, withQuantity } from '../../rig/fields';
import type { Rig } from '../../rig/rig';
import { spreadsOf } from '../../rig/spreads';
import { normalNumbers, seededNumbers } from '../../units/seeded';
import { spreadInLog } from '../priors';

export interface TrueModel {
  rig: Rig;
  seed: number;
  sensors: Sensors;
  /** Whether it does two things that no model of ours has: servos that draw by fits and starts, ground or air that changes meanwhile. */
  doesMore: boolean;
  /** What its servos draw on average, A. */
  servoAmps: number;
}

/** How far its sensors are off for good: shares of what they read, or units. */
export interface Sensors {
  ampsGain: number;
  ampsZero: number;
  voltsGain: number;
  canOffset: number;
  escOffset: number;
}

/** The most that servos draw on average, A. */
const SERVO_AMPS = 0.8;
/** A guess that is further off than this many of its standard deviations would have been seen. */
const FURTHEST = 2.2;

/** @param seed from 1 */
export function trueModel(rig: Rig, seed: number, doesMore = false): TrueModel {
  const random = seededNumbers(seed * 7919 + 1);
  // The first numbers of neighbouring seeds are neighbours themselves.
  for (let n = 0; n < 20; n += 1) random();
  const normal = normalNumbers(random);
  const off = (): number => Math.max(-FURTHEST, Math.min(FURTHEST, normal()));
  const hidden = spreadsOf(rig).reduce((so, spread) => {
    const { value, basis } = quantityAt(so, spread.path);
    const { least, most } = rigField(spread.path);
    const really = value * Math.exp(off() * spreadInLog(spread, basis));
    return withQuantity(so, spread.path, { value: Math.max(least, Math.min(most, really)), basis: 'given' });
  }, rig);
  return {
    rig: hidden,
    seed,
    doesMore,
    servoAmps: doesMore ? SERVO_AMPS * random() : 0,
    sensors: {
      ampsGain: 1 + 0.02 * off(),
      ampsZero: 0.2 * off(),
      voltsGain: 1 + 0.004 * off(),
      canOffset: 1.5 * off(),
      escOffset: 1.5 * off(),
    },
  };
}
