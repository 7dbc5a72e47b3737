/** What a motor works against: wheels on their ground, or a propeller in the air. */
import { gripLimit, resistance } from '../../physics/car';
import { FLIGHT_SHARE } from '../../physics/drills/stint';
import { airTorque } from '../../physics/propeller';
import type { ResolvedPropeller, ResolvedRig, ResolvedWheels } from '../../physics/resolved';
import { gearingOf } from '../../physics/tyre';
import { GRAVITY } from '../../units/convert';
import type { LoggedRun } from './loggedRun';

export interface Load {
  /** The most force that its tyres hold, N; nothing in the air. */
  grips: number;
  /** The motion that a stretch has against what its torque makes of it, both as a force or a torque. */
  over: (
    run: LoggedRun,
    torque: Float32Array,
    from: number,
    to: number,
  ) => { off: number; force: number; extra: number };
}

/** @param ground how much heavier the ground was that day, as a logarithm */
export const loadOf = (rig: ResolvedRig, ground: number): Load =>
  rig.kind === 'wheels' ? wheelsLoad(rig, ground) : propellerLoad(rig);

function wheelsLoad(rig: ResolvedWheels, ground: number): Load {
  const gearing = gearingOf(rig);
  const heavier = Math.exp(ground);
  const rolls = { ...rig, rollingResistance: rig.rollingResistance * heavier };
  const turning =
    (rig.wheelInertiaKgM2 + rig.motor.rotorInertia * rig.finalDrive ** 2) / rig.wheelRadiusM ** 2;
  const mass = rig.massKg + turning;
  const weight = rig.massKg * GRAVITY;
  const efficiency = rig.drivelineEfficiency;
  return {
    grips: gripLimit(rig),
    over({ shaft, lasts, corner, climb }, torque, from, to) {
      let impulse = 0;
      let pushed = 0;
      let asked = 0;
      let seconds = 0;
      for (let n = from; n < to; n += 1) {
        const speed = (shaft[n]! + shaft[n + 1]!) / 2 / gearing;
        const force = ((torque[n]! + torque[n + 1]!) / 2) * gearing * efficiency;
        const extra = heavier * rig.cornersShare * weight * (rig.grip * corner[n]! + climb[n]!);
        impulse += (force - resistance(rolls, speed) - extra) * lasts[n]!;
        pushed += Math.abs(force) * lasts[n]!;
        asked += extra * lasts[n]!;
        seconds += lasts[n]!;
      }
      const gained = (mass * (shaft[to]! - shaft[from]!)) / gearing;
      return { off: (gained - impulse) / seconds, force: pushed / seconds, extra: asked / seconds };
    },
  };
}

function propellerLoad(rig: ResolvedPropeller): Load {
  const { propeller } = rig;
  return {
    grips: 0,
    over({ shaft, lasts }, torque, from, to) {
      let impulse = 0;
      let pushed = 0;
      let seconds = 0;
      for (let n = from; n < to; n += 1) {
        const speed = (shaft[n]! + shaft[n + 1]!) / 2;
        const has = (torque[n]! + torque[n + 1]!) / 2;
        impulse += (has - FLIGHT_SHARE * airTorque(propeller, speed)) * lasts[n]!;
        pushed += Math.abs(has) * lasts[n]!;
        seconds += lasts[n]!;
      }
      const gained = propeller.inertia * (shaft[to]! - shaft[from]!);
      return { off: (gained - impulse) / seconds, force: pushed / seconds, extra: 0 };
    },
  };
}
