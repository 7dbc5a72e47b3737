/** What a stretch of steady drive tells: of the ground, of grip where its wheels spin, or nothing. By what was measured alone. */
import { gripLimit, resistance } from '../../physics/car';
import type { ResolvedRig, ResolvedWheels } from '../../physics/resolved';
import { gearingOf } from '../../physics/tyre';
import { GRAVITY } from '../../units/convert';
import type { LoggedRun } from './loggedRun';

/** Wheels grip for sure below this share of what they can hold; up to the second only where corner or climb asks for it. */
const GRIPS_BELOW = 0.6;
const MAY_GRIP_BELOW = 1.6;
/** So much of the force must be what the ground asks for. */
const ASKED_FOR = 0.5;
/** A straight at full throttle: so little of the weight is asked for, so much duty is given. */
const NO_CORNER = 0.05;
const FULL_DUTY = 0.95;
/** Wheels spin for sure where the motor gives so many times what rolling and air take. */
const SURELY_SPINS = 1.6;
/** So little of what grip could give is no gain of speed. */
const STEADY_SPEED = 0.12;
/** Wheels that spin go on as evenly as this share of that. */
const VERY_STEADY = STEADY_SPEED / 3;
/** No duty is taken for less: a current divides by it. */
const LEAST_DUTY = 0.05;

export interface StretchJudge {
  /** Whether the motor gives more at a sample than any tyre holds. */
  surelySlips: (n: number) => boolean;
  /** @param from first sample @param to last */
  tellsOf: (from: number, to: number) => 'ground' | 'grip' | undefined;
}

/** @param rig as its owner describes it */
export const stretchJudge = (run: LoggedRun, rig: ResolvedRig): StretchJudge =>
  rig.kind === 'wheels' ? onWheels(run, rig) : { surelySlips: () => false, tellsOf: () => 'ground' };

function onWheels(run: LoggedRun, rig: ResolvedWheels): StretchJudge {
  const gearing = gearingOf(rig);
  const limit = gripLimit(rig);
  const perAmp = (rig.motor.constant * gearing * rig.drivelineEfficiency) / rig.bus.sharedByMotors;
  /** How much of what the tyres hold the motor asks of them. */
  const ofGrip = (n: number): number => (perAmp * run.amps[n]!) / Math.max(run.duty[n]!, LEAST_DUTY) / limit;
  return {
    surelySlips: (n) => ofGrip(n) > MAY_GRIP_BELOW,
    tellsOf(from, to) {
      let most = 0;
      let asked = Infinity;
      for (let n = from; n <= to; n += 1) {
        most = Math.max(most, ofGrip(n));
        asked = Math.min(asked, run.corner[n]! + run.climb[n]! / rig.grip);
      }
      if (most < GRIPS_BELOW) return 'ground';
      const gained =
        Math.abs(run.shaft[to]! - run.shaft[from]!) / gearing / (run.since[to]! - run.since[from]!);
      const ofWhatGripGives = gained / (rig.grip * GRAVITY);
      if (ofWhatGripGives >= STEADY_SPEED) return undefined;
      if (asked >= ASKED_FOR * most) return 'ground';
      // On a straight at full throttle nothing else takes so much force: the wheels spin, and the tyres give all that they hold.
      const isStraight = asked <= NO_CORNER && run.duty[from]! >= FULL_DUTY;
      const resisting = resistance(rig, run.shaft[to]! / gearing) / limit;
      const spins = ofWhatGripGives < VERY_STEADY && most > SURELY_SPINS * resisting;
      // A slipper clutch slips before the tyres do.
      return isStraight && spins && !rig.slipperClutch ? 'grip' : undefined;
    },
  };
}
