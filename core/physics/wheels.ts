/**
 * A car on its driven wheels, as two modes: gripping, where wheel and ground move together, and sliding,
 * where the wheels have a speed of their own. Clamping the force alone would be simpler and wrong: the
 * motor would not feel that its wheels spin or slow down.
 * Longitudinal model: Gillespie, Fundamentals of Vehicle Dynamics.
 *
 * What this leaves out: weight transfer, slopes, cornering, tyre growth, tyres that grip less when they slide.
 */
import { GRAVITY } from '../units/convert';
import type { ResolvedWheels } from '../rig/resolve';
import { AIR_DENSITY } from './air';

/** Step of the integrator, s: twenty times shorter than the quickest lag, wheels against motor (about 10 ms). */
const STEP_S = 0.0005;

/** Wheels count as sliding from this difference between tyre and ground on, m/s. */
const SAME_SPEED = 1e-6;

/** One moment of a run. One object is reused; copy what you keep. */
export interface WheelState {
  timeS: number;
  distanceM: number;
  /** Of the car, m/s. */
  speed: number;
  /** Of the tyre's surface, m/s. Equal to `speed` while gripping. */
  tyreSpeed: number;
  sliding: boolean;
  /** Between tyre and ground, N, positive forward. */
  groundForce: number;
}

/** Force of motor or brake at the tyre, N, positive forward, at a time and tyre speed. Never changes the car. */
export type TyreForce = (timeS: number, tyreSpeed: number) => number;

/** The most force that the driven wheels can put on the ground, N. */
export const gripLimit = (rig: ResolvedWheels): number =>
  rig.grip * rig.massKg * GRAVITY * rig.drivenWeightShare;

/** Rolling and air resistance at a forward speed, N, ≥ 0. */
export function resistance(rig: ResolvedWheels, speed: number): number {
  const rolling = rig.rollingResistance * rig.massKg * GRAVITY;
  return rolling + 0.5 * AIR_DENSITY * rig.dragAreaM2 * speed * speed;
}

/** What turns with the wheels, felt at the tyre, kg. */
const turningMass = (rig: ResolvedWheels): number =>
  (rig.wheelInertiaKgM2 + rig.motor.rotorInertia * rig.finalDrive * rig.finalDrive) / rig.wheelRadiusM ** 2;

/** Shaft speed of the motor for a tyre speed, rad/s. */
export const shaftSpeedAt = (rig: ResolvedWheels, tyreSpeed: number): number =>
  (tyreSpeed / rig.wheelRadiusM) * rig.finalDrive;

/**
 * Runs a car forward from a speed until `until` says so, it comes to rest, or `longestS` is over.
 * Midpoint rule with a fixed step; rest and regained grip end a step's mode, not a smoothed sign.
 *
 * @param visit called after every step; returning true ends the run
 * @returns the last state
 */
export function runWheels(
  rig: ResolvedWheels,
  startSpeed: number,
  force: TyreForce,
  longestS: number,
  visit: (state: Readonly<WheelState>) => boolean,
): WheelState {
  const limit = gripLimit(rig);
  const turning = turningMass(rig);
  const state: WheelState = {
    timeS: 0,
    distanceM: 0,
    speed: startSpeed,
    tyreSpeed: startSpeed,
    sliding: false,
    groundForce: 0,
  };
  const steps = Math.ceil(longestS / STEP_S);
  for (let n = 1; n <= steps; n += 1) {
    const halfTime = state.timeS + STEP_S / 2;
    const firstForce = force(state.timeS, state.tyreSpeed);
    const firstDrag = resistance(rig, state.speed);
    const staysAtRest = state.speed === 0 && state.tyreSpeed === 0 && firstForce <= firstDrag;
    if (staysAtRest) {
      state.timeS = n * STEP_S;
      if (visit(state)) break;
      continue;
    }
    const slip = state.tyreSpeed - state.speed;
    const apart = Math.abs(slip) > SAME_SPEED;
    // What the ground would have to carry for wheels and car to stay together.
    const held = firstForce - (turning * (firstForce - firstDrag)) / (rig.massKg + turning);
    state.sliding = apart || Math.abs(held) > limit;
    state.groundForce = apart ? Math.sign(slip) * limit : Math.max(-limit, Math.min(limit, held));

    // Midpoint: half a step with the forces at the start, then a whole one with those at the middle.
    const slowing = (state.groundForce - firstDrag) / rig.massKg;
    const carHalf = state.speed + slowing * (STEP_S / 2);
    if (state.speed > 0 && carHalf <= 0) {
      comeToRest(state, -slowing);
      if (visit(state) || startSpeed > 0) break;
      state.timeS = n * STEP_S;
      continue;
    }
    const tyreHalf = state.sliding
      ? state.tyreSpeed + ((firstForce - state.groundForce) / turning) * (STEP_S / 2)
      : carHalf;
    const midForce = force(halfTime, Math.max(0, tyreHalf));
    const midDrag = resistance(rig, Math.max(0, carHalf));
    if (state.sliding) {
      const speed = state.speed + ((state.groundForce - midDrag) / rig.massKg) * STEP_S;
      const tyre = Math.max(0, state.tyreSpeed + ((midForce - state.groundForce) / turning) * STEP_S);
      advance(state, n * STEP_S, speed, tyre);
      const gripsAgain = apart && Math.sign(state.tyreSpeed - state.speed) !== Math.sign(slip);
      if (gripsAgain) state.tyreSpeed = state.speed;
    } else {
      const speed = state.speed + ((midForce - midDrag) / (rig.massKg + turning)) * STEP_S;
      advance(state, n * STEP_S, speed, speed);
    }
    if (!Number.isFinite(state.speed)) throw new Error(`the run left the numbers at ${state.timeS} s`);
    if (visit(state)) break;
  }
  return state;
}

/** Ends the run at the moment of rest, which lies inside the step. */
function comeToRest(state: WheelState, deceleration: number): void {
  const restS = state.speed / deceleration;
  state.timeS += restS;
  state.distanceM += (state.speed * restS) / 2;
  state.speed = 0;
  state.tyreSpeed = 0;
  state.sliding = false;
}

function advance(state: WheelState, timeS: number, speed: number, tyreSpeed: number): void {
  const forward = Math.max(0, speed);
  state.distanceM += ((state.speed + forward) / 2) * (timeS - state.timeS);
  state.timeS = timeS;
  state.speed = forward;
  state.tyreSpeed = Math.max(0, tyreSpeed);
}
